/** The clearance of a cylinder: its bore at the narrowest place of piston travel, less the piston that is in it. */
import type { JudgedBore } from '../bores/judged';
import type { Nm } from '../quantity/length';
import { type Saying, clear, say, size } from '../quantity/saying';
import {
  type Accepted,
  type LoggedReading,
  lastOf,
  lastUnvoided,
  livePasses,
  type Answer,
  UNANSWERED,
  answerOf,
} from '../record/reading';
import { whereOf } from '../record/parts';
import { type Target, heldAt } from '../targets/target';
import { expandedOf } from '../uncertainty/spread';
import type { Low, Strictness } from '../verdict/decide';
import { type ClearanceState, clearanceDoubt, clearanceIsDone, clearanceOf, clearanceVerdict } from './clearance';
import type { JudgedPiston } from './judged';
import { type StripCheck, stripCheck } from './piston';

export interface JudgedClearance extends Answer {
  value: Nm | null;
  /** What it comes to where bore or piston is not measured, by what was reported of it, and how that would be judged if it were so; else null. */
  reported: { value: Nm; state: ClearanceState } | null;
  /** From the mean of the bore over ring travel. */
  mean: Nm | null;
  uncertainty: Nm;
  target: Target;
  state: ClearanceState;
  /** The chance that it is tighter than its minimum by more than the grace; null where nothing is asked of it. */
  chance: number | null;
  low: Low | null;
  /** Whether the piston may go in with it. */
  done: boolean;
  working: Saying[];
  /** The feeler strip's passes, and what the last that counts says of the clearance: a check, never the record. */
  strip: { passes: readonly LoggedReading[]; check: StripCheck | null };
}

/**
 * Whether a bore was read with a gauge that was zeroed on a piston, which measures as it did then: its dial is their clearance.
 *
 * @example isZeroedOn(cylinder.bore, cylinder.piston) // false
 */
export const isZeroedOn = ({ zeroed }: JudgedBore, { id, size }: JudgedPiston): boolean =>
  zeroed !== null && 'piston' in zeroed && zeroed.piston === id && zeroed.size === size?.value;

/** What was reported is taken as it was said. */
const AS_SAID = { standard: 0, freedom: Infinity };

export interface ClearanceAsk {
  /** The cylinder that it is of. */
  cylinder: string;
  bore: JudgedBore;
  piston: JudgedPiston;
  /** What was reported of them. */
  reported: { bore: Nm | null; piston: Nm | null };
  target: Target;
  /** Passes of the feeler strip. */
  strips: readonly LoggedReading[];
  strictness: Strictness;
  accepted: Accepted;
}

/**
 * The clearance of a piston in a bore, nm at 20 °C, with U, its verdict, and the strip of plastic gauging thread or feeler beside it.
 *
 * @example judgedClearance({ cylinder: cylinder.id, bore: cylinder.bore, piston: cylinder.piston, reported: { bore: null, piston: null }, target: cylinder.targets.clearance, strips: [], strictness: judgement.choices.deciding, accepted: new Map() }).state // 'not proven'
 */
export function judgedClearance(ask: ClearanceAsk): JudgedClearance {
  const { cylinder, bore, piston, reported, target, strips, strictness, accepted } = ask;
  if (!bore.size || !piston.size) {
    const [bored, made] = [bore.size?.value ?? reported.bore, piston.size?.value ?? reported.piston];
    const said = bored === null || made === null ? null : clearanceOf(bored, made);
    return {
      value: null,
      reported:
        said === null ? null : { value: said, state: clearanceVerdict(said, target, AS_SAID, strictness).state },
      mean: null,
      uncertainty: 0,
      target,
      state: 'to do',
      chance: null,
      low: null,
      ...UNANSWERED,
      done: false,
      working: [],
      strip: { passes: strips, check: null },
    };
  }
  const strip = lastUnvoided(strips);
  const value = clearanceOf(bore.size.value, piston.size.value);
  const mean = bore.mean === null ? null : clearanceOf(bore.mean, piston.size.value);
  const zeroed = isZeroedOn(bore, piston);
  const doubt = clearanceDoubt(bore.size, piston.size, zeroed);
  const uncertainty = Math.round(expandedOf(doubt));
  const verdict = clearanceVerdict(value, target, doubt, strictness);
  const acceptId = lastOf([...livePasses(bore.passes, bore.round), ...livePasses(piston.passes, piston.round)]);
  const held = heldAt(verdict.state, value, target);
  const { state } = verdict;
  const where = whereOf(cylinder, piston.id);
  const answer = answerOf(accepted, { acceptId, what: 'clearance', state, held, where });
  return {
    value,
    reported: null,
    mean,
    uncertainty,
    target,
    ...verdict,
    ...answer,
    done: clearanceIsDone(state) || answer.accepted !== null,
    working: [
      ...bore.size.working,
      say`− piston ${piston.label} ${size(piston.size.value)} = ${clear(value)} ± ${clear(uncertainty)}`,
      ...(zeroed ? [say`the gauge was zeroed on this piston: how it was read drops out`] : []),
      ...(mean === null ? [] : [say`mean over piston travel: ${clear(mean)}`]),
      ...(bore.shape && bore.read < bore.total ? [say`bore read at ${bore.read} of ${bore.total} spots so far`] : []),
    ],
    strip: { passes: strips, check: strip && stripCheck(strip.value, value) },
  };
}
