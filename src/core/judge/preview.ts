/** The reading that an entry on the line would make, and what else the record would be with another chart. */
import type { Meaning } from '../foundation/quantity/readingField';
import type { Entry } from './buildRecord';
import type { ReadingEntry, RingFit, Zeroed } from '../record/reading';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';
import type { At } from '../stages/contract/tasks';
import type { ChoiceKind, Choices, Subject } from './registry';
import { SUBJECTS } from './stageTables';
import { settingOf } from './context';
import { type JudgedPlace, type Judgement, isCylinder, journalAt, numberAt, placeAt } from './judgement';

/** What is in hand while reading: the tool, the temperatures, whether the torque plate is on. */
export interface Hand {
  instrument: string | null;
  temperature: number | null;
  gaugeTemperature: number | null;
  /** Of a ring: where down the bore, what it was squared with, and whether it was deburred and squared anew. */
  ring?: Pick<RingFit, 'depth' | 'squaring' | 'deburred' | 'squared'>;
}

export const EMPTY_HAND: Hand = { instrument: null, temperature: null, gaugeTemperature: null };
const EMPTY_RING_HAND = { depth: null, squaring: null, deburred: false, squared: false };

export type NewReading = Omit<ReadingEntry<Subject>, 'kind' | 'id' | 'at' | 'by'>;

/** The part at a place that a gauge with this setting was zeroed on; null where it is not measured, or it was set otherwise. */
function zeroedOn(judgement: Judgement, place: JudgedPlace, setting: GaugeSetting | null): Zeroed | null {
  if (setting === 'journal' || setting === 'aim') {
    const size = journalAt(judgement, place)?.journal.size;
    return size ? { journal: place.id, size: size.value } : null;
  }
  if (setting !== 'piston' || !isCylinder(place) || !place.piston.size) return null;
  return { piston: place.piston.id, size: place.piston.size.value };
}

/** The reading that a meaning makes of a thing in a cylinder, filed under the number that the thing has. */
export function readingOf(
  judgement: Judgement,
  { cylinder, subject, spot }: At<Subject>,
  meaning: Meaning,
  hand: Hand,
  typed: string,
): NewReading {
  const judged = placeAt(judgement, cylinder);
  const { ring = EMPTY_RING_HAND, ...held } = hand;
  const { number, spots, fitted } = SUBJECTS[subject];
  const owner = judged ? numberAt(judged, subject) : cylinder;
  return {
    cylinder: number === 'piston' ? owner : cylinder,
    subject,
    place: spots ? spot : null,
    value: meaning.value,
    upTo: meaning.upTo,
    typed,
    ...held,
    plate: spots === 'bore' ? judgement.choices.bores.plate : null,
    fit: fitted ? { ...ring, ring: owner, open: meaning.open ?? false } : null,
    zeroed: judged && meaning.dial ? zeroedOn(judgement, judged, settingOf(judgement, hand.instrument)) : null,
    zero: meaning.zero ?? null,
  };
}

const UNSTAMPED = { id: 'preview', at: '1970-01-01T00:00:00.000Z', by: '' };

/** A reading as it would be logged, before it is. */
export const asEntry = (reading: NewReading): Entry => ({ ...UNSTAMPED, ...reading, kind: 'reading' });

/**
 * A choice as it would be made, before it is.
 *
 * @example asChoice('placing', judgement.choices.placing).kind // 'placing'
 */
export const asChoice = <K extends ChoiceKind>(kind: K, value: NonNullable<Choices[K]>): Entry =>
  ({ ...UNSTAMPED, kind, replaces: null, value }) as unknown as Entry;
