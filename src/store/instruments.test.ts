import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import type { Instrument } from '@/core/foundation/uncertainty/instrument';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { keptInstruments, saveInstrument, setInstrumentRemoved } from './instruments';
import { openStore } from '@/fixtures/stores';

const folder = mkdtempSync(join(tmpdir(), 'spatium-tools-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let files = 0;
const fresh = () => openStore(join(folder, `${(files += 1)}.db`));
const starting = (id: string): Instrument => {
  const found = STARTING_INSTRUMENTS.find((i) => i.id === id);
  if (!found) throw new Error(id);
  return found;
};
const kept = async (db: Awaited<ReturnType<typeof fresh>>, id: string) =>
  (await keptInstruments(db)).find((i) => i.id === id);

describe('the shop’s tools', () => {
  it('begin with the starting ones, by kind and name', async () => {
    const all = await keptInstruments(await fresh());
    expect(new Set(all)).toEqual(new Set(STARTING_INSTRUMENTS));
    expect(all.map((i) => i.kind)).toEqual(all.map((i) => i.kind).sort());
  });

  it('are kept as their next version, kit and all, and outlast the process', async () => {
    const db = await fresh();
    const gauge = starting('gauge-in');
    const saved = await saveInstrument(
      db,
      { ...gauge, calibrated: '2026-05-04', kit: gauge.kit && { ...gauge.kit, washers: [508_000] } },
      1,
    );
    expect(saved).toMatchObject({ ok: true, instrument: { version: 2 } });
    db.$client.close();
    const again = await openStore(join(folder, `${files}.db`));
    expect(await kept(again, 'gauge-in')).toMatchObject({
      version: 2,
      calibrated: '2026-05-04',
      kit: { washers: [508_000] },
    });
  });

  it('saved over a version that is no longer the latest are not taken, and the latest comes back', async () => {
    const db = await fresh();
    const tool = starting('mic-3-4in');
    await saveInstrument(db, { ...tool, name: 'theirs' }, 1);
    expect(await saveInstrument(db, { ...tool, name: 'mine' }, 1)).toMatchObject({
      ok: false,
      latest: { name: 'theirs', version: 2 },
    });
    expect((await kept(db, tool.id))?.name).toBe('theirs');
  });

  it('are added, put away and taken out again', async () => {
    const db = await fresh();
    expect(await saveInstrument(db, { ...starting('mic-3-4in'), id: 'own', name: 'Own' }, 0)).toMatchObject({
      ok: true,
      instrument: { version: 1 },
    });
    await setInstrumentRemoved(db, 'own', true);
    await setInstrumentRemoved(db, 'mic-4-5in', true);
    await setInstrumentRemoved(db, 'nothing', true);
    expect([await kept(db, 'own'), await kept(db, 'mic-4-5in')]).toEqual([undefined, undefined]);
    await setInstrumentRemoved(db, 'own', false);
    expect((await kept(db, 'own'))?.name).toBe('Own');
    expect(await keptInstruments(db)).toHaveLength(STARTING_INSTRUMENTS.length);
  });
});
