/** What is entered for the targets: what it begins with, and what is wrong with it, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { Nm, Units } from '../../foundation/quantity/length';
import type { Allowance, Given, SecondBy, TargetChoices } from './papers';

/**
 * What is wrong with the widths of the windows.
 *
 * @example
 *   widthFaults({ gapWindow: 90_000, gapLimit: 80_000, clearanceWindow: 1, clearanceLimit: 1 })
 *   // { gapLimit: 'A limit lies inside its aim window: are they swapped?' }
 */
export function widthFaults(
  widths: Pick<TargetChoices, 'gapWindow' | 'gapLimit' | 'clearanceWindow' | 'clearanceLimit'>,
): Faults {
  const inside = 'A limit lies inside its aim window: are they swapped?';
  return faultsAmong({
    gapLimit: widths.gapLimit < widths.gapWindow && inside,
    clearanceLimit: widths.clearanceLimit < widths.clearanceWindow && inside,
  });
}

/**
 * What is wrong with a figure of a sheet, a manual or the builder.
 *
 * @example
 *   givenFaults({ form: 'factors', least: 0.005, most: 0.004, hardTop: false, from: '' })
 *   // { most: 'The upper factor is under the lower one: are they swapped?' }
 */
export function givenFaults(given: Given): Faults {
  if (given.form === 'nominal')
    return faultsAmong({ plusMinus: given.plusMinus >= given.value && 'The ± is as large as the figure itself.' });
  if (given.form === 'factors')
    return faultsAmong({
      most: given.most < given.least && 'The upper factor is under the lower one: are they swapped?',
    });
  if (given.form !== 'range') return {};
  const { min, max, aim } = given;
  if (max < min) return { max: 'The upper figure is under the lower one: are they swapped?' };
  if (!aim) return {};
  if (aim.to < aim.from) return { 'aim.to': 'The aim’s upper end is under its lower one: are they swapped?' };
  return faultsAmong({
    aim: (aim.from < min || aim.to > max) && 'The aim lies outside the range that the paper gives.',
  });
}

/** Anything over this is more likely a gap typed whole: 5 thou. From memory. */
const MOST_USUAL_ALLOWANCE: Nm = 127_000;

/**
 * Whether what is added to a cylinder's windows is more likely a gap typed whole.
 *
 * @example [1, 20].map((thou) => isWholeGap({ gap: fromThou(thou), clearance: 0 })) // [ false, true ]
 */
export const isWholeGap = ({ gap, clearance }: Pick<Allowance, 'gap' | 'clearance'>): boolean =>
  Math.max(gap, clearance) > MOST_USUAL_ALLOWANCE;

/**
 * What a second ring begins with where it is worked from the top: 4 thou or a tenth of a millimetre more, or a tenth.
 * From memory.
 *
 * @example startingSecond('ratio', 'metric') // { by: 'ratio', ratio: 1.1 }
 */
export function startingSecond(by: SecondBy['by'], units: Units): SecondBy {
  if (by === 'difference') return { by, over: units === 'imperial' ? 101_600 : 100_000 };
  return by === 'ratio' ? { by, ratio: 1.1 } : { by };
}
