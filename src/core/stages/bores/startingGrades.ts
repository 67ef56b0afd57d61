/** The classes that a select fit begins with. */
import type { Nm } from '../../foundation/quantity/length';
import type { GradeChoices } from './oversizeChoices';

/** A standard bore for want of another, nm, and how far a piston's first class lies under a bore's. From memory. */
const SOME_BORE: Nm = 73_500_000;
/** How far under its bore a new grade of piston begins, nm. From memory. */
const UNDER_BORE: Nm = 40_000;

/**
 * Three classes of a hundredth of a millimetre from a standard bore on. From memory.
 *
 * @example startingGrades(86_000_000) // { bore: 86000000, piston: 85960000, step: 10000, count: 3 }
 */
export const startingGrades = (bore: Nm | null): GradeChoices => ({
  bore: bore ?? SOME_BORE,
  piston: (bore ?? SOME_BORE) - UNDER_BORE,
  ...{ step: 10_000, count: 3 },
});
