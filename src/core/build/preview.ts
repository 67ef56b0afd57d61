/**
 * What an entry would do to the judgement before it is made: the same judge() on the record with it in.
 */
import type { Meaning } from '../quantity/bench';
import type { Chart } from '../targets/chart';
import { type Judgement, judge } from './judge';
import type { BuildRecord, Subject } from './record';

/** Judgement of the record as if the meaning were logged for a subject of a cylinder. */
export function previewOf(record: BuildRecord, cylinder: string, subject: Subject, meaning: Meaning): Judgement {
  const reading = {
    kind: 'reading' as const,
    id: 'preview',
    at: '1970-01-01T00:00:00.000Z',
    by: '',
    cylinder,
    subject,
    value: meaning.value,
    upTo: meaning.upTo,
    typed: '',
    instrument: null,
    temperature: null,
  };
  return judge({ ...record, entries: [...record.entries, reading] });
}

/** Judgement of the record as if it were set with another chart, or another version of its own. */
export const previewWithChart = (record: BuildRecord, chart: Chart): Judgement =>
  judge({ ...record, entries: [...record.entries, { kind: 'chart', id: 'preview', at: '1970-01-01T00:00:00.000Z', by: '', replaces: null, value: chart }] });
