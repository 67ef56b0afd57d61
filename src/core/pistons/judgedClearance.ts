/** The clearance of a cylinder: its bore at the narrowest place of piston travel, less the piston that is in it. */
import type { JudgedBore } from '../bores/judged';
import type { Nm } from '../quantity/length';
import { type Saying, clear, say, size } from '../quantity/saying';
import { type LoggedReading, lastUnvoided } from '../record/reading';
import type { Target } from '../targets/target';
import { type ClearanceState, clearanceOf, clearanceUncertainty, clearanceVerdict } from './clearance';
import type { JudgedPiston } from './judged';
import { type StripCheck, stripCheck } from './piston';

export interface JudgedClearance {
  value: Nm | null;
  /** From the mean of the bore over ring travel. */
  mean: Nm | null;
  uncertainty: Nm;
  target: Target;
  state: ClearanceState;
  /** The chance that it is tighter than its minimum by more than a tenth; null where nothing is asked of it. */
  chance: number | null;
  working: Saying[];
  /** The feeler strip's passes, and what the last that counts says of the clearance: a check, never the record. */
  strip: { passes: readonly LoggedReading[]; check: StripCheck | null };
}

/**
 * The clearance of a piston in a bore, nm at 20 °C, with U (k = 2), its verdict, and the strip of plastic gauging thread or feeler beside it.
 *
 * @example judgedClearance(cylinder.bore, cylinder.piston, cylinder.targets.clearance, []).state // 'not proven'
 */
export function judgedClearance(
  bore: JudgedBore,
  piston: JudgedPiston,
  target: Target,
  strips: readonly LoggedReading[],
): JudgedClearance {
  if (!bore.size || !piston.size)
    return {
      value: null,
      mean: null,
      uncertainty: 0,
      target,
      state: 'to do',
      chance: null,
      working: [],
      strip: { passes: strips, check: null },
    };
  const strip = lastUnvoided(strips);
  const value = clearanceOf(bore.size.value, piston.size.value);
  const mean = bore.mean === null ? null : clearanceOf(bore.mean, piston.size.value);
  const uncertainty = clearanceUncertainty(bore.size, piston.size);
  return {
    value,
    mean,
    uncertainty,
    target,
    ...clearanceVerdict(value, target, uncertainty),
    working: [
      ...bore.size.working,
      say`− piston ${piston.label} ${size(piston.size.value)} = ${clear(value)} ± ${clear(uncertainty)} (k = 2)`,
      ...(mean === null ? [] : [say`mean over piston travel: ${clear(mean)}`]),
      ...(bore.shape && bore.read < bore.total ? [say`bore read at ${bore.read} of ${bore.total} spots so far`] : []),
    ],
    strip: { passes: strips, check: strip && stripCheck(strip.value, value) },
  };
}
