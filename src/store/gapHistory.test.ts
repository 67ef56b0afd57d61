import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import { NO_SERVICE } from '@/core/models/load/service';
import type { BuildRecord, Entry } from '@/core/judge/buildRecord';
import { gap, jobEntry } from '@/fixtures/records';
import { createBuild, setRemoved } from './builds';
import { gapHistory } from './gapHistory';
import { appendEntries } from './log';
import { openStore } from '@/fixtures/stores';

const folder = mkdtempSync(join(tmpdir(), 'spatium-fitted-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const built = (id: string, ...entries: Entry[]): BuildRecord => ({
  id,
  entries: [jobEntry({ plannedBore: fromInches(4), service: { ...NO_SERVICE, use: 'street' } }), ...entries],
});

describe('what the shop has fitted', () => {
  it('is the mean of the gaps that may go in as they are, over the bore, at the load', async () => {
    const db = await openStore(join(folder, 'one.db'));
    await createBuild(db, built('one', gap('a', 'L1', 'top', 19), gap('b', 'L2', 'top', 20)));
    await createBuild(db, built('none'));
    await createBuild(db, built('short', gap('a', 'L1', 'top', 8)));
    const [one, ...others] = await gapHistory(db);
    expect(others).toEqual([]);
    expect(one).toMatchObject({ id: 'one', load: 1, second: null });
    // a leaf that goes stands for itself to the next one: what was called is what is shown
    expect(Math.round((one?.top ?? 0) * fromInches(4))).toBeCloseTo(fromThou(19.5), -4);
    await appendEntries(db, 'one', [gap('c', 'L1', 'second', 22)]);
    expect((await gapHistory(db))[0]?.second).not.toBeNull();
    await setRemoved(db, ['one'], true);
    expect(await gapHistory(db)).toEqual([]);
  });
});
