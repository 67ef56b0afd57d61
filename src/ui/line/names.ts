import type { JudgedCylinder } from '@/core/build/judge';
import type { Subject } from '@/core/build/record';
import { RING_WORDS } from '@/core/ring/ring';

/** What is read, in words. */
const subjectWords = (subject: Subject): string => (subject === 'bore' || subject === 'piston' ? subject : RING_WORDS[subject]);

/** A thing to read with its cylinder, e.g. `Cylinder 3, second ring`. */
export const taskWords = (cylinder: JudgedCylinder | undefined, subject: Subject): string =>
  `Cylinder ${cylinder?.label ?? '?'}, ${subjectWords(subject)}`;
