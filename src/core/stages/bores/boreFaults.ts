/** What is wrong with how bores are judged and sized, by field. */
import { type Faults, faultsAmong, faultsUnder } from '../../foundation/quantity/faults';
import { sizesFaults } from '../../foundation/quantity/sizesFaults';
import type { BoreChoices, BoreLimits } from './measuringPlan';
import type { SizingChoices } from './oversizeChoices';

/** What is wrong with the limits of a bore's shape. */
export const boreLimitsFaults = ({ within, hone }: Pick<BoreLimits, 'within' | 'hone'>): Faults =>
  faultsAmong({
    hone:
      (hone.taper < within.taper || hone.outOfRound < within.outOfRound) &&
      'The “hone up to” limit is under the “good up to” limit: are they swapped?',
  });

/** What is wrong with how bores are judged. */
export const boreFaults = ({ limits, sizes }: Pick<BoreChoices, 'limits' | 'sizes'>): Faults => ({
  ...faultsUnder('limits.honed', boreLimitsFaults(limits.honed)),
  ...faultsUnder('limits.used', boreLimitsFaults(limits.used)),
  ...faultsUnder('sizes', sizesFaults(sizes)),
});

/**
 * What is wrong with the sizes sold.
 *
 * @example sizingFaults({ oversizes: [508_000, 508_000] }) // { oversizes: 'Each oversize once.' }
 */
export const sizingFaults = ({ oversizes }: Pick<SizingChoices, 'oversizes'>): Faults =>
  faultsAmong({ oversizes: new Set(oversizes).size < oversizes.length && 'Each oversize once.' });
