/**
 * Index cards of the shelf, and what each build taught of its filers: worked out from the log when they are asked for.
 */
import { and, eq, lt } from 'drizzle-orm';
import { findingsOf } from '@/core/judge/findings';
import { engineWords } from '@/core/engine/engine';
import { judge } from '@/core/judge/judge';
import type { Judgement } from '@/core/judge/judgement';
import { type StoredRecord, loadBuild } from './log';
import type { Database } from './open';
import { builds, rates } from './schema';

/** The mean of the gaps that may go in as they are, each over its bore; null while there are none. */
function fittedFactor({ cylinders }: Judgement, ring: 'top' | 'second'): number | null {
  const factors = cylinders.flatMap(({ rings, targetBore }) => {
    const { counts, done } = rings[ring];
    return counts && done && targetBore ? [counts.value / targetBore.nm] : [];
  });
  return factors.length === 0 ? null : factors.reduce((a, b) => a + b, 0) / factors.length;
}

/** What a build itself taught, as rows. */
const ownRates = ({ id, rates: judged }: Judgement): (typeof rates.$inferInsert)[] =>
  judged.flatMap(({ filer, metal, own }) => (own.cuts === 0 ? [] : [{ buildId: id, filer, metal, ...own }]));

/** Writes the shelf's card from the judgement, unless a later one is there already. */
export async function writeCard(db: Database, { record, seq }: StoredRecord): Promise<void> {
  const judgement = judge(record);
  const { job, duty, piston, progress, log } = judgement;
  if (!job) return;
  const engine = engineWords(job.engine);
  const learnt = ownRates(judgement);
  if (record.entries.some((e) => e.kind === 'cut'))
    await db.batch([
      db.delete(rates).where(eq(rates.buildId, record.id)),
      ...learnt.map((row) => db.insert(rates).values(row)),
    ]);
  await db
    .update(builds)
    .set({
      name: job.name,
      customer: job.customer,
      engine,
      search: [job.name, job.customer, job.description, job.notes, engine, duty.row?.words, piston?.words]
        .join(' ')
        .toLowerCase(),
      units: job.units,
      boreNm: job.plannedBore,
      duty: duty.wanted,
      load: duty.load.set ? duty.load.inForce.load : null,
      construction: job.construction,
      topFactor: fittedFactor(judgement, 'top'),
      secondFactor: fittedFactor(judgement, 'second'),
      done: progress.done,
      total: progress.total,
      pins: [...log.pins.values()].flat().length,
      stops: findingsOf(judgement).filter((f) => f.severity === 'stop').length,
      updatedAt: log.lastAt ?? new Date().toISOString(),
      judgedSeq: seq,
    })
    .where(and(eq(builds.id, record.id), lt(builds.judgedSeq, seq)));
}

/**
 * Works out cards that are behind their logs: nothing is worked out while entries are appended.
 *
 * @param most so many of them at most
 * @returns how many are still behind
 */
export async function freshenCards(db: Database, most = Infinity): Promise<number> {
  const stale = await db.select({ id: builds.id }).from(builds).where(lt(builds.judgedSeq, builds.lastSeq));
  for (const { id } of stale.slice(0, most)) {
    const stored = await loadBuild(db, id);
    if (stored) await writeCard(db, stored);
    // whoever else asks is answered between two of them
    await new Promise((resolve) => setImmediate(resolve));
  }
  return Math.max(0, stale.length - most);
}

/** So many are worked out before a list is shown; more are behind after an update or an import. */
const AT_ONCE = 5;

const held = globalThis as { spatiumFreshening?: Promise<void> | undefined };

/**
 * Works out the cards of a list that is to be shown.
 *
 * @param beside works out all of them without holding up anybody, where there are many; without it all are worked out now
 * @returns how many are still behind
 */
export async function cardsForList(db: Database, beside?: () => Promise<unknown>): Promise<number> {
  const behind = await freshenCards(db, beside ? AT_ONCE : Infinity);
  const over = (): void => (held.spatiumFreshening = undefined);
  if (beside && behind > 0) held.spatiumFreshening ??= beside().then(over, over);
  return behind;
}
