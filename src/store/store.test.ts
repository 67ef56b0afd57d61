import { copyFileSync, cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createClient } from '@libsql/client';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type Entry, ENTRY_SHAPE } from '@/core/judge/buildRecord';
import { startingChoices } from '@/core/models/targets/papers';
import { fromMm } from '@/core/foundation/quantity/length';
import { gap, job, jobEntry, largeRecord, reading, record, voiding } from '@/fixtures/records';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { createBuild, importBuild, putBuild, setRemoved } from './builds';
import { IS_ON_SERVER, openStore } from '@/fixtures/stores';
import { type Database, StoreRefused, openDatabase } from './open';
import type { ShelfAsk } from './shelfAsk';
import { startingShells } from '@/core/stages/journals/choices';
import { appendEntries, entriesSince, loadBuild, positionOf, sizeOf } from './log';
import { shelf } from './shelf';
import { writeCard } from './cards';

let folder: string;
let file: string;
let db: Database;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-'));
  file = join(folder, 'deep', 'er', 'shop.db');
  db = await openStore(file);
});

afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const ask: ShelfAsk = { query: '', sort: 'updated', descending: true, page: 1 };
const reopen = async (): Promise<void> => {
  db.$client.close();
  db = await openStore(file);
};
const entriesOf = async (id = 'test'): Promise<Entry[]> => (await loadBuild(db, id))?.record.entries ?? [];

/** A row as a program wrote it that knew no shapes yet. */
const oldRow = (id: string, kind: string, body: unknown) =>
  db.$client.execute({
    sql: 'INSERT INTO log (build_id, entry_id, kind, body) VALUES (?, ?, ?, ?)',
    args: ['test', id, kind, JSON.stringify(body)],
  });

describe('how large a build is', () => {
  it('is told with the name on its last job card; of none, and of an id that is not there, nothing', async () => {
    await createBuild(db, record());
    await appendEntries(db, 'test', [jobEntry({ name: 'Renamed' }, 'job-2', 'job-1'), gap('r1', 'L1', 'top', 22)]);
    expect(await sizeOf(db, 'test')).toEqual({ entries: 3, name: 'Renamed' });
    await createBuild(db, { id: 'bare', entries: [gap('r1', 'L1', 'top', 22)] });
    expect(await sizeOf(db, 'bare')).toEqual({ entries: 1, name: null });
    expect(await sizeOf(db, 'nothing')).toBeNull();
  });
});

describe('rows of the log', () => {
  it('from before shapes were noted are read through the schema, and mean what they meant', async () => {
    await createBuild(db, record());
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    await oldRow('j', 'joints', { ...stamp, id: 'j', kind: 'joints', cylinder: 'L1' });
    const bare = { cylinder: 'L1', subject: 'bore', value: 103_251_000, upTo: null, typed: '4.065', instrument: null };
    await oldRow('b', 'reading', { ...stamp, id: 'b', kind: 'reading', ...bare, temperature: null });
    expect((await entriesOf()).slice(1)).toMatchObject([
      { id: 'j', kind: 'check', check: 'jointsBefore' },
      { id: 'b', kind: 'reading', place: null, gaugeTemperature: null, plate: null, fit: null },
    ]);
  });

  it('of shape 11 with shells that were planned mean planned, and not ordered', async () => {
    await createBuild(db, record());
    const planned = { place: 'M3', upper: 'more', lower: 'std' };
    const shells = { ...startingShells('imperial'), planned: [planned] };
    await db.$client.execute({
      sql: 'INSERT INTO log (build_id, entry_id, kind, body, shape) VALUES (?, ?, ?, ?, 11)',
      args: [
        'test',
        's',
        'shells',
        JSON.stringify({
          id: 's',
          at: '2026-05-04T09:00:00.000Z',
          by: '',
          kind: 'shells',
          replaces: null,
          value: shells,
        }),
      ],
    });
    expect((await entriesOf())[1]).toMatchObject({ value: { planned: [{ ...planned, ordered: null }] } });
  });

  it('of this program note its shape, so that they are read as they stand', async () => {
    await createBuild(db, record());
    await appendEntries(db, 'test', [gap('a', 'L1', 'top', 22)]);
    const { rows } = await db.$client.execute('SELECT entry_id, shape FROM log ORDER BY seq');
    expect(rows.map((row) => [row.entry_id, row.shape])).toEqual([
      ['job-1', ENTRY_SHAPE],
      ['a', ENTRY_SHAPE],
    ]);
  });

  it('are held against what they name, wherever in a long log that is, and against nothing else', async () => {
    await createBuild(db, record(gap('first', 'L1', 'top', 22), ...largeRecord(300).entries.slice(-300)));
    const refused = async (entry: Entry) => {
      const appended = await appendEntries(db, 'test', [entry]);
      return appended.ok ? 'taken' : appended.faults[0];
    };
    expect(
      await refused({ ...reading('z', 'L1', 'bore', 2_540), place: { depth: 'top', angle: 90 }, zero: 'nothing' }),
    ).toBe('There is no zero nothing to count from.');
    expect(await refused(voiding('v', 'nobody'))).toBe('There is no reading nobody to void.');
    expect(await refused(voiding('v', 'job-1'))).toBe('There is no reading job-1 to void.');
    expect(await refused({ ...voiding('v', 'job-1'), kind: 'accepted' } as Entry)).toBe(
      'There is no reading job-1 to accept.',
    );
    expect(await refused({ ...voiding('v', 'job-1'), kind: 'filed', was: true } as unknown as Entry)).toBe(
      'There is no reading job-1 to answer for.',
    );
    expect(await refused(gap('x', 'L9', 'top', 22))).toBe('This engine has no cylinder at L9.');
    expect(await refused(voiding('v', 'first'))).toBe('taken');
    const both = await appendEntries(db, 'test', [gap('n', 'L1', 'top', 23), voiding('vn', 'n')]);
    expect(both).toMatchObject({ ok: true, conflicts: [] });
  });
});

