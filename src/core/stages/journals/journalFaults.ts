/** What is wrong with what is chosen of the bottom end, by field. */
import { type Faults, faultsAmong, faultsUnder } from '../../foundation/quantity/faults';
import type { Nm } from '../../foundation/quantity/length';
import { sizesFaults } from '../../foundation/quantity/sizesFaults';
import type { BearingChoices, BearingKind, GivenLimits, JournalChoices, OtherClearance } from './choices';
import { KIND_WORDS } from './words';

/**
 * What is wrong with limits: a most that is not over the least, a most or an aim that stands alone, an aim outside.
 *
 * @example
 *   limitsFaults('Mains', { least: 50_000, aim: null, most: 40_000, source: '' })
 *   // { most: 'Mains: the most must be over the least.' }
 */
export function limitsFaults(of: string, { least, most, aim }: GivenLimits): Faults {
  const isAlone = least === null && (most !== null || aim !== null);
  const isReversed = least !== null && most !== null && most <= least;
  const isOutside = aim && (aim.to < aim.from || aim.from < (least ?? 0) || (most !== null && aim.to > most));
  return faultsAmong({
    least: isAlone && `${of}: enter the least too.`,
    most: isReversed && `${of}: the most must be over the least.`,
    aim: !isAlone && !isReversed && isOutside && `${of}: the aim must lie between the least and the most.`,
  });
}

const kindFaults = (kind: BearingKind, { clearance, sizes }: BearingChoices): Faults => ({
  ...faultsUnder(`bearings.${kind}.clearance`, limitsFaults(KIND_WORDS[kind], clearance)),
  ...faultsUnder(`bearings.${kind}.sizes`, sizesFaults(sizes)),
});

const otherFaults = ({ words, limits }: OtherClearance, i: number): [string, string][] =>
  Object.entries({
    ...faultsAmong({ [`others.${i}.words`]: words.trim() === '' && 'Enter a name for the clearance.' }),
    ...faultsUnder(`others.${i}.limits`, limitsFaults(words, limits)),
  });

/**
 * What is wrong with what is chosen of the bottom end.
 *
 * @example
 *   journalFaults({ ...judgement.choices.journals, others: [{ id: 'X1', words: '', limits: { least: null, aim:
 *   null, most: null, source: '' } }] }) // { 'others.0.words': 'Enter a name for the clearance.' }
 */
export const journalFaults = ({ bearings, endPlay, side, smallEnd, others }: JournalChoices): Faults => ({
  ...kindFaults('main', bearings.main),
  ...kindFaults('rod', bearings.rod),
  ...faultsUnder('endPlay', limitsFaults('End play', endPlay)),
  ...faultsUnder('side', limitsFaults('Side clearance', side)),
  ...faultsUnder('smallEnd', limitsFaults('Small end', smallEnd)),
  ...Object.fromEntries(others.flatMap(otherFaults)),
});

/**
 * Limits with one end of the aim moved, the other where it was, else at the limit; without an aim for null.
 *
 * @example
 *   withAim({ least: 40_000, aim: null, most: 60_000, source: '' }, { from: 45_000 }).aim // { from: 45000, to: 60000 }
 */
export function withAim(limits: GivenLimits, end: { from: Nm | null } | { to: Nm | null }): GivenLimits {
  const { least, aim, most } = limits;
  const moved = { from: aim?.from ?? least ?? 0, to: aim?.to ?? null, ...end };
  if (('from' in end && end.from === null) || ('to' in end && end.to === null)) return { ...limits, aim: null };
  const from = moved.from ?? 0;
  return { ...limits, aim: { from, to: moved.to ?? Math.max(from, most ?? from) } };
}
