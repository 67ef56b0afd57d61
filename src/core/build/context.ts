/**
 * What the parser should know about the thing being read: the engine's units, the bore, and the size its
 * neighbours or the plan lead one to expect.
 */
import { type Nm, type Units, toInches, toMm } from '../quantity/length';
import type { BenchContext } from '../quantity/bench';
import type { JudgedCylinder, Judgement } from './judge';
import type { Subject } from './record';

/** How near a size should be to its neighbours, to the plan, and a piston to its bore. From memory. */
const NEAR = { neighbourBore: 250_000, neighbourPiston: 100_000, plan: 1_600_000, pistonUnderBore: 100_000, pistonToBore: 300_000 };

function median(values: Nm[]): Nm {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

function expectedSize(judgement: Judgement, cylinder: JudgedCylinder, subject: 'bore' | 'piston', units: Units): BenchContext['expected'] {
  const words = (nm: Nm): string => (units === 'metric' ? `${toMm(nm).toFixed(3)} mm` : `${toInches(nm).toFixed(4)} in`);
  const others = judgement.cylinders.flatMap((c) => (c.id === cylinder.id ? [] : (c[subject].reading?.value ?? [])));
  if (others.length > 0) {
    const nm = median(others);
    const within = subject === 'bore' ? NEAR.neighbourBore : NEAR.neighbourPiston;
    return { nm, within, because: `the other ${subject}s read about ${words(nm)}` };
  }
  if (subject === 'piston' && cylinder.targetBore) {
    const { nm, measured } = cylinder.targetBore;
    return { nm: nm - NEAR.pistonUnderBore, within: NEAR.pistonToBore, because: `its bore is ${measured ? '' : 'planned as '}${words(nm)}` };
  }
  const planned = judgement.job?.plannedBore ?? null;
  return planned === null ? null : { nm: planned, within: NEAR.plan, because: `the planned bore is ${words(planned)}` };
}

/** What the planned bore should be near to: the median of the bores read so far, or null when none is. */
export function expectedPlan({ cylinders, job }: Judgement): BenchContext['expected'] {
  const read = cylinders.flatMap((c) => c.bore.reading?.value ?? []);
  if (read.length === 0) return null;
  const nm = median(read);
  return { nm, within: NEAR.plan, because: `the bores read about ${job?.units === 'metric' ? `${toMm(nm).toFixed(3)} mm` : `${toInches(nm).toFixed(4)} in`}` };
}

/**
 * Context for reading one subject of one cylinder.
 *
 * @param units the system bare numbers are spoken in just now
 */
export function contextFor(judgement: Judgement, cylinder: JudgedCylinder, subject: Subject, units: Units): BenchContext {
  const gap = subject !== 'bore' && subject !== 'piston';
  return {
    field: gap ? (subject === 'top' || subject === 'second' ? 'gap' : 'rail') : subject,
    units,
    bore: cylinder.targetBore?.nm ?? null,
    expected: gap ? null : expectedSize(judgement, cylinder, subject, units),
    setting: judgement.bench.gaugeSetting,
  };
}