describe('an entry that is sent again', () => {
  it('is taken as it was, whatever has come since that it could not be made over any more', async () => {
    const cylinders = (n: number, id: string, replaces: string): Entry =>
      jobEntry({ engine: { ...job.engine, cylinders: n } }, id, replaces);
    await createBuild(db, record());
    const four = cylinders(4, 'job-2', 'job-1');
    expect(await appendEntries(db, 'test', [four])).toMatchObject({ ok: true, conflicts: [] });
    await appendEntries(db, 'test', [cylinders(8, 'job-3', 'job-2'), gap('a', 'L4', 'top', 22)]);
    expect(await appendEntries(db, 'test', [four])).toMatchObject({ ok: true, conflicts: [] });
    expect((await loadBuild(db, 'test'))?.record.entries.filter((e) => e.kind === 'job')).toHaveLength(3);
  });
});

describe('what is new, asked for page by page', () => {
  it('is all of it, each entry once, in order', async () => {
    const long = largeRecord(2_500);
    await putBuild(db, long);
    const ids: string[] = [];
    const pages: number[] = [];
    for (let since = 0, isMore = true; isMore;) {
      const page = await entriesSince(db, long.id, since);
      ids.push(...page.entries.map((e) => e.id));
      pages.push(page.entries.length);
      since = page.last ?? since;
      isMore = page.isMore;
    }
    expect(ids).toEqual(long.entries.map((e) => e.id));
    expect(pages).toEqual([500, 500, 500, 500, 500, 1]);
  });
});

describe('the shelf’s card', () => {
  it('is worked out when it is asked for, not while entries are appended', async () => {
    await createBuild(db, record());
    const done = async (): Promise<unknown> => (await db.$client.execute('SELECT done FROM builds')).rows[0]?.done;
    const before = await done();
    await appendEntries(db, 'test', [gap('a', 'L1', 'top', 22)]);
    expect(await done()).toBe(before);
    const { cards } = await shelf(db, ask);
    expect(cards[0]?.done).toBe(Number(before) + 1);
  });

  it('is never put back to what it was before, by one who began earlier and ended later', async () => {
    await createBuild(db, record());
    const early = await loadBuild(db, 'test');
    await appendEntries(db, 'test', [gap('a', 'L1', 'top', 22)]);
    const done = async () => (await shelf(db, ask)).cards[0]?.done;
    const now = await done();
    if (early) await writeCard(db, early);
    expect((await db.$client.execute('SELECT done FROM builds')).rows[0]?.done).toBe(now);
  });
});

