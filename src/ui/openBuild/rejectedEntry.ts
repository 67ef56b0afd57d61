import type { Entry } from '@/core/judge/buildRecord';

/** An entry the server would not have, and why. */
export interface RejectedEntry {
  entry: Entry;
  why: string;
}

export const CONFLICT = 'Someone else changed this first. Theirs is shown; change it again if you still want to.';
