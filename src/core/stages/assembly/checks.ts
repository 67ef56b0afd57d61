/** At the block: what is checked of each cylinder before its piston goes in and on the way. Common practice, no source. */
import { type Check } from '../../record/stepIds';

/** Looked at when the piston is hung on its rod, before any ring is on. Common practice, no source. */
export const HANGING_CHECKS = ['frontMark', 'rod'] as const satisfies readonly Check[];

/** Checks of where the joints are. */
export const isJointCheck = (check: string): check is 'jointsBefore' | 'jointsAfter' =>
  check === 'jointsBefore' || check === 'jointsAfter';
