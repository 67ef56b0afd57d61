import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipReader, ZipWriter } from '@zip.js/zip.js';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { fromThou } from '@/core/foundation/quantity/length';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { gap, largeRecord, reading, record } from '@/fixtures/records';
import { demoRecords } from '../../scripts/demoRecords';

import { MOST_ENTRIES, readBuildFile, writeBuildFile } from '@/files/buildFile';
import { type ReadIn, LEFT_OUT, archiveOf, importArchive } from './archive';
import { createBuild, putBuild, setRemoved } from './builds';
import { everybody } from '@/people/people';
import { addChart, chartVersions, saveChart, setChartRemoved, setStandard } from './charts';
import { archivedItems } from './archived';
import { saveInstrument, setInstrumentRemoved } from './instruments';
import { appendEntries, loadBuild } from './log';
import { runs } from '@/fixtures/runs';
import { IS_ON_SERVER, openStore } from '@/fixtures/stores';
import type { Database } from './open';
import { accounts, people, shop as settings } from './schema';
import { shelf } from './shelf';
import { readShelfAsk } from '@/ui/shelf/urlParams';

/** How many bytes of an archive are damaged, one at a time. */
const DAMAGES = runs(60);

const someRecords = () => demoRecords().filter(({ id }) => /tarn|triple/.test(id));

