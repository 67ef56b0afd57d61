import type { RefObject } from 'react';
import type { ListId, Subject } from '@/core/judge/registry';
import type { At } from '@/core/stages/contract/tasks';
import type { Entering } from './useEntry';

/** What the commands of the reading line share. */
export interface Line {
  /** The tasks it works through. */
  work: ListId;
  here: At<Subject>;
  entry: Entering;
  input: RefObject<HTMLInputElement | null>;
  /** What the route has next; null for nothing open. */
  then: At<Subject> | null;
  nameOf: (at: At<Subject>) => string;
  /** Says in a sentence what was done. */
  tell: (said: string) => void;
  /** Goes to a thing to read, and back to the line; or back to it alone. */
  goOn: (at: At<Subject>, chosen?: boolean) => void;
  back: () => void;
  /** Whether who is signed in may only look: that is said then, and nothing is done. */
  isBarred: () => boolean;
}
