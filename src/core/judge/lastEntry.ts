/** What one bench made last, and where that leads back to. */
import type { FiledEntry, Logged } from '../record/reading';
import { historyOf } from '../record/log';
import type { Entry } from './buildRecord';
import type { At } from '../stages/contract/tasks';
import type { Subject } from './registry';
import { type JudgedPlace, type Judgement, numberAt } from './judgement';

/** A reading or a cut, and what it is read on. */
export interface LastEntry {
  item: Logged;
  at: At<Subject>;
}

const madeIn = (judgement: Judgement, place: JudgedPlace, subject: Subject): LastEntry[] =>
  historyOf(judgement.log, numberAt(place, subject), subject).map((item) => ({
    item,
    at: { cylinder: place.id, subject, spot: item.kind === 'reading' ? item.place : null },
  }));

/**
 * The last reading or cut of some subjects that is not struck out, and counts as this bench's own; null for none.
 *
 * @param entries of the record, in order
 * @example lastEntry(judgement, record.entries, ['top'], () => true)?.item.kind // 'reading'
 */
export function lastEntry(
  judgement: Judgement,
  entries: readonly Entry[],
  subjects: readonly Subject[],
  isOwn: (item: Logged) => boolean,
): LastEntry | null {
  const live = new Map<string, LastEntry>();
  for (const place of [...judgement.cylinders, ...judgement.places])
    for (const subject of subjects)
      for (const made of madeIn(judgement, place, subject))
        if (made.item.voided === null && isOwn(made.item)) live.set(made.item.id, made);
  const last = entries.findLast((entry) => live.has(entry.id));
  return (last && live.get(last.id)) ?? null;
}

/**
 * The answer to whether a ring was filed before a reading, where it is this bench's own and still counts; null for none.
 *
 * @param of id of the reading
 * @example answerTo([{ kind: 'filed', of: 'a', id: 'f', filed: true }], 'a', () => true).id // 'f'
 */
export function answerTo(
  entries: readonly Entry[],
  of: string,
  isOwn: (entry: FiledEntry) => boolean,
): FiledEntry | null {
  const struck = new Set(entries.flatMap((entry) => (entry.kind === 'void' ? [entry.of] : [])));
  return (
    entries.findLast(
      (entry): entry is FiledEntry =>
        entry.kind === 'filed' && entry.of === of && !struck.has(entry.id) && isOwn(entry),
    ) ?? null
  );
}
