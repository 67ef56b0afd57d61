import { describe, expect, it } from 'vitest';
import { jobEntry } from '@/fixtures/records';
import { entrySchema } from '@/files/schema';
import { judge } from './judge';
import { fromMm } from '../foundation/quantity/length';
import { NO_SERVICE } from '../models/load/service';
import { STARTING_CHART } from '../models/charts/chart';
import { STARTING_CURVE } from '../models/charts/startingCurve';
import { firstChoices } from './firstChoices';

const stamp = { at: '2026-06-01T09:00:00.000Z', by: '' };
const metric = {
  units: 'metric' as const,
  plannedBore: fromMm(86),
  service: { ...NO_SERVICE, use: 'street' as const },
};

/** Every length of a value, by where it stands; nm. */
function lengths(value: unknown, at = ''): [string, number][] {
  if (typeof value === 'number') return Number.isInteger(value) && Math.abs(value) > 500 ? [[at, value]] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => lengths(inner, `${at}.${key}`));
}

describe('what a new build begins with', () => {
  it('is the whole walk, and a chart that is not the starting one, in a shop of inches', () => {
    const plain = firstChoices(STARTING_CHART, 'imperial', stamp);
    expect(plain.map((e) => e.kind)).toEqual(['walk']);
    expect(judge({ id: 'x', entries: [jobEntry(), ...plain] }).choices.walk.asks).toBe('whole');
    expect(judge({ id: 'x', entries: [jobEntry()] }).choices.walk.asks).toBe('checks');
    expect(firstChoices(STARTING_CURVE, 'imperial', stamp).map((e) => e.kind)).toEqual(['chart', 'walk']);
  });

  it('is sound, and in a shop of millimetres has no figure that is an inch’s', () => {
    const entries = firstChoices(STARTING_CURVE, 'metric', stamp);
    for (const entry of entries) expect(() => entrySchema.parse(entry)).not.toThrow();
    const { choices } = judge({ id: 'x', entries: [jobEntry(metric), ...entries] });
    const { bench, bores, pistons, ringSet, heat, deciding, targets } = choices;
    const found = lengths({ bench, limits: bores.limits, pistons, ringSet, heat, deciding, targets });
    expect(found.length).toBeGreaterThan(20);
    // a tenth of a hundredth: what a micrometer in millimetres shows
    for (const [at, nm] of found) expect(nm % 1_000, `${at}: ${nm}`).toBe(0);
  });

  it('targets begin at a leaf of the shop: rails and second ring too', () => {
    const { planned } = judge({
      id: 'x',
      entries: [jobEntry(metric), ...firstChoices(STARTING_CURVE, 'metric', stamp)],
    });
    for (const target of [planned?.top, planned?.second, planned?.rails])
      expect(target?.set && target.inForce.aimFrom % 10_000).toBe(0);
    expect(planned?.rails.set && planned.rails.inForce).toMatchObject({ least: 381_000, aimFrom: 390_000 });
  });
});
