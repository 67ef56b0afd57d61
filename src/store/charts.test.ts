import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { STARTING_CHART } from '@/core/models/charts/chart';
import { CLOSE_CURVE, STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { withFactor } from '@/core/models/charts/chartEdit';
import {
  addChart,
  chartVersions,
  keptCharts,
  loadChart,
  readInChart,
  saveChart,
  setChartRemoved,
  setStandard,
} from './charts';
import { openStore } from '@/fixtures/stores';
import { charts } from './schema';

const folder = mkdtempSync(join(tmpdir(), 'spatium-charts-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let files = 0;
const fresh = () => openStore(join(folder, `${(files += 1)}.db`));
const standardChart = async (db: Awaited<ReturnType<typeof fresh>>) => {
  const [standard, ...others] = (await keptCharts(db)).filter((k) => k.standard);
  expect(others).toEqual([]);
  return standard?.chart;
};
const edited = withFactor(STARTING_CHART, { row: 'street', column: 'cast', figure: 'top' }, 0.0042, 'own trial');

describe('the shop’s charts', () => {
  it('begin with the starting curve, which new builds begin with, and the starting chart that older ones stand on', async () => {
    const db = await fresh();
    expect(await keptCharts(db)).toEqual([
      { chart: STARTING_CURVE, standard: true },
      { chart: CLOSE_CURVE, standard: false },
      { chart: STARTING_CHART, standard: false },
    ]);
    expect(await loadChart(db, 'starting', 1)).toEqual(STARTING_CHART);
    expect(await loadChart(db, 'starting', 2)).toBeNull();
    expect(await loadChart(db, 'nothing')).toBeNull();
  });

  it('an earlier version of a curve is there for the links that name it; a shop that made the curve its own goes on from there', async () => {
    const db = await fresh();
    expect((await chartVersions(db, 'starting-curve')).map((c) => [c.version, c.saved])).toEqual([
      [3, null],
      [2, null],
    ]);
    const two = await loadChart(db, 'starting-curve', 2);
    if (!two) throw new Error('it is there');
    // as a shop saved it over version 2, when that was the latest
    const own = { ...two, version: 3, name: 'Ours', saved: { by: 'KM', at: '2026-05-04T09:00:00.000Z' } };
    await db.insert(charts).values({ id: own.id, version: 3, name: own.name, body: JSON.stringify(own) });
    expect((await chartVersions(db, 'starting-curve')).map((c) => c.name)).toEqual(['Ours', 'Starting curve']);
    expect(await standardChart(db)).toEqual(own);
    expect(await saveChart(db, own, 3, 'KM')).toMatchObject({ ok: true, chart: { version: 4 } });
    // and one that was made its own when version 1 was the latest
    const earlier = await fresh();
    await earlier
      .insert(charts)
      .values({ id: own.id, version: 2, name: 'Ours', body: JSON.stringify({ ...own, version: 2 }) });
    expect((await chartVersions(earlier, 'starting-curve')).map((c) => c.version)).toEqual([2]);
  });

  it('an edit is the next version; every version stays, the first as the program has it', async () => {
    const db = await fresh();
    const saved = await saveChart(db, edited, 1, 'KM');
    expect(saved).toMatchObject({ ok: true, chart: { version: 2, saved: { by: 'KM' } } });
    expect((await chartVersions(db, 'starting')).map((c) => c.version)).toEqual([2, 1]);
    expect(await loadChart(db, 'starting', 1)).toEqual(STARTING_CHART);
    expect((await standardChart(db))?.version).toBe(2);
  });

  it('a version saved over one that is no longer the latest is not taken, and the latest comes back', async () => {
    const db = await fresh();
    await saveChart(db, edited, 1, 'KM');
    const late = await saveChart(db, { ...STARTING_CHART, name: 'Late' }, 1, 'AW');
    expect(late).toMatchObject({ ok: false, conflict: true, latest: { version: 2, saved: { by: 'KM' } } });
    expect(await chartVersions(db, 'starting')).toHaveLength(2);
  });

  it('two saved at the same moment: one is taken', async () => {
    const db = await fresh();
    const both = await Promise.all([saveChart(db, edited, 1, 'A'), saveChart(db, edited, 1, 'B')]);
    expect(both.filter((s) => s.ok)).toHaveLength(1);
    expect(await chartVersions(db, 'starting')).toHaveLength(2);
  });

  it('copies have a name of their own and say where they began', async () => {
    const db = await fresh();
    const from = { id: 'starting', version: 1, name: 'Starting chart' };
    const first = await addChart(db, 'a', { ...STARTING_CHART, name: 'Own' }, 'KM', from);
    const second = await addChart(db, 'b', { ...STARTING_CHART, name: 'Own' }, 'KM', from);
    expect([first, second].map((c) => [c.name, c.version, c.copiedFrom?.name])).toEqual([
      ['Own', 1, 'Starting chart'],
      ['Own 2', 1, 'Starting chart'],
    ]);
    expect((await keptCharts(db)).map((k) => k.chart.name)).toEqual([
      'Starting curve, wide',
      'Starting curve, close',
      'Starting chart',
      'Own',
      'Own 2',
    ]);
    await expect(addChart(db, 'a', STARTING_CHART, '', null)).rejects.toThrow('there already');
  });

  it('one is chosen for new builds; put away it stands for none, and its versions stay', async () => {
    const db = await fresh();
    await addChart(db, 'own', { ...edited, name: 'Own' }, 'KM', null);
    await setStandard(db, 'own');
    expect((await standardChart(db))?.id).toBe('own');
    await setChartRemoved(db, 'own', true);
    expect((await keptCharts(db)).map((k) => k.chart.id)).toEqual(['starting-curve', 'close-curve', 'starting']);
    expect((await standardChart(db))?.id).toBe('starting-curve');
    expect(await loadChart(db, 'own', 1)).not.toBeNull();
    await setChartRemoved(db, 'own', false);
    expect((await standardChart(db))?.id).toBe('own');
    await setChartRemoved(db, 'starting', true);
    expect(await keptCharts(db)).toHaveLength(4);
  });

  it('the same chart under the same name is known again', async () => {
    const db = await fresh();
    expect(await readInChart(db, { ...STARTING_CHART, id: 'x', version: 7 }, 'KM')).toMatchObject({
      ...{ isNew: false, chart: { id: 'starting' } },
    });
    expect(await readInChart(db, edited, 'KM')).toMatchObject({ isNew: true });
    const other = await readInChart(db, { ...STARTING_CHART, name: 'Other' }, 'KM');
    expect(other).toMatchObject({ isNew: true, chart: { version: 1, copiedFrom: { id: 'starting' } } });
    expect(await readInChart(db, { ...STARTING_CHART, name: 'Other' }, 'KM')).toEqual({ ...other, isNew: false });
  });

  it('read in by two processes at once it is there once', async () => {
    const both = [await fresh(), await openStore(join(folder, `${files}.db`))];
    const chart = { ...edited, name: 'At once' };
    const came = await Promise.all([...both, ...both].map((db) => readInChart(db, chart, 'KM')));
    expect(came.filter((c) => c.isNew)).toHaveLength(1);
    expect(new Set(came.map((c) => c.chart.id)).size).toBe(1);
  });

  it('come back after the file is closed and opened again', async () => {
    const db = await fresh();
    await saveChart(db, edited, 1, 'KM');
    db.$client.close();
    const again = await openStore(join(folder, `${files}.db`));
    expect((await loadChart(again, 'starting'))?.version).toBe(2);
  });
});
