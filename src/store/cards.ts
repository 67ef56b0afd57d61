/**
 * Index cards of the shelf, and what each build taught of its filers: worked out from the log when they are asked for.
 */
import { and, count, eq, lt } from 'drizzle-orm';
import { engineWords } from '@/core/foundation/engine/engine';
import { judge } from '@/core/judge/judge';
import type { Judgement } from '@/core/judge/judgement';
import { stageAtWork } from '@/core/judge/nextTask';
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
      stage: stageAtWork(judgement),
      pins: [...log.pins.values()].flat().length,
      stops: judgement.findings.filter((f) => f.severity === 'stop').length,
      updatedAt: log.lastAt ?? new Date().toISOString(),
      judgedSeq: seq,
    })
    .where(and(eq(builds.id, record.id), lt(builds.judgedSeq, seq)));
}

const isBehind = lt(builds.judgedSeq, builds.lastSeq);

/** Works out cards that are behind their logs: nothing is worked out while entries are appended. */
export async function freshenCards(db: Database): Promise<void> {
  for (const { id } of await db.select({ id: builds.id }).from(builds).where(isBehind)) {
    const stored = await loadBuild(db, id);
    if (stored) await writeCard(db, stored);
  }
}

/** A list waits for its cards so long, ms; after an update or an import there are more than that. */
const PATIENCE = 1_000;
/** Cards that fall behind while others are worked out are waited for as well, this often. */
const MOST_ROUNDS = 3;

const held = globalThis as { spatiumFreshening?: Promise<void> | undefined };

/**
 * Works out the cards of a list that is to be shown.
 *
 * @param beside has all of them worked out by a thread, which holds up nobody; without it they are worked out here
 * @returns how many are still behind
 */
export async function cardsForList(db: Database, beside?: () => Promise<unknown>): Promise<number> {
  const behind = async (): Promise<number> => (await db.select({ n: count() }).from(builds).where(isBehind))[0]?.n ?? 0;
  if (!beside) {
    await freshenCards(db);
    return 0;
  }
  const until = performance.now() + PATIENCE;
  const over = (): void => (held.spatiumFreshening = undefined);
  for (let round = 0; round < MOST_ROUNDS && (await behind()) > 0; round += 1) {
    const left = until - performance.now();
    if (left <= 0) break;
    held.spatiumFreshening ??= beside().then(over, over);
    await Promise.race([held.spatiumFreshening, new Promise((resolve) => setTimeout(resolve, left))]);
  }
  return behind();
}
