import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { judge } from '@/core/judge/judge';
import { job } from '@/fixtures/records';
import { ALONE } from '@/people/requestContext';
import { COMMAND_NEEDS, type CommandName } from '@/people/permissions';
import { isRemoved } from '@/store/builds';
import { loadBuild } from '@/store/log';
import { type Database, openDatabase } from '@/store/open';
import type { Command, CommandContext } from './command';
import { COMMANDS } from './commands';

const folder = mkdtempSync(join(tmpdir(), 'spatium-commands-'));
let db: Database;
let context: CommandContext;

beforeAll(async () => {
  db = await openDatabase(join(folder, 'shop.db'));
  context = { db, by: 'KM', asking: ALONE, keep: () => undefined };
});
afterAll(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Does a command; what came of it, and what the audit notes. */
async function done(name: CommandName, ...args: unknown[]): Promise<{ result: unknown; noted: unknown }> {
  const command: Command = COMMANDS[name];
  const answer = await command.attempt(context, args);
  if (!answer.ok) throw answer.error;
  return { result: answer.result, noted: answer.noted };
}

const CHART = { chart: { id: STARTING_CURVE.id, version: STARTING_CURVE.version } };
let builds = 0;

async function begun(): Promise<string> {
  const { result } = await done('beginBuild', `new-${(builds += 1)}`, job, CHART);
  return (result as { id: string }).id;
}

describe('every command', () => {
  it.each(Object.keys(COMMAND_NEEDS) as CommandName[])('%s is refused with what it does not take', async (name) => {
    const command: Command = COMMANDS[name];
    for (const args of [
      undefined,
      null,
      'all',
      { 0: 'a' },
      Array.from({ length: 12 }, () => ({})),
      [[], [], [], [], [], []],
    ])
      expect(await command.attempt(context, args), JSON.stringify(args)).toMatchObject({ ok: false });
  });
});

describe('a build', () => {
  it('is begun with its job card and what it is set with; the same id twice begins one', async () => {
    const id = crypto.randomUUID();
    expect((await done('beginBuild', id, job, CHART)).result).toEqual({ ok: true, id });
    expect((await done('beginBuild', id, { ...job, name: 'Another' }, CHART)).result).toEqual({ ok: true, id });
    const record = (await loadBuild(db, id))?.record;
    expect(record?.entries[0]).toMatchObject({ kind: 'job', by: 'KM', value: { name: job.name } });
    expect(record && judge(record).choices.chart).toMatchObject({ id: STARTING_CURVE.id });
  });

  it('is begun by no chart and no earlier build that is not there', async () => {
    const chart = await done('beginBuild', 'x', job, { chart: { id: 'gone', version: 1 } });
    expect(chart.result).toMatchObject({ ok: false, faults: [expect.stringMatching(/^The chart is not there/)] });
    const earlier = await done('beginBuild', 'x', job, { build: 'gone' });
    expect(earlier.result).toMatchObject({ ok: false, faults: [expect.stringMatching(/^The earlier build is not/)] });
  });

  it('is begun from a Quick gap address, named by its bore', async () => {
    const id = crypto.randomUUID();
    const query = `bore=103.251mm&units=metric&chart=${STARTING_CURVE.id}@${STARTING_CURVE.version}`;
    expect((await done('beginQuick', id, query)).result).toEqual({ ok: true, id });
    const card = (await loadBuild(db, id))?.record.entries.find((e) => e.kind === 'job');
    expect(card).toMatchObject({ value: { name: expect.stringMatching(/^From Quick gap, 103\.25/) } });
    expect((await done('beginQuick', 'x', 'bore=4in&chart=gone@1')).result).toMatchObject({ ok: false });
  });

  it('is taken off the shelf and restored, noted by its id', async () => {
    const [one, two] = [await begun(), await begun()];
    const taken = await done('removeBuilds', [one, two]);
    expect(taken.noted).toEqual({ of: `${one} ${two}`, says: 'Archived' });
    expect([await isRemoved(db, one), await isRemoved(db, two)]).toEqual([true, true]);
    await done('restoreBuilds', [two]);
    expect([await isRemoved(db, one), await isRemoved(db, two)]).toEqual([true, false]);
  });

  it('that is a trial is thrown away by anybody, and no other by that', async () => {
    const { result } = await done('beginTrial');
    await done('endTrial', result);
    expect(await isRemoved(db, result as string)).toBe(true);
    const id = await begun();
    await expect(done('endTrial', id)).rejects.toThrow('That is no trial.');
    expect(await isRemoved(db, id)).toBe(false);
  });
});

describe('a chart', () => {
  it('is saved over the version that was seen, copied, put away, and taken as the one to begin with', async () => {
    const copy = await done('copyChart', { id: STARTING_CURVE.id, version: STARTING_CURVE.version }, 'Ours');
    const { id } = copy.result as { id: string };
    expect(copy.noted).toEqual({
      of: id,
      says: `Ours, copied from ${STARTING_CURVE.id}, version ${STARTING_CURVE.version}`,
    });
    const chart = { ...STARTING_CURVE, id, version: 1, name: 'Ours again' };
    expect((await done('saveChartVersion', chart, 1)).result).toMatchObject({ ok: true, chart: { version: 2 } });
    const late = await done('saveChartVersion', { ...chart, name: 'Too late' }, 1);
    expect(late).toMatchObject({ noted: null, result: { ok: false, latest: { name: 'Ours again', version: 2 } } });
    expect((await done('makeStandard', id)).noted).toEqual({ of: id, says: 'New builds begin with this chart' });
    expect((await done('putChartAway', id, true)).noted).toEqual({ of: id, says: 'Archived' });
    expect((await done('putChartAway', id, false)).noted).toEqual({ of: id, says: 'Restored' });
    expect((await done('copyChart', { id: 'gone', version: 1 }, 'No')).result).toMatchObject({ ok: false });
  });
});

describe('a tool', () => {
  it('that is new is saved as its first version; one that was changed meanwhile is not saved over', async () => {
    const [first] = STARTING_INSTRUMENTS;
    const tool = { ...first, id: 'ours', name: 'Ours', version: 0 };
    expect((await done('saveTool', tool, 0)).noted).toEqual({ of: 'ours', says: 'Ours, version 1 saved' });
    expect((await done('saveTool', { ...tool, version: 1, name: 'Mine' }, 1)).result).toEqual({ ok: true });
    const late = await done('saveTool', { ...tool, version: 1, name: 'Theirs' }, 1);
    expect(late.result).toMatchObject({
      ok: false,
      faults: [expect.stringMatching(/^Someone else changed this tool/)],
    });
    expect((await done('putToolAway', 'ours', true)).noted).toEqual({ of: 'ours', says: 'Archived' });
  });
});
