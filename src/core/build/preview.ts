/**
 * What an entry would do to the judgement before it is made: the same judge() on the record with it in.
 */
import type { Meaning } from '../quantity/bench';
import type { Chart } from '../targets/chart';
import { type Judgement, judge } from './judge';
import { isRing } from '../ring/ring';
import { type BuildRecord, type Entry, type ReadingEntry, type RingFit, type Subject, isGrooveSubject } from './record';
import type { At } from './work';

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

export type NewReading = Omit<ReadingEntry, 'kind' | 'id' | 'at' | 'by'>;

/** Subjects that are filed under the number of the piston. */
const isOfPiston = (subject: Subject): boolean =>
  subject === 'piston' || subject === 'pin' || subject === 'pinBore' || isGrooveSubject(subject);

/** The reading that a meaning makes of a thing in a cylinder. A piston's is filed under the piston's own number, a ring's under its own. */
export function readingOf(
  judgement: Judgement,
  { cylinder, subject, spot }: At,
  meaning: Meaning,
  hand: Hand,
  typed: string,
): NewReading {
  const judged = judgement.cylinders.find((c) => c.id === cylinder);
  const { ring = EMPTY_RING_HAND, ...held } = hand;
  return {
    cylinder: isOfPiston(subject) ? (judged?.piston.id ?? cylinder) : cylinder,
    subject,
    place: subject === 'bore' ? spot : null,
    value: meaning.value,
    upTo: meaning.upTo,
    typed,
    ...held,
    plate: subject === 'bore' ? judgement.boreChoices.plate : null,
    fit: isRing(subject)
      ? { ...ring, ring: judged?.rings[subject].number ?? cylinder, open: meaning.open ?? false }
      : null,
  };
}

/**
 * Judgement of the record as if a reading were logged.
 *
 * @param before entries that come with it, such as the tool it names
 */
export const previewOf = (record: BuildRecord, reading: NewReading, before: Entry[] = []): Judgement =>
  judge({
    ...record,
    entries: [
      ...record.entries,
      ...before,
      { ...reading, kind: 'reading', id: 'preview', at: new Date(0).toISOString(), by: '' },
    ],
  });

/** Judgement of the record as if it were set with another chart, or another version of its own. */
export const previewWithChart = (record: BuildRecord, chart: Chart): Judgement =>
  judge({
    ...record,
    entries: [
      ...record.entries,
      { kind: 'chart', id: 'preview', at: '1970-01-01T00:00:00.000Z', by: '', replaces: null, value: chart },
    ],
  });
