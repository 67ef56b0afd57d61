/** What one bench made last, and where that leads back to. */
import type { FiledEntry, Logged } from '../record/reading';
import { historyOf } from '../record/log';
import type { Entry } from '../record/record';
import type { At } from '../stage/tasks';
import type { Subject } from '../stages';
import { type JudgedPlace, type Judgement, numberAt } from './judgement';

/** A reading or a cut, and what it is read on. */
export interface Made {
  item: Logged;
  at: At<Subject>;
}

const madeIn = (judgement: Judgement, place: JudgedPlace, subject: Subject): Made[] =>
  historyOf(judgement.log, numberAt(place, subject), subject).map((item) => ({
    item,
    at: { cylinder: place.id, subject, spot: item.kind === 'reading' ? item.place : null },
  }));

/**
 * The last reading or cut of some subjects that is not struck out, and counts as this bench's own; null for none.
 *
 * @param entries of the record, in order
 * @example lastMade(judgement, record.entries, ['top'], () => true)?.item.kind // 'reading'
 */
export function lastMade(
  judgement: Judgement,
  entries: readonly Entry[],
  subjects: readonly Subject[],
  isOwn: (item: Logged) => boolean,
): Made | null {
  const live = new Map<string, Made>();
  for (const place of [...judgement.cylinders, ...judgement.places])
    for (const subject of subjects)
      for (const made of madeIn(judgement, place, subject))
        if (made.item.voided === null && isOwn(made.item)) live.set(made.item.id, made);
  const last = entries.findLast((entry) => live.has(entry.id));
  return (last && live.get(last.id)) ?? null;
}

/**
 * The last answer to whether a ring was filed, where it is this bench's own, still counts, and was given after what was
 * made last; null for none.
 *
 * @param made id of what was made last; null for nothing
 * @example lastAnswer(record.entries, null, () => true) // null
 */
export function lastAnswer(
  entries: readonly Entry[],
  made: string | null,
  isOwn: (entry: FiledEntry) => boolean,
): FiledEntry | null {
  const struck = new Set(entries.flatMap((entry) => (entry.kind === 'void' ? [entry.of] : [])));
  const last = entries.findLast(
    (entry) => entry.id === made || (entry.kind === 'filed' && !struck.has(entry.id) && isOwn(entry)),
  );
  return last?.kind === 'filed' ? last : null;
}
