import { describe, expect, it } from 'vitest';
import { closedWords, gapLine, gapWorking } from './heatWords';
import { NO_SERVICE } from '../load/service';
import { gap, jobEntry, reading } from '@/fixtures/records';
import { fromInches, fromThou, toInches } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import { type HeatChoices, STARTING_HEAT, closingChance } from './assess';
import { HOT_BORE, HOT_RING } from './metals';
import { closingGap, hotGap } from './hotGap';
import { simulate } from './simulate';
import { judge } from '../../judge/judge';
import { STARTING_CHART } from '../charts/chart';
import { STARTING_CURVE } from '../charts/startingCurve';
import { startingChoices } from '../targets/papers';
import type { Entry } from '../../judge/buildRecord';

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
  // by hand: x = 0.85 ÷ 6, ring 90 + 510·x ÷ (1 + x) = 153.3; wall 90 + 0.38 × 63.3 = 114.0, at the bottom 90 + 24.0·0.405 = 99.7
  it('a plain rebuild of 4.000 in: ring and wall by its load, the wall as cool as at the bottom of travel', () => {
    const heat = first({ service: street, construction: 'cast' });
    expect(heat?.temperatures).toEqual({
      coolant: 90,
      top: 153.3,
      second: 134.8,
      wall: 114,
      wallBottom: 99.7,
      skirt: 114,
    });
    const [minimum] = heat?.rings.top.points ?? [];
    expect(minimum).toMatchObject({ point: 'minimum', cold: fromThou(16) });
    // π × 4 × (1 + 10.848e-6 × 79.7) − (π × 4 − 0.016) × (1 + 11.596e-6 × 133.3) = 0.00747; the wall at 60 °C 0.00190
    expect(toInches(minimum?.cases.warm.hot ?? 0)).toBeCloseTo(0.00747, 4);
    expect(toInches(minimum?.cases['cold wall'].hot ?? 0)).toBeCloseTo(0.0019, 4);
    expect(minimum).toMatchObject(minimum?.cases.warm ?? {});
  });

  it('its working has the numbers put in, and both cases', () => {
    const top = first({ service: street, construction: 'cast' })?.rings.top;
    const [minimum] = top?.points ?? [];
    if (!top || !minimum) throw new Error('it is worked out');
    const lines = gapWorking(minimum, top).map((l) => messageText(l, 'imperial'));
    expect(gapLine(minimum, top).at(-1)).toEqual({ celsius: minimum.butting, gap: 0 });
    expect(gapLine(minimum, top)[0]).toMatchObject({ celsius: 20 });
    expect(lines[0]).toMatch(
      /^π × 4\.0000 in × \(1 \+ 10\.8×10⁻⁶ × 79\.7 K\) − \(π × 4\.0000 in − 16 thou\) × \(1 \+ 11\.6×10⁻⁶ × 133\.3 K\) = 0\.0074\d in$/,
    );
    expect(lines[1]).toMatch(/nothing at 199\.9 °C: 47 K from the assumed 153\.3 °C/);
    expect(lines[2]).toMatch(
      /^warm, at the bottom of travel 0\.0074\d in; hot ring, wall at 60 °C 0\.0019\d in: iron is judged warm$/,
    );
  });

  it('a measured gap stands beside minimum and aim; a bracket is known between its leaves', () => {
    const points = first({}, reading('a', 'L1', 'top', fromThou(22), fromThou(24)))?.rings.top.points ?? [];
    expect(points.map((p) => p.point)).toEqual(['minimum', 'aim', 'measured']);
    expect(points[2]?.known).toEqual({ least: fromThou(22), most: fromThou(24) });
    expect(points[0]?.known).toEqual({ least: fromThou(19.5), most: fromThou(20.5) });
  });

  it('temperatures that are entered hold over the duty’s, coolant and ring metal too', () => {
    const entered = first({ service: street }, heatEntry({ top: 230, wall: 140, ringMetal: 'steel' }));
    expect(entered?.temperatures).toMatchObject({ top: 230, wall: 140, skirt: 140 });
    // the second ring: 140 + 0.53 × 90
    expect(entered?.temperatures.second).toBeCloseTo(187.7, 1);
    expect(entered?.rings.top.heat).toMatchObject({
      ringExpansion: HOT_RING.steel,
      wall: entered?.temperatures.wallBottom,
    });
    const cool = first({ service: street }, heatEntry({ coolant: 70 }));
    expect(cool?.temperatures.wall).toBeLessThan(first({ service: street })?.temperatures.wall ?? 0);
  });

  it('a shop’s own chart may name temperatures for a row: they hold, with no spread of a load', () => {
    const rows = STARTING_CHART.rows.map((r) =>
      r.id === 'plain' ? { ...r, ringTemperature: 175, wallTemperature: 110 } : r,
    );
    const value = { ...STARTING_CHART, id: 'own', version: 1, rows };
    const chart: Entry = { id: 'c', at: '2026-05-04T09:00:00.000Z', by: '', kind: 'chart', replaces: null, value };
    const heat = first({ service: street }, chart);
    expect(heat?.temperatures).toMatchObject({ top: 175, wall: 110 });
    expect(heat?.rings.top.spread).toEqual(STARTING_HEAT.spread);
    // and a temperature that is entered holds over them
    expect(first({ service: street }, chart, heatEntry({ top: 200 }))?.temperatures.top).toBe(200);
  });

  it('an air-cooled engine has its barrel’s temperature, and its load without what air adds to it', () => {
    const barrel = (load: number): number => 165 + (435 * (load / 6)) / (1 + load / 6);
    const air = first({ service: { ...street, cooling: 'air' } });
    expect(air?.temperatures.coolant).toBe(165);
    // a row of steps knows nothing of air cooling, a curve is read at 0.85 × 1.1
    expect(air?.temperatures.top).toBeCloseTo(barrel(0.85), 1);
    const curve: Entry = {
      id: 'c',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      kind: 'chart',
      replaces: null,
      value: STARTING_CURVE,
    };
    const onCurve = judged({ service: { ...street, cooling: 'air' } }, curve);
    expect(onCurve.duty.row?.load).toBeCloseTo(0.935, 6);
    expect(onCurve.cylinders[0]?.heat?.temperatures.top).toBeCloseTo(barrel(0.85), 1);
  });

  it('a bore of aluminium is judged by a hot ring in a cold wall: warm it would open by more than the ring closes it', () => {
    const plated = first({ surface: 'plated' })?.rings.top;
    const [minimum] = plated?.points ?? [];
    expect(plated?.decides).toBe('cold wall');
    expect(minimum).toMatchObject(minimum?.cases['cold wall'] ?? {});
    expect(minimum?.cases.warm.hot).toBeGreaterThan(0.95 * (minimum?.cold ?? 0));
    expect(minimum?.cases['cold wall'].hot).toBeLessThan(0.5 * (minimum?.cold ?? 0));
  });

  it('one that is not said is taken as iron, and says so; a warm aluminium bore gives its piston more room', () => {
    const iron = first({ surface: null });
    expect(iron?.bore).toEqual({ surface: 'iron', assumed: true });
    const plated = first({ surface: 'plated' });
    expect(plated?.piston?.points[0]?.closing).toBeGreaterThan(iron?.piston?.points[0]?.closing ?? 0);
  });

  // 4 in of iron: a wall 50 K cooler takes π × 4 × 10.8e-6 × 50 = 6.8 thou (coefficients that do not change)
  it('a gap is least where the wall is coolest: at the bottom of travel', () => {
    const heat = {
      bore: fromInches(4),
      ringExpansion: { at0: 11.2e-6, each: 0 },
      boreExpansion: { at0: 10.8e-6, each: 0 },
    };
    const at = (wall: number): number => hotGap(fromThou(16), 190, { ...heat, wall });
    expect(toInches(at(120) - at(70)) * 1000).toBeCloseTo(6.79, 2);
    // a plated bore by its mean wall looks as though it could not close, and closes at 15.6 thou with a wall of 60 °C
    const plated = { ...heat, boreExpansion: { at0: 21.5e-6, each: 0 } };
    const closes = (wall: number): number => toInches(closingGap(208, { ...plated, wall })) * 1000;
    expect(closes(123)).toBeCloseTo(-1.4, 1);
    expect(closes(60)).toBeCloseTo(15.6, 1);
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
    const says = hot.findings.filter((f) => f.severity === 'mend').map((f) => messageText(f.says, 'imperial'));
    expect(says.join()).toMatch(
      /by the heat model the chance that the target’s lower end, 16 thou, closes is (about|over) 99 in 100: at 20\d °C, the ring assumed at 300 °C/,
    );
    expect(cool.findings.some((f) => messageText(f.says, 'imperial').includes('heat model'))).toBe(false);
  });

  it('goes by the chance, and stops nothing', () => {
    const at = (top: number) =>
      judged({ service: street }, heatEntry({ top })).findings.filter((f) =>
        messageText(f.says, 'imperial').startsWith('Top ring: by the heat model'),
      );
    // its ends meet at 200 °C, known to ± 30 K (k = 2): 22 K of margin is more than one in twenty
    expect(at(170)).toEqual([]);
    expect(at(178)).toMatchObject([{ severity: 'mend' }]);
    expect(at(400)).toMatchObject([{ severity: 'mend' }]);
    expect(messageText(at(178)[0]?.says ?? [], 'imperial')).toMatch(/one temperature that all its rings share/);
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
    const heat = judgement.findings.filter((f) => messageText(f.says, 'metric').includes('heat model'));
    expect(heat.filter((f) => messageText(f.says, 'metric').startsWith('Top ring'))).toMatchObject([
      { severity: 'note' },
    ]);
    expect(heat.filter((f) => f.severity !== 'note')).toEqual([]);
    expect(judgement.cylinders[0]?.rings.top).toMatchObject({ state: 'in window', done: true });
  });

  it('warns of the measured gap by its cylinder, but not of a short ring that is to be filed anyway', () => {
    const all = (thou: number) =>
      judged({ service: street }, heatEntry({ top: 240 }), gap('a', 'L1', 'top', thou)).findings.filter(
        (f) => f.cylinder === 'L1' && messageText(f.says, 'imperial').includes('heat model'),
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
    const heat = {
      ...{ bore: fromInches(4), wall: 130 },
      ...{ ringExpansion: HOT_RING.ductileIron, boreExpansion: HOT_BORE.iron },
    };
    const cold = { least: fromThou(least), most: fromThou(most) };
    const { spread } = STARTING_HEAT;
    const { chance } = simulate({ cold, heat, ring: assumed, spread, draws: 200_000, seed: 4, at: [] });
    expect(closingChance(cold, assumed, heat, spread)).toBeCloseTo(chance, 2);
  });
});