let folder: string;
const opened: Database[] = [];
const fresh = async (name: string): Promise<Database> => {
  const db = await openStore(join(folder, `${name}.db`));
  opened.push(db);
  return db;
};
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-archive-'));
});
afterEach(() => {
  for (const db of opened.splice(0)) db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const readIn = async (db: Database, bytes: Uint8Array): Promise<ReadIn | string> => {
  const path = join(folder, `${randomUUID()}.zip`);
  writeFileSync(path, bytes);
  const work = join(folder, randomUUID());
  const came = await importArchive(db, path, work);
  expect(readdirSync(work)).toEqual([]);
  return came;
};

type Files = Record<string, string | Uint8Array>;
/** An archive of files, and the files of one. */
async function zipped(files: Files): Promise<Uint8Array> {
  const zip = new ZipWriter(new Uint8ArrayWriter());
  for (const [name, content] of Object.entries(files))
    await zip.add(name, typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content));
  return zip.close();
}
async function unzipped(bytes: Uint8Array): Promise<Files> {
  const files: Files = {};
  for (const entry of await new ZipReader(new Uint8ArrayReader(bytes)).getEntries())
    if (!entry.directory) files[entry.filename] = await entry.getData(new Uint8ArrayWriter());
  return files;
}

const archived = async (db: Database): Promise<Uint8Array> => {
  const pieces: Uint8Array[] = [];
  for await (const piece of archiveOf(db)) pieces.push(piece);
  return Buffer.concat(pieces);
};
const everything = async (db: Database) => ({
  shelf: (await shelf(db, readShelfAsk({}))).cards.map((b) => b.id).sort(),
  builds: await Promise.all(someRecords().map(async ({ id }) => (await loadBuild(db, id))?.record)),
  chart: await chartVersions(db, 'own'),
});

async function shop(): Promise<Database> {
  const db = await fresh('here');
  for (const demo of someRecords()) await createBuild(db, demo);
  await setRemoved(db, [someRecords()[0]?.id ?? ''], true);
  const chart = await addChart(db, 'own', STARTING_CURVE, 'KM', null);
  await saveChart(db, { ...chart, name: 'Second' }, 1, 'KM');
  await setStandard(db, 'own');
  const [tool] = STARTING_INSTRUMENTS;
  if (tool) await saveInstrument(db, { ...tool, name: 'Ours' }, tool.version);
  const now = new Date();
  await db.insert(people).values({
    ...{ id: 'p1', name: 'Kim', email: 'p1@people.invalid', createdAt: now, updatedAt: now },
    ...{ username: 'km', displayUsername: 'KM', role: 'owner' },
  });
  return db;
}

describe('the whole shop as open files', () => {
  it('is read in elsewhere with all of it and its ids, and a second time changes nothing', async () => {
    const here = await shop();
    const archive = await archived(here);
    const there = await fresh('there');
    const n = someRecords().length;
    expect(await readIn(there, archive)).toEqual({
      ...{ builds: { added: n, same: 0, grown: 0 }, charts: 2, tools: 1, people: 1, faults: [] },
    });
    expect(await everything(there)).toEqual(await everything(here));
    expect(await readIn(there, archive)).toEqual({
      ...{ builds: { added: 0, same: n, grown: 0 }, charts: 0, tools: 0, people: 0, faults: [] },
    });
    expect(await everything(there)).toEqual(await everything(here));
  });

  it('what is put away is put away there too, and who has left has left', async () => {
    const here = await shop();
    const laid = await archivedItems(here);
    const [tool] = STARTING_INSTRUMENTS;
    await setChartRemoved(here, 'own', true);
    await setInstrumentRemoved(here, tool?.id ?? '', true);
    await here.update(people).set({ banned: true });
    const there = await fresh('there');
    await readIn(there, await archived(here));
    const found = await archivedItems(there);
    expect([laid.charts, laid.tools]).toEqual([[], []]);
    expect(found).toEqual(await archivedItems(here));
    expect([found.builds.length, found.charts.length, found.tools.length]).toEqual([1, 1, 1]);
    expect(await everybody(there)).toMatchObject([{ initials: 'KM', hasLeft: true }]);
  });

  it('read in by two processes at once, all of it is there once', async () => {
    const here = await shop();
    const archive = await archived(here);
    const both = [await fresh('both'), await fresh('both')];
    const came = await Promise.all(both.map((db) => readIn(db, archive)));
    expect(came.map((c) => (typeof c === 'string' ? c : c.faults))).toEqual([[], []]);
    const sum = (of: (c: Exclude<(typeof came)[number], string>) => number): number =>
      came.reduce((all, c) => all + (typeof c === 'string' ? NaN : of(c)), 0);
    expect([sum((c) => c.builds.added), sum((c) => c.builds.grown)]).toEqual([someRecords().length, 0]);
    expect([sum((c) => c.charts), sum((c) => c.tools), sum((c) => c.people)]).toEqual([2, 1, 1]);
    for (const db of both) expect(await everything(db)).toEqual(await everything(here));
  });

  it('is written however many others are taken slowly, or were given up', async () => {
    const here = await fresh('slow');
    await createBuild(here, record(gap('a', 'L1', 'top', 22)));
    const slow = Array.from({ length: 8 }, () => archiveOf(here));
    for (const each of slow) await each.next();
    expect(Object.keys(await unzipped(await archived(here)))).toContain('builds/test.spatium.json');
    for (const each of slow) await each.return(undefined);
  });

  it('carries no secret', async () => {
    const db = await shop();
    await db.insert(settings).values({ key: 'secret', value: 'what signs the cookies' });
    const now = new Date();
    await db.insert(accounts).values({
      ...{ id: 'a1', accountId: 'p1', providerId: 'credential', userId: 'p1', password: 'hashed so and so' },
      ...{ createdAt: now, updatedAt: now },
    });
    const files = await unzipped(await archived(db));
    const all = Object.values(files)
      .map((bytes) => Buffer.from(bytes).toString())
      .join('');
    expect(all).not.toMatch(/password|secret|token|what signs|hashed so/i);
    expect(Object.keys(files)).toContain('builds/demo-tarn-five.spatium.json');
  });

  it('one that would unpack to more than any shop comes to is refused before it is unpacked', async () => {
    const zeros = new Uint8Array(65 * 1024 * 1024);
    const bomb = await zipped({ 'spatium-shop.json': zeros });
    expect(bomb.length).toBeLessThan(1024 * 1024);
    expect(await readIn(await fresh('bomb'), bomb)).toMatch(/larger than any file/);
    const many = await zipped(
      Object.fromEntries([0, 1, 2].map((n) => [`builds/${n}.spatium.json`, zeros.subarray(0, 60 * 1024 * 1024)])),
    );
    expect(many.length).toBeLessThan(1024 * 1024);
    expect(await readIn(await fresh('bomb'), many)).toMatch(/more than any shop/);
  });

  it('a build that both went on with gets the entries it has not, each once', async () => {
    const [here, there] = [await fresh('a'), await fresh('b')];
    const first = record(gap('a', 'L1', 'top', 22));
    for (const db of [here, there]) await createBuild(db, first);
    await appendEntries(here, first.id, [reading('h', 'L1', 'top', fromThou(23))]);
    await appendEntries(there, first.id, [reading('t', 'R1', 'top', fromThou(24))]);
    const archive = await archived(here);
    for (let times = 0; times < 2; times += 1) {
      expect(await readIn(there, archive)).toMatchObject({ builds: { grown: 1 }, faults: [] });
      expect((await loadBuild(there, first.id))?.record.entries.map((e) => e.id).slice(-3)).toEqual(['a', 't', 'h']);
    }
  });

  it.each([
    ['no archive', null, /no archive/],
    ['another one', { 'x.txt': 'x' }, /no archive of a shop/],
    ['one of a later program', { 'spatium-shop.json': '{"format":"spatium-shop","version":2}' }, /version/],
    ['one whose list is cut short', { 'spatium-shop.json': '{"format"' }, /cannot be read/],
  ])('%s is refused, and changes nothing', async (_, files, says) => {
    const db = await fresh('c');
    expect(await readIn(db, files === null ? Buffer.from('hello') : await zipped(files))).toMatch(says);
    expect(await shelf(db, readShelfAsk({}))).toMatchObject({ all: 0 });
  });

  it('one that is cut short is refused; one build in it that cannot be read is named, and the rest comes', async () => {
    const archive = await archived(await shop());
    expect(await readIn(await fresh('d'), archive.subarray(0, archive.length - 2_000))).toMatch(/cut short/);
    const files = await unzipped(archive);
    files['builds/demo-tarn-five.spatium.json'] = '{"format":"spatium-build"';
    const came = await readIn(await fresh('e'), await zipped(files));
    expect(came).toMatchObject({
      builds: { added: someRecords().length - 1 },
      faults: [expect.stringMatching(/^builds\/demo-tarn-five.spatium.json: .*cut short/)],
    });
  });

  it('damage anywhere refuses the whole, whatever byte it is in: nothing comes, and nothing that came is other', async () => {
    const here = await fresh('small');
    const right = record(gap('a', 'L1', 'top', 22));
    await createBuild(here, right);
    await addChart(here, 'own', STARTING_CURVE, 'KM', null);
    const archive = await archived(here);
    for (let n = 0; n < DAMAGES; n += 1) {
      const damaged = Uint8Array.from(archive);
      const at = Math.floor((damaged.length * (n + 0.5)) / DAMAGES);
      damaged[at] = (damaged[at] ?? 0) ^ 0x10;
      const db = await fresh(`damaged-${n}`);
      const came = await readIn(db, damaged);
      const found = (await loadBuild(db, right.id))?.record;
      // read all the same: in a byte that means nothing, such as a time of a file
      if (typeof came === 'string') expect([found, await chartVersions(db, 'own')]).toEqual([undefined, []]);
      else expect([found, came.faults]).toEqual([right, []]);
    }
  });

  it('ids that every object has by itself are ids like others', async () => {
    const here = await fresh('proto');
    const ids = ['constructor', 'toString', '__proto__', 'hasOwnProperty'];
    for (const id of ids) await createBuild(here, { ...record(), id });
    await setRemoved(here, ['toString'], true);
    const there = await fresh('proto-there');
    expect(await readIn(there, await archived(here))).toMatchObject({ builds: { added: 4 }, faults: [] });
    expect((await shelf(there, readShelfAsk({}))).cards.map((card) => card.id).sort()).toEqual(
      ids.filter((id) => id !== 'toString').sort(),
    );
  });

  it('an entry that is on record here with other contents stays so, and is said', async () => {
    const [here, there] = [await fresh('a'), await fresh('b')];
    await createBuild(here, record(gap('a', 'L1', 'top', 22)));
    await createBuild(there, record(gap('a', 'L1', 'top', 23)));
    const came = await readIn(there, await archived(here));
    expect(came).toMatchObject({ faults: [expect.stringMatching(/1 entries are on record here with other contents/)] });
  });

  it.skipIf(IS_ON_SERVER)('a build of 20,000 entries goes out and comes in', async () => {
    const here = await fresh('long');
    const long = largeRecord(19_999);
    await putBuild(here, long);
    const text = JSON.stringify(writeBuildFile(long), null, 1);
    expect(text.length).toBeGreaterThan(8 * 1024 * 1024);
    expect(readBuildFile(text)).toMatchObject({ ok: true });
    const there = await fresh('long-there');
    expect(await readIn(there, await archived(here))).toMatchObject({ builds: { added: 1 }, faults: [] });
    expect((await loadBuild(there, long.id))?.record.entries).toHaveLength(20_000);
  });

  it.skipIf(IS_ON_SERVER)('a build of more entries than a build file holds is named in the archive', async () => {
    const here = await fresh('longer');
    const longer = record(...Array.from({ length: MOST_ENTRIES }, (_, n) => gap(`g${n}`, 'L1', 'top', 20)));
    await putBuild(here, longer);
    const files = await unzipped(await archived(here));
    expect(Buffer.from(files[LEFT_OUT] ?? '').toString()).toMatch(/Build test .* it has 50001 entries/);
    expect(Object.keys(files).some((name) => name.startsWith('builds/'))).toBe(false);
  });
});
