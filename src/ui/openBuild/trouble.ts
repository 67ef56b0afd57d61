import type { Entry } from '@/core/record/record';

/** An entry the server would not have, and why. */
export interface Trouble {
  entry: Entry;
  why: string;
}
