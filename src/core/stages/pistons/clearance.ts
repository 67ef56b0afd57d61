/** The clearance of a cylinder: its bore at the narrowest place of piston travel, less the piston that is in it. */
import type { JudgedBore } from '../bores';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, clear, say, size } from '../../foundation/quantity/message';
import {
  type Accepted,
  type LoggedReading,
  type Answer,
  lastOf,
  lastUnvoided,
  livePasses,
  UNANSWERED,
  answerOf,
} from '../../record/reading';
import { whereOf } from '../../record/fittedParts';
import { type Target, exceededLimit } from '../../models/targets/target';
import { expandedOf } from '../../foundation/uncertainty/combine';
import type { Low, Strictness } from '../../foundation/verdict/decide';
import {
  type ClearanceState,
  clearanceDoubt,
  clearanceIsDone,
  clearanceOf,
  clearanceVerdict,
} from '../../models/clearance/clearance';
import type { JudgedPiston } from './pistonSize';
import { type StripCheck, stripCheck } from './piston';

/** What a bore is to become. */
interface Finished {
  size: Nm;
  from: 'ordered' | 'planned';
}

export interface JudgedClearance extends Answer {
  value: Nm | null;
  /**
   * What it comes to where bore or piston is not measured, by what was reported of it; or where the bore is still to be
   * machined for its piston, by what it is to become; and how that would be judged if it were so. Else null.
   */
  reported: { value: Nm; state: ClearanceState; from: 'reported' | Finished['from'] } | null;
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
  working: Message[];
  /** The feeler strip's passes, and what the last that counts says of the clearance: a check, never the record. */
  strip: { passes: readonly LoggedReading[]; check: StripCheck | null };
}

/**
 * Whether a bore was read with a gauge that was zeroed on a piston, which measures as it did then: its dial is their clearance.
 *
 * @example isZeroedOn({ zeroed: { piston: '1', size: 25_400_000 } }, { id: '1', size: { value: 25_400_000 } }) // true
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
  /** What the bore is to become; null where nothing says. */
  finished: Finished | null;
  target: Target;
  /** Passes of the feeler strip. */
  strips: readonly LoggedReading[];
  strictness: Strictness;
  accepted: Accepted;
}

/** A bore so far under what it is to become is still to be machined: more than honing leaves. 0.1 mm, from memory. */
const TO_COME_OFF: Nm = 100_000;

/**
 * The clearance by what was said of bore or piston, or by what the bore is to become where it is too small for its
 * piston yet; null where it is known.
 */
function unmeasured({ bore, piston, reported, finished, target, strictness }: ClearanceAsk): {
  reported: JudgedClearance['reported'];
  working: Message[];
} | null {
  const [bored, made] = [bore.size?.value ?? reported.bore, piston.size?.value ?? reported.piston];
  if (bored === null || made === null) return { reported: null, working: [] };
  const estimate = (of: Nm, from: 'reported' | Finished['from']): JudgedClearance['reported'] => {
    const value = clearanceOf(of, made);
    return { value, state: clearanceVerdict(value, target, AS_SAID, strictness).state, from };
  };
  const least = target.set ? target.inForce.least : 0;
  if (finished && finished.size - bored > TO_COME_OFF && clearanceOf(bored, made) < least)
    return {
      reported: estimate(finished.size, finished.from),
      working: [
        say`the bore, ${size(bored)}, is still ${clear(finished.size - bored)} under the ${size(finished.size)} that is ${finished.from}: the piston is held against that until it is machined`,
      ],
    };
  return bore.size && piston.size ? null : { reported: estimate(bored, 'reported'), working: [] };
}

/**
 * The clearance of a piston in a bore, nm at 20 °C, with U, its verdict, and the strip of plastic gauging thread or feeler beside it.
 *
 * @example
 *   judgeClearance({ cylinder: cylinder.id, bore: cylinder.bore, piston: cylinder.piston, reported: { bore: null,
 *   piston: null }, finished: null, target: cylinder.targets.clearance, strips: [], strictness:
 *   judgement.choices.deciding, accepted: new Map() }).state // 'not proven'
 */
export function judgeClearance(ask: ClearanceAsk): JudgedClearance {
  const { cylinder, bore, piston, target, strips, strictness, accepted } = ask;
  const found = unmeasured(ask);
  if (!bore.size || !piston.size || found)
    return {
      value: null,
      reported: null,
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
      ...found,
    };
  const strip = lastUnvoided(strips);
  const value = clearanceOf(bore.size.value, piston.size.value);
  const mean = bore.mean === null ? null : clearanceOf(bore.mean, piston.size.value);
  const zeroed = isZeroedOn(bore, piston);
  const doubt = clearanceDoubt(bore.size, piston.size, zeroed);
  const uncertainty = Math.round(expandedOf(doubt));
  const verdict = clearanceVerdict(value, target, doubt, strictness);
  const acceptId = lastOf([...livePasses(bore.passes, bore.round), ...livePasses(piston.passes, piston.round)]);
  const held = exceededLimit(verdict.state, value, target);
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