describe('a record in the store', () => {
  it('comes back as it went in, also after the file was closed', async () => {
    const given = record(gap('a', 'L1', 'top', 22), voiding('v', 'a'));
    expect(await createBuild(db, given)).toBe('created');
    await reopen();
    expect((await loadBuild(db, 'test'))?.record).toEqual(given);
    expect(await loadBuild(db, 'nobody')).toBeNull();
  });

  it('is put in once: the same again is already here, another with its id is taken, neither changes it', async () => {
    await createBuild(db, record());
    expect(await createBuild(db, record())).toBe('already here');
    expect(await createBuild(db, record(gap('a', 'L1', 'top', 22)))).toBe('taken');
    expect(await entriesOf()).toHaveLength(1);
  });

  it('is only appended to, each entry once however often it is sent', async () => {
    await createBuild(db, record());
    for (let i = 0; i < 3; i += 1)
      expect((await appendEntries(db, 'test', [gap('a', 'L1', 'top', 22), gap('b', 'L2', 'top', 23)])).ok).toBe(true);
    expect((await entriesOf()).map((e) => e.id)).toEqual(['job-1', 'a', 'b']);
  });

  it('loses nothing and doubles nothing when many append at once', async () => {
    await createBuild(db, record());
    const other = await openStore(file);
    await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        appendEntries(i % 2 ? db : other, 'test', [gap(`r${i % 40}`, 'L1', 'top', 20 + (i % 40) / 10)]),
      ),
    );
    other.$client.close();
    expect((await entriesOf()).map((e) => e.id).sort()).toEqual(
      ['job-1', ...Array.from({ length: 40 }, (_, i) => `r${i}`)].sort(),
    );
  });

  it('put in by two at once it is there once, and both are told so; another of its id stays out', async () => {
    const other = await openStore(file);
    const put = await Promise.all([db, other, db, other].map((one) => createBuild(one, largeRecord(50))));
    expect(put.sort()).toEqual(['already here', 'already here', 'already here', 'created']);
    const rivals = [1, 2].map((n) => ({ id: 'rival', entries: [jobEntry({ name: `Rival ${n}` })] }));
    const came = await Promise.all(rivals.map((rival, i) => createBuild(i ? db : other, rival)));
    expect(came.sort()).toEqual(['created', 'taken']);
    other.$client.close();
    expect(await entriesOf('large')).toHaveLength(51);
    expect(await entriesOf('rival')).toHaveLength(1);
  });

  it('tells what came since a position', async () => {
    await createBuild(db, record());
    const seq = (await positionOf(db, 'test'))?.seq ?? 0;
    await appendEntries(db, 'test', [gap('a', 'L1', 'top', 22)]);
    expect((await entriesSince(db, 'test', seq)).entries.map((e) => e.id)).toEqual(['a']);
    expect((await positionOf(db, 'test'))?.seq).toBeGreaterThan(seq);
    expect(await positionOf(db, 'nobody')).toBeNull();
  });
});

describe('a record from a file, where people are set up', () => {
  it('has its initials marked, once, and is known again either way', async () => {
    const given = record({ ...gap('a', 'L1', 'top', 22), by: 'KM' }, gap('b', 'L2', 'top', 22));
    expect(await importBuild(db, given)).toBe('created');
    const stored = (await loadBuild(db, given.id))?.record ?? given;
    expect(stored.entries.map((e) => e.by).slice(1)).toEqual(['KM (file)', 'AB (file)']);
    expect(readBuildFile(JSON.stringify(writeBuildFile(stored)))).toMatchObject({ ok: true });
    expect(await importBuild(db, given)).toBe('already here');
    expect(await importBuild(db, stored)).toBe('already here');
    expect(await importBuild(db, { ...given, entries: given.entries.slice(0, 2) })).toBe('taken');
  });

  it('that this shop exported is known again', async () => {
    const own = record({ ...gap('a', 'L1', 'top', 22), by: 'KM' });
    await createBuild(db, own);
    expect(await importBuild(db, own)).toBe('already here');
  });
});

