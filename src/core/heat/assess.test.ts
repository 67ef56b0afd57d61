import { describe, expect, it } from 'vitest';
import { gap, jobEntry, reading } from '@/fixtures/records';
import { fromInches, fromThou, toInches } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import { type HeatChoices, STARTING_HEAT } from './assess';
import { judge } from '../judge/judge';
import type { Entry } from '../record/record';

const heatEntry = (change: Partial<HeatChoices>): Entry => ({
  kind: 'heat',
  id: 'h',
  at: '2026-05-04T09:00:00.000Z',
  by: '',
  replaces: null,
  value: { ...STARTING_HEAT, ...change },
});
const judged = (job: Parameters<typeof jobEntry>[0], ...entries: Entry[]) =>
  judge({ id: 'x', entries: [jobEntry({ plannedBore: fromInches(4), ...job }), ...entries] });
const first = (...args: Parameters<typeof judged>) => judged(...args).cylinders[0]?.heat;
const street = { use: 'plain', fuel: 'petrol', now: { kind: 'none' }, later: null } as const;

describe('the heat model of a build', () => {
  it('the first worked row comes out of a plain rebuild of 4.000 in: 0.005676 in, 230.4 °C (identity)', () => {
    const top = first({ service: street, construction: 'cast' })?.rings.top;
    const [minimum] = top?.points ?? [];
    expect(top?.assumed).toBe(190);
    expect(minimum).toMatchObject({ point: 'minimum', cold: fromThou(16) });
    expect(toInches(minimum?.hot ?? 0)).toBeCloseTo(0.005676, 6);
    expect(minimum?.butting).toBeCloseTo(230.4, 1);
    expect(minimum?.margin).toBeCloseTo(40.4, 1);
  });

  it('its working has the numbers put in', () => {
    const [minimum] = first({ service: street, construction: 'cast' })?.rings.top.points ?? [];
    const lines = (minimum?.working ?? []).map((l) => sayingText(l, 'imperial'));
    expect(lines[0]).toBe(
      'π × 4.0000 in × (1 + 10.8×10⁻⁶ × 100 K) − (π × 4.0000 in − 16 thou) × (1 + 11.2×10⁻⁶ × 170 K) = 0.00568 in',
    );
    expect(lines[1]).toContain('nothing at 230.4 °C: 40 K from the assumed 190 °C');
  });

  it('a measured gap stands beside minimum and aim; a bracket is known between its leaves', () => {
    const points = first({}, reading('a', 'L1', 'top', fromThou(22), fromThou(24)))?.rings.top.points ?? [];
    expect(points.map((p) => p.point)).toEqual(['minimum', 'aim', 'measured']);
    expect(points[2]?.known).toEqual({ least: fromThou(22), most: fromThou(24) });
    expect(points[0]?.known).toEqual({ least: fromThou(19.5), most: fromThou(20.5) });
  });

  it('temperatures that are entered hold over the duty’s, ring metal too; the second ring runs 40 K cooler', () => {
    const plain = first({ service: street });
    expect(plain?.temperatures).toEqual({ top: 190, second: 150, wall: 120, skirt: 120 });
    const entered = first({ service: street }, heatEntry({ top: 230, wall: 140, ringMetal: 'steel' }));
    expect(entered?.temperatures).toEqual({ top: 230, second: 190, wall: 140, skirt: 140 });
    expect(entered?.rings.top.heat).toMatchObject({ ringExpansion: 11.7e-6, wall: 140 });
  });

  it('a plated bore grows with the piston; one that is not said is taken as iron, and says so', () => {
    const iron = first({ surface: null });
    expect(iron?.bore).toEqual({ surface: 'iron', assumed: true });
    const plated = first({ surface: 'plated' });
    expect(plated?.rings.top.points[0]?.butting).toBeGreaterThan(iron?.rings.top.points[0]?.butting ?? 0);
    expect(plated?.piston?.points[0]?.closing).toBeGreaterThan(iron?.piston?.points[0]?.closing ?? 0);
  });

  it('without a duty there is none, unless the temperatures are entered', () => {
    const nothing = { service: { ...street, use: null } };
    expect(first(nothing)).toBeNull();
    expect(first(nothing, heatEntry({ top: 200, wall: 120 }))).not.toBeNull();
    expect(first({ plannedBore: null })).toBeNull();
  });

  it('the piston’s clearance is in it once the piston is said', () => {
    expect(first({ construction: null })?.piston).toBeNull();
    const sizes = [reading('b', 'L1', 'bore', fromInches(4)), reading('p', 'L1', 'piston', fromInches(3.996))];
    expect(first({}, ...sizes)?.piston?.points.map((p) => p.point)).toEqual(['minimum', 'aim', 'measured']);
  });

  it('warns of a gap that closes under the assumed temperature, and never lowers a target for it', () => {
    const cool = judged({ service: street });
    const hot = judged({ service: street }, heatEntry({ top: 300 }));
    expect(hot.cylinders[0]?.rings.top.target).toEqual(cool.cylinders[0]?.rings.top.target);
    const says = hot.findings.filter((f) => f.severity === 'stop').map((f) => sayingText(f.says, 'imperial'));
    expect(says[0]).toContain(
      'by the heat model the target minimum, 16 thou, closes at 230 °C, under the assumed 300 °C',
    );
    expect(
      judged({ service: street }, heatEntry({ top: 220 })).findings.some(
        (f) => f.severity === 'mend' && sayingText(f.says, 'imperial').includes('only 10 K over'),
      ),
    ).toBe(true);
    expect(cool.findings.some((f) => sayingText(f.says, 'imperial').includes('heat model'))).toBe(false);
  });

  it('warns of the measured gap by its cylinder, but not of a short ring that is to be filed anyway', () => {
    const all = (thou: number) =>
      judged({ service: street }, heatEntry({ top: 240 }), gap('a', 'L1', 'top', thou)).findings.filter(
        (f) => f.cylinder === 'L1' && sayingText(f.says, 'imperial').includes('heat model'),
      );
    expect(all(16)[0]).toMatchObject({ severity: 'stop', stage: 'targets' });
    expect(all(12)).toEqual([]);
  });
});
