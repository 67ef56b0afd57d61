/** What tools were wrongly used for: after their calibration ran out, or out of their range. */
import { say, size } from '../foundation/quantity/message';
import { type Log, historyOf } from '../record/log';
import { type LoggedReading, isReading } from '../record/reading';
import { type Finding, about } from '../stages/contract/finding';
import type { StageId, Subject } from './registry';
import { STAGE_OF, SUBJECT_IDS } from './stageTables';
import { type Instrument, calibrationEnds, isOutOfDate, isOutOfRange } from '../foundation/uncertainty/instrument';
import { type JudgedPlace, isCylinder, numberAt } from './judgement';

/** One reading that a tool should not have taken. */
interface Misuse {
  tool: string;
  subject: Subject;
  late: boolean;
  far: boolean;
}

/** What one tool was wrongly used for. */
interface Misuses {
  /** What was read with it first: it is mended on that stage. */
  subject: Subject;
  outOfDate: number;
  /** By what it was read on. */
  outOfRange: Map<string, number>;
}

function misuseOf(reading: LoggedReading, subject: Subject, tools: ReadonlyMap<string, Instrument>): Misuse[] {
  const tool = reading.voided || reading.instrument === null ? undefined : tools.get(reading.instrument);
  if (!tool || !reading.instrument) return [];
  const [late, far] = [isOutOfDate(tool, reading.at), !reading.unsized && isOutOfRange(tool, reading.value)];
  return late || far ? [{ tool: reading.instrument, subject, late, far }] : [];
}

/** At one place. */
const misusesIn = (log: Log, place: JudgedPlace): Misuse[] =>
  SUBJECT_IDS.flatMap((subject) =>
    historyOf(log, numberAt(place, subject), subject)
      .filter(isReading)
      .flatMap((reading) => misuseOf(reading, subject, log.tools)),
  );

function misuses(log: Log, places: readonly JudgedPlace[]): Map<string, Misuses> {
  const found = new Map<string, Misuses>();
  for (const place of places) {
    const words = isCylinder(place) ? `cylinder ${place.label}` : place.words.toLowerCase();
    for (const { tool, subject, late, far } of misusesIn(log, place)) {
      const all = found.get(tool) ?? { subject, outOfDate: 0, outOfRange: new Map<string, number>() };
      if (late) all.outOfDate += 1;
      if (far) all.outOfRange.set(words, (all.outOfRange.get(words) ?? 0) + 1);
      found.set(tool, all);
    }
  }
  return found;
}

const counted = (n: number, what: string): string => `${n} ${n === 1 ? what : `${what}s`}`;

/** What the tools of a record were wrongly used for. */
export function toolFindings(log: Log, places: readonly JudgedPlace[]): Finding<StageId>[] {
  if (log.tools.size === 0) return [];
  return [...misuses(log, places)].flatMap(([key, { subject, outOfDate, outOfRange }]) => {
    const tool = log.tools.get(key);
    if (!tool) return [];
    const stage = STAGE_OF[subject];
    const far = [...outOfRange.values()].reduce((a, b) => a + b, 0);
    return [
      ...(outOfDate > 0
        ? [
            about(
              'mend',
              stage,
              null,
              say`${tool.name}: its calibration held to ${calibrationEnds(tool) ?? ''}, and ${counted(outOfDate, 'reading')} came after. Check it against a setting standard.`,
            ),
          ]
        : []),
      ...(far > 0
        ? [
            about(
              'mend',
              stage,
              null,
              say`${tool.name} reaches from ${size(tool.from)} to ${size(tool.to)}, and ${counted(far, 'reading')} ${far === 1 ? 'lies' : 'lie'} outside (${[...outOfRange.keys()].join(', ')}). Was another tool in hand?`,
            ),
          ]
        : []),
    ];
  });
}