describe('what may not be appended', () => {
  beforeEach(() => createBuild(db, record(gap('a', 'L4', 'top', 22))));

  it.each<[string, Entry[], RegExp]>([
    ['a reading of no cylinder', [gap('x', 'R9', 'top', 22)], /no cylinder at R9/],
    ['a reading of no main', [reading('x', 'M10', 'journal', fromMm(60))], /no main bearing M10/],
    ['a journal of 100 in', [reading('x', 'M1', 'journal', fromMm(999))], /At M1: there is no journal of 999 mm/],
    ['a void of nothing', [voiding('v', 'ghost')], /no reading ghost/],
    ['a gap of 100 mm', [reading('x', 'L1', 'top', fromMm(100))], /At L1: there is no ring end gap of 100 mm/],
    ['a bore of nothing', [reading('x', 'L1', 'bore', 0)], /At L1: there is no bore of 0 mm/],
    [
      'a job card that takes away a cylinder with readings',
      [jobEntry({ engine: { ...job.engine, cylinders: 6 } }, 'job-2', 'job-1')],
      /Cylinder 7 has 1 reading and would be gone/,
    ],
  ])('%s: refused, and nothing of the request is added', async (_, entries, says) => {
    const result = await appendEntries(db, 'test', [gap('good', 'L1', 'top', 22), ...entries]);
    expect(!result.ok && result.faults.join()).toMatch(says);
    expect((await entriesOf()).map((e) => e.id)).toEqual(['job-1', 'a']);
  });

  it('a job card that takes away a main with readings; a main that the engine may have, and its crank, are read', async () => {
    const main = reading('m9', 'M9', 'journal', fromMm(60));
    const play = reading('play', 'crank', 'endPlay', fromMm(0.1));
    expect(await appendEntries(db, 'test', [main, play])).toMatchObject({ ok: true });
    await appendEntries(db, 'test', [voiding('gone', 'a')]);
    const four = jobEntry({ engine: { ...job.engine, cylinders: 4 } }, 'job-2', 'job-1');
    const refused = await appendEntries(db, 'test', [four]);
    expect(!refused.ok && refused.faults.join()).toMatch(/Main 9 has 1 reading and would be gone/);
    await appendEntries(db, 'test', [voiding('off', 'm9')]);
    expect(await appendEntries(db, 'test', [four])).toMatchObject({ ok: true });
  });

  it('anything to a build that is not there', async () => {
    expect(await appendEntries(db, 'nobody', [gap('x', 'L1', 'top', 22)])).toMatchObject({ ok: false, why: 'missing' });
  });

  it('a choice made over an outdated one: the first stands, the second comes back as a conflict', async () => {
    const first = jobEntry({ name: 'First' }, 'job-2', 'job-1');
    const second = jobEntry({ name: 'Second' }, 'job-3', 'job-1');
    expect(await appendEntries(db, 'test', [first])).toMatchObject({ ok: true, conflicts: [] });
    expect(await appendEntries(db, 'test', [second])).toMatchObject({ ok: true, conflicts: [{ id: 'job-3' }] });
    expect(await appendEntries(db, 'test', [first])).toMatchObject({ ok: true, conflicts: [] });
    expect((await entriesOf()).filter((e) => e.kind === 'job').map((e) => e.id)).toEqual(['job-1', 'job-2']);
  });

  it('what only a job card would allow that is not taken, since another was made meanwhile', async () => {
    const six = jobEntry({ engine: { ...job.engine, cylinders: 12 } }, 'job-2', 'job-0');
    const refused = await appendEntries(db, 'test', [six, gap('x', 'L6', 'top', 22)]);
    expect(!refused.ok && refused.faults.join()).toMatch(/no cylinder at L6/);
  });

  it('another entry under an id that is on record: said, and nothing of the request is added', async () => {
    const other = gap('a', 'L4', 'top', 23);
    const refused = await appendEntries(db, 'test', [gap('good', 'L1', 'top', 22), other]);
    expect(refused).toMatchObject({ ok: false, why: 'clash' });
    expect(!refused.ok && refused.faults.join()).toMatch(/Entry a is on record with other contents/);
    expect((await entriesOf()).map((e) => e.id)).toEqual(['job-1', 'a']);
    // sent again by whoever has the device in hand now, it is the same
    expect(await appendEntries(db, 'test', [{ ...gap('a', 'L4', 'top', 22), by: 'XY' }])).toMatchObject({ ok: true });
  });

  it('a cylinder is not taken away while it is read: of two at once one is taken', async () => {
    const two = await Promise.all([openStore(file), openStore(file)]);
    const outcomes = new Set<string>();
    for (let n = 0; n < 30; n += 1) {
      const id = `race-${n}`;
      await createBuild(db, { id, entries: [jobEntry()] });
      const four = jobEntry({ engine: { ...job.engine, cylinders: 4 } }, 'job-2', 'job-1');
      const [card, read] = await Promise.all([
        appendEntries(two[0], id, [four]),
        appendEntries(two[1], id, [gap('x', 'L4', 'top', 22)]),
      ]);
      outcomes.add(`${card.ok} ${read.ok}`);
      const stored = await loadBuild(db, id);
      expect(stored && readBuildFile(JSON.stringify(writeBuildFile(stored.record))).ok).toBe(true);
    }
    expect(outcomes.has('true true')).toBe(false);
    for (const each of two) each.$client.close();
  });

  it('but one kind of choice does not stand in another’s way', async () => {
    const targets: Entry = {
      kind: 'targets',
      id: 't-1',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      replaces: null,
      value: startingChoices('metric'),
    };
    expect(await appendEntries(db, 'test', [targets, jobEntry({ name: 'New' }, 'job-2', 'job-1')])).toMatchObject({
      ok: true,
      conflicts: [],
    });
  });
});

