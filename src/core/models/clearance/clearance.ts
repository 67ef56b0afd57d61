/**
 * Piston-to-wall clearance of one cylinder: bore − piston, with what the two tools can prove.
 */
import type { Nm } from '../../foundation/quantity/length';
import type { Target } from '../targets/target';
import type { Doubt } from '../../foundation/uncertainty/repeatability';
import { type Component, sumOf } from '../../foundation/uncertainty/combine';
import { type Noted, sharedShopDoubt } from '../../foundation/uncertainty/thermal';
import { type Estimate, type Low, type Side, type Strictness, decide, exactly } from '../../foundation/verdict/decide';

/** The state words of a clearance. `no target` when both sizes are read and nothing says what it must be. */
export type ClearanceState = 'to do' | 'tight' | 'in window' | 'loose' | 'over' | 'not proven' | 'no target';

/**
 * Clearance of a piston in its bore. Negative when the piston reads larger than the bore.
 *
 * @example clearanceOf(fromInches(4.065), fromInches(4.0605)) // 114300
 */
export const clearanceOf = (bore: Nm, piston: Nm): Nm => bore - piston;

/** A size as far as its clearance's uncertainty needs it. */
export interface DoubtedSize {
  value: Nm;
  doubt: Doubt;
  /** Expansion of the part, per kelvin. */
  expansion: number;
  /** What was noted of its temperature. */
  noted: Noted;
}

/**
 * Standard uncertainty of a clearance, nm, with its degrees of freedom: the root sum of squares of both sizes' own doubts,
 * of both tools', of zeroing the gauge, and of the temperatures (JCGM 100:2008). Both parts are taken to be in one shop: of
 * its temperature only the difference of their expansions counts, and of either how far it is off its tool. The micrometer
 * that set the gauge is taken to be the one that measured the piston: how far it is off is in both, and drops out. Where the
 * gauge was zeroed on this very piston, its dial is the clearance: how the piston was read drops out whole.
 *
 * @param zeroed whether it was
 */
export function clearanceDoubt(bore: DoubtedSize, piston: DoubtedSize, zeroed = false): Component {
  const noted = bore.noted === 'none' || piston.noted === 'none' ? 'none' : bore.noted;
  const shop = sharedShopDoubt(bore.value, bore.expansion - piston.expansion, noted);
  const heat = [shop, bore.doubt.apart, piston.doubt.apart];
  const oneMicrometer = bore.doubt.setting > 0 && piston.doubt.setting === 0;
  const tools = oneMicrometer || zeroed ? [] : [bore.doubt.setting, piston.doubt.tool, piston.doubt.setting];
  return sumOf([
    { standard: bore.doubt.own, freedom: bore.doubt.freedom },
    ...(zeroed ? [] : [{ standard: piston.doubt.own, freedom: piston.doubt.freedom }]),
    ...[bore.doubt.tool, bore.doubt.zeroing, piston.doubt.zeroing, ...tools, ...heat].map((standard) => ({
      standard,
      freedom: Infinity,
    })),
  ]);
}

const STATES: Record<Side, ClearanceState> = {
  under: 'tight',
  'not proven': 'not proven',
  inside: 'in window',
  'past the aim': 'loose',
  over: 'over',
};

/** The verdict on a clearance. */
export interface ClearanceVerdict {
  state: ClearanceState;
  /** The chance that it is tighter than its minimum by more than the grace; null where nothing is asked of it. */
  chance: number | null;
  /** What is to be said of one that is right and lies low. */
  low: Low | null;
}

/**
 * The verdict on a clearance ± its uncertainty: tight or not only once that is shown, loose or over by what it reads.
 *
 * @param doubt its standard uncertainty, nm
 * @example
 *   clearanceVerdict(null, { set: false, ask: '' }, { standard: 0, freedom: Infinity },
 *   judgement.choices.deciding).state // 'to do'
 */
export const clearanceVerdict = (
  clearance: Nm | null,
  target: Target,
  { standard, freedom }: Component,
  strictness: Strictness,
): ClearanceVerdict => verdictOn(clearance === null ? null : exactly(clearance, standard, freedom), target, strictness);

/** Half of the last digit that a clearance is read to, 0.0001 in: one at the very end of its window is in it. */
const HALF_DIGIT: Nm = 1_270;

/** The verdict on a clearance as far as it is known; null for one that was not read. */
export function verdictOn(
  found: Estimate | null,
  target: Target,
  { sure, clearanceGrace: grace }: Strictness,
): ClearanceVerdict {
  if (found === null) return { state: 'to do', chance: null, low: null };
  if (!target.set) return { state: 'no target', chance: null, low: null };
  const { side, chance, low } = decide(found, { ...target.inForce, grace, half: HALF_DIGIT }, sure);
  return { state: STATES[side], chance, low };
}

/** Whether a piston may go in with a clearance in this state. */
export const clearanceIsDone = (state: ClearanceState): boolean => state === 'in window' || state === 'loose';
