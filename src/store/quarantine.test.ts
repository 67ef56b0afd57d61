import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { gap, record } from '@/fixtures/records';
import { quarantinedInBuild, quarantinedInShop } from './quarantine';
import { createBuild, isRemoved, setRemoved } from './builds';
import { addChart, keptCharts, setChartRemoved } from './charts';
import { archivedItems } from './archived';
import { keptInstruments, saveInstrument, setInstrumentRemoved } from './instruments';
import { loadBuild } from './log';
import { openStore } from '@/fixtures/stores';
import type { Database } from './open';
import { charts, instruments, log } from './schema';
import { shelf } from './shelf';
import { readShelfAsk } from '@/ui/shelf/urlParams';

let folder: string;
let db: Database;
const { id } = record();
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-aside-'));
  db = await openStore(join(folder, 'shop.db'));
  await createBuild(db, record(gap('a', 'L1', 'top', 22), gap('b', 'R1', 'top', 23)));
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('what cannot be read', () => {
  it.each([
    ['is no JSON', { body: '{"kind":"rea' }],
    ['is of a shape nobody knows', { body: '{"kind":"reading","value":"x"}', shape: 1 }],
  ])('an entry that %s is set aside, named, and the rest of the build works', async (_, damage) => {
    await db.update(log).set(damage).where(eq(log.entryId, 'a'));
    const stored = await loadBuild(db, id);
    expect(stored?.record.entries.map((e) => e.id)).toEqual(['job-1', 'b']);
    expect(stored?.aside).toBe(1);
    expect(await quarantinedInBuild(db, id)).toMatchObject([{ what: 'reading', id: 'a', body: damage.body }]);
    expect((await shelf(db, readShelfAsk({}))).cards).toHaveLength(1);
  });

  it('so are a chart and a tool', async () => {
    await addChart(db, 'own', STARTING_CURVE, 'KM', null);
    await addChart(db, 'other', STARTING_CURVE, 'KM', null);
    const [tool] = STARTING_INSTRUMENTS;
    if (tool) await saveInstrument(db, tool, tool.version);
    await db.update(charts).set({ body: '{' }).where(eq(charts.id, 'own'));
    await db.update(instruments).set({ body: '[]' });
    expect((await keptCharts(db)).map((k) => k.chart.id)).toContain('other');
    expect((await keptCharts(db)).map((k) => k.chart.id)).not.toContain('own');
    // of a tool that the program comes with, that one stands in
    expect((await keptInstruments(db)).map((i) => i.id)).toContain(tool?.id);
    expect(await quarantinedInShop(db)).toMatchObject([
      { what: 'chart', id: 'own, version 1' },
      { what: 'tool', id: tool?.id },
    ]);
  });
});

describe('the drawer', () => {
  it('has what was taken off and put away, until it is put back', async () => {
    await addChart(db, 'own', STARTING_CURVE, 'KM', null);
    const [tool] = STARTING_INSTRUMENTS;
    if (!tool) throw new Error('a tool');
    await setRemoved(db, [id], true);
    await setChartRemoved(db, 'own', true);
    await setInstrumentRemoved(db, tool.id, true);
    expect(await archivedItems(db)).toMatchObject({
      builds: [{ id }],
      charts: [{ id: 'own' }],
      tools: [{ id: tool.id, name: tool.name }],
    });
    expect(await isRemoved(db, id)).toBe(true);
    await setRemoved(db, [id], false);
    await setChartRemoved(db, 'own', false);
    await setInstrumentRemoved(db, tool.id, false);
    expect(await archivedItems(db)).toEqual({ builds: [], charts: [], tools: [] });
    expect(await isRemoved(db, id)).toBe(false);
    expect(await isRemoved(db, 'none')).toBe(false);
  });
});