describe('the shelf', () => {
  beforeEach(async () => {
    await createBuild(db, {
      id: 'one',
      entries: [jobEntry({ name: 'Alder five', customer: 'Ash', notes: '50% nitrous_' })],
    });
    await createBuild(db, {
      id: 'two',
      entries: [jobEntry({ name: 'birch V8', customer: 'Oak' }), gap('a', 'L1', 'top', 22), gap('b', 'L2', 'top', 12)],
    });
    await createBuild(db, largeRecord(200, 'three'));
  });
  const names = async (change: Partial<ShelfAsk>): Promise<string[]> =>
    (await shelf(db, { ...ask, ...change })).cards.map((c) => c.id);

  it('finds builds by every word, whatever the case, with nothing taken as a wildcard', async () => {
    expect(await names({ query: 'ALDER ash' })).toEqual(['one']);
    expect(await names({ query: 'alder oak' })).toEqual([]);
    expect(await names({ query: '50%' })).toEqual(['one']);
    expect(await names({ query: 's_' })).toEqual(['one']);
    expect(await names({ query: '%' })).toEqual(['one']);
    expect(await names({ query: "'; DROP TABLE builds; --" })).toEqual([]);
  });

  it('sorts both ways', async () => {
    expect(await names({ sort: 'name', descending: false })).toEqual(['one', 'two', 'three']);
    expect(await names({ sort: 'name', descending: true })).toEqual(['three', 'two', 'one']);
    expect((await names({ sort: 'progress', descending: true }))[0]).toBe('three');
  });

  it('shows what judge() says: progress and what to stop for', async () => {
    const { cards } = await shelf(db, { ...ask, query: 'birch' });
    expect(cards[0]).toMatchObject({ name: 'birch V8', engine: '90° V8', done: 9, total: 56, stops: 1 });
  });

  it('shows how many reminders are pinned on, and that none is once it is taken off', async () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'KM' };
    const pins = async () => (await shelf(db, { ...ask, query: 'birch' })).cards[0]?.pins;
    expect(await pins()).toBe(0);
    await appendEntries(db, 'two', [
      { ...stamp, id: 'p1', kind: 'pin', cylinder: 'L1', check: 'clips', part: null, text: 'wait for the clip' },
      { ...stamp, id: 'p2', kind: 'pin', cylinder: 'block', check: null, part: null, text: 'oil jets!' },
    ]);
    expect(await pins()).toBe(2);
    await appendEntries(db, 'two', [voiding('v1', 'p1')]);
    expect(await pins()).toBe(1);
    const nowhere = { ...stamp, id: 'p3', kind: 'pin', cylinder: 'L9', check: null, part: null, text: 'x' } as const;
    expect(await appendEntries(db, 'two', [nowhere])).toMatchObject({ ok: false });
  });

  it('works out a card that a stop left behind its log', async () => {
    await db.$client.execute("UPDATE builds SET judged_seq = 0, done = 0 WHERE id = 'two'");
    expect((await shelf(db, { ...ask, query: 'birch' })).cards[0]?.done).toBe(9);
  });

  it('takes builds off and puts them back, the log untouched', async () => {
    await setRemoved(db, ['two'], true);
    expect(await shelf(db, ask)).toMatchObject({ total: 2, all: 2 });
    expect(await entriesOf('two')).toHaveLength(3);
    await setRemoved(db, ['two'], false);
    expect(await shelf(db, ask)).toMatchObject({ total: 3, all: 3 });
  });

  it('comes a page at a time', async () => {
    for (let i = 0; i < 60; i += 1) await createBuild(db, { id: `p${i}`, entries: [jobEntry({ name: `Paged ${i}` })] });
    const sizes = await Promise.all(
      [1, 2, 3].map(async (page) => (await shelf(db, { ...ask, query: 'paged', page })).cards.length),
    );
    expect(sizes).toEqual([50, 10, 0]);
  });
});

