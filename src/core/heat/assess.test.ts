import { describe, expect, it } from 'vitest';
import { closedWords, gapLine, gapWorking } from './heatWords';
import { NO_SERVICE } from '../load/service';
import { gap, jobEntry, reading } from '@/fixtures/records';
import { fromInches, fromThou, toInches } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import { type HeatChoices, STARTING_HEAT, closingChance } from './assess';
import { simulate } from './simulate';
import { judge } from '../judge/judge';
import { startingChoices } from '../targets/target';
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
const street = { ...NO_SERVICE, use: 'plain' } as const;

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
    const top = first({ service: street, construction: 'cast' })?.rings.top;
    const [minimum] = top?.points ?? [];
    if (!top || !minimum) throw new Error('it is worked out');
    const lines = gapWorking(minimum, top).map((l) => sayingText(l, 'imperial'));
    expect(gapLine(minimum, top).at(-1)).toEqual({ celsius: minimum.butting, gap: 0 });
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
    const says = hot.findings.filter((f) => f.severity === 'mend').map((f) => sayingText(f.says, 'imperial'));
    expect(says.join()).toContain(
      'by the heat model the chance that the target’s lower end, 16 thou, closes is about 99 in 100: at 230 °C, the ring assumed at 300 °C',
    );
    expect(cool.findings.some((f) => sayingText(f.says, 'imperial').includes('heat model'))).toBe(false);
  });

  // 16 K of margin is a chance of about one in five or six
  it('goes by the chance, and stops nothing', () => {
    const at = (top: number) =>
      judged({ service: street }, heatEntry({ top })).findings.filter((f) =>
        sayingText(f.says, 'imperial').startsWith('Top ring: by the heat model'),
      );
    expect(at(190)).toEqual([]);
    expect(at(214)).toMatchObject([{ severity: 'mend' }]);
    expect(sayingText(at(214)[0]?.says ?? [], 'imperial')).toMatch(/about one in (five|six)/);
    expect(at(400)).toMatchObject([{ severity: 'mend' }]);
  });

  it('under a sheet it only remarks, once for the build', () => {
    const { gaps, ...rest } = startingChoices('metric');
    const sheet: Entry = {
      kind: 'targets',
      id: 't',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      replaces: null,
      value: {
        ...rest,
        gaps: {
          ...gaps,
          top: {
            sheet: { form: 'range', min: 200_000, max: 350_000, hardTop: false, aim: null, from: 'sheet' },
            manual: null,
            own: null,
          },
        },
      },
    };
    const read = ['L1', 'R1', 'L2'].map((c) => reading(`g${c}`, c, 'top', 250_000));
    const judgement = judged({ service: street, units: 'metric', plannedBore: 81_500_000 }, sheet, ...read);
    const heat = judgement.findings.filter((f) => sayingText(f.says, 'metric').includes('heat model'));
    expect(heat.filter((f) => sayingText(f.says, 'metric').startsWith('Top ring'))).toMatchObject([
      { severity: 'note' },
    ]);
    expect(heat.filter((f) => f.severity !== 'note')).toEqual([]);
    expect(judgement.cylinders[0]?.rings.top).toMatchObject({ state: 'in window', done: true });
  });

  it('warns of the measured gap by its cylinder, but not of a short ring that is to be filed anyway', () => {
    const all = (thou: number) =>
      judged({ service: street }, heatEntry({ top: 240 }), gap('a', 'L1', 'top', thou)).findings.filter(
        (f) => f.cylinder === 'L1' && sayingText(f.says, 'imperial').includes('heat model'),
      );
    expect(all(16)[0]).toMatchObject({ severity: 'mend', stage: 'targets' });
    expect(all(12)).toEqual([]);
  });
});

describe('a gap whose ends meet at the assumed temperature', () => {
  it('is called closed from 95 % on, and before that it may be', () => {
    expect(closedWords({ hot: 0, chance: 0.5 })).toBeNull();
    expect(closedWords({ hot: -1, chance: 0.94 })).toBe('may be closed');
    expect(closedWords({ hot: -1, chance: 0.95 })).toBe('closed');
  });
});

describe('the chance that a gap closes', () => {
  // the draws: 200,000 of the same inputs
  it.each([
    [16, 18, 255],
    [16, 17, 220],
    [20, 22, 280],
    [14, 15, 190],
  ])('of %d to %d thou at %d °C is what the draws give', (least, most, assumed) => {
    const heat = { bore: fromInches(4), wall: 130, ringExpansion: 11.2e-6, boreExpansion: 10.8e-6 };
    const cold = { least: fromThou(least), most: fromThou(most) };
    const { spread } = STARTING_HEAT;
    const { chance } = simulate({ cold, heat, ring: assumed, spread, draws: 200_000, seed: 4, at: [] });
    expect(closingChance(cold, assumed, heat, spread)).toBeCloseTo(chance, 2);
  });
});