describe('databases that are not this program’s', () => {
  it.skipIf(IS_ON_SERVER)('a newer one is refused and not touched', async () => {
    await db.$client.execute(
      "INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('from the future', 99999999999999)",
    );
    await db.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    db.$client.close();
    const before = readFileSync(file);
    await expect(openStore(file)).rejects.toThrow(/written by a newer Spatium.*Nothing was changed/);
    expect(readFileSync(file).equals(before)).toBe(true);
    copyFileSync(file, `${file}.kept`);
    db = await openStore(join(folder, 'other.db'));
  });

  it.skipIf(IS_ON_SERVER)('another program’s is refused and not touched', async () => {
    const foreign = join(folder, 'foreign.db');
    const client = createClient({ url: `file:${foreign}` });
    await client.execute('CREATE TABLE songs (title TEXT)');
    client.close();
    const before = readFileSync(foreign);
    await expect(openDatabase(foreign)).rejects.toThrow(/belongs to another program.*songs/);
    expect(readFileSync(foreign).equals(before)).toBe(true);
  });

  it.skipIf(IS_ON_SERVER)('no database at all is refused', async () => {
    const text = join(folder, 'notes.txt');
    writeFileSync(text, 'these are notes and not a database, of some length at least'.repeat(20));
    await expect(openDatabase(text)).rejects.toThrow(StoreRefused);
    expect(readFileSync(text, 'utf8')).toContain('these are notes');
  });

  it('a migration that fails half way leaves the database as it was', async () => {
    const migrations = join(folder, 'migrations');
    cpSync('src/store/migrations', migrations, { recursive: true });
    const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
      entries: { idx: number; when: number; tag: string }[];
    };
    const last = journal.entries.at(-1);
    journal.entries.push({ ...journal.entries[0], idx: 99, when: (last?.when ?? 0) + 1, tag: '9999_broken' });
    writeFileSync(join(migrations, 'meta/_journal.json'), JSON.stringify(journal));
    writeFileSync(
      join(migrations, '9999_broken.sql'),
      'ALTER TABLE builds ADD COLUMN colour text;--> statement-breakpoint\nALTER TABLE nowhere ADD COLUMN x text;',
    );
    await createBuild(db, record());
    await expect(openStore(file, migrations)).rejects.toThrow();
    const columns = await db.$client.execute("SELECT name FROM pragma_table_info('builds')");
    expect(columns.rows.map((r) => r.name)).not.toContain('colour');
    expect(await entriesOf()).toHaveLength(1);
  });

  it('two programs that start at once both find the tables', async () => {
    const fresh = join(folder, 'fresh.db');
    const both = await Promise.all([openStore(fresh), openStore(fresh)]);
    for (const one of both) expect((await shelf(one, ask)).all).toBe(0);
    for (const one of both) one.$client.close();
  });
});

it('a reading is stored with what was typed, letter for letter', async () => {
  await createBuild(db, record({ ...reading('a', 'L1', 'top', 558_800), typed: '22 thou' }));
  expect(await entriesOf()).toContainEqual(expect.objectContaining({ typed: '22 thou', value: 558_800 }));
});
