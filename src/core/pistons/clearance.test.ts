import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou, toInches } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import type { Target } from '../targets/target';
import { UNNAMED_TOOL, type Warmth, heatDoubt, ownDoubt, repeatability } from '../uncertainty/budget';
import { expandedOf } from '../uncertainty/spread';
import { STARTING_STRICTNESS } from '../verdict/decide';
import { rectangular } from '../uncertainty/uncertainty';
import {
  type DoubtedSize,
  clearanceAdvice,
  clearanceDoubt,
  clearanceIsDone,
  clearanceOf,
  clearanceVerdict,
} from './clearance';

const window = (min: number, aimTo: number, limit: number): Target => ({
  set: true,
  inForce: {
    rank: 'sheet',
    standing: 'from a sheet',
    from: 'sheet',
    least: fromThou(min),
    aimFrom: fromThou(min),
    aimTo: fromThou(aimTo),
    most: fromThou(limit),
    mostHard: false,
    working: [],
  },
  outranked: [],
  why: [],
});

const none = { squares: 0, freedom: 0 };
/** A size read once with a tool that is not named, in a shop about 20 °C. */
const once = (value: number, expansion: number, warmth: Warmth = 'not noted', setting = 0): DoubtedSize => ({
  value,
  doubt: {
    tool: rectangular(UNNAMED_TOOL.limit),
    setting,
    heat: heatDoubt(value, expansion, warmth),
    own: ownDoubt(1, repeatability(none, UNNAMED_TOOL), UNNAMED_TOOL).standard,
    freedom: Infinity,
  },
  expansion,
  warmth,
});
const doubt = clearanceDoubt(once(fromInches(4.065), 10.8e-6), once(fromInches(4.061), 19.4e-6));
const expanded = (bore: DoubtedSize, piston: DoubtedSize): number => expandedOf(clearanceDoubt(bore, piston));
const U = expandedOf(doubt);
const strictness = STARTING_STRICTNESS;

describe('clearance', () => {
  it('piston 73.47 in bore 73.51 mm: 0.040 mm = 0.00157 in (common practice, no source)', () => {
    const clearance = clearanceOf(fromMm(73.51), fromMm(73.47));
    expect(clearance).toBe(fromMm(0.04));
    expect(toInches(clearance)).toBeCloseTo(0.00157, 5);
  });

  it('housing 2.3654, journal 2.3615: 0.0039 within 0.001 to 0.004 (common practice, no source)', () => {
    const clearance = clearanceOf(fromInches(2.3654), fromInches(2.3615));
    expect(clearance).toBe(fromThou(3.9));
    expect(clearanceVerdict(clearance, window(1, 4, 4), doubt, strictness).state).toBe('in window');
  });

  it('combines tool, last digit, hand and temperature of both (published: JCGM 100:2008; the figures from memory)', () => {
    const tenth = 0.0001;
    const each = [tenth / Math.sqrt(3), tenth / 2 / Math.sqrt(3), tenth / 2];
    const heat = (4.065 * (19.4e-6 - 10.8e-6) * 3) / Math.sqrt(3);
    expect(toInches(U)).toBeCloseTo(2 * Math.hypot(...each, ...each, heat), 6);
  });

  it('sees through a shared shop temperature, and through a noted one: like metals leave nothing of it', () => {
    const like = expanded(once(fromInches(4), 20e-6), once(fromInches(3.996), 20e-6));
    const unlike = expanded(once(fromInches(4), 10.8e-6), once(fromInches(3.996), 22.3e-6));
    const noted = expanded(once(fromInches(4), 10.8e-6, 'alike'), once(fromInches(3.996), 22.3e-6, 'alike'));
    expect(toInches(like)).toBeCloseTo(
      2 * Math.sqrt(2) * Math.hypot(0.0001 / Math.sqrt(3), 0.00005 / Math.sqrt(3), 0.00005),
      6,
    );
    expect(unlike).toBeGreaterThan(noted);
    expect(noted).toBeGreaterThan(like);
    const apart = expanded(once(fromInches(4), 10.8e-6, 'apart'), once(fromInches(3.996), 22.3e-6, 'apart'));
    expect(apart).toBeGreaterThan(noted);
  });

  it('the micrometer that set the gauge and measured the piston drops out of their difference', () => {
    const setWith = rectangular(UNNAMED_TOOL.limit);
    const [gauged, read] = [once(fromInches(4), 20e-6, 'not noted', setWith), once(fromInches(4), 20e-6)];
    const piston = once(fromInches(3.996), 20e-6);
    expect(expanded(gauged, piston)).toBeLessThan(expanded(read, piston));
    const own = Math.hypot(0.00005 / Math.sqrt(3), 0.00005);
    expect(toInches(expanded(gauged, piston))).toBeCloseTo(2 * Math.hypot(0.0001 / Math.sqrt(3), own, own), 6);
    // a piston that was gauged as well was not measured by it
    expect(expanded(gauged, once(fromInches(3.996), 20e-6, 'not noted', setWith))).toBeGreaterThan(
      expanded(read, piston),
    );
  });

  it.each([
    [null, 'to do'],
    [2.0, 'tight'],
    [3.05, 'not proven'],
    [3.5, 'in window'],
    [4.0, 'in window'],
    [4.5, 'loose'],
    [5.04, 'loose'],
    [5.06, 'over'],
    [2.7, 'not proven'],
    [2.6, 'tight'],
    [3.15, 'in window'],
    [6, 'over'],
    [-1, 'tight'],
  ] as const)('%s thou against 3–4, limit 5, is %s', (thou, state) => {
    expect(clearanceVerdict(thou === null ? null : fromThou(thou), window(3, 4, 5), doubt, strictness).state).toBe(
      state,
    );
  });

  // a window half a thou wide, with tools good for a quarter: it can be met
  it.each([
    [4.75, 'in window'],
    [4.5, 'not proven'],
    [4.1, 'tight'],
  ] as const)('%s ± 0.26 thou with a least of 4.5 and an end of 5 is %s', (thou, state) => {
    const found = clearanceVerdict(
      fromThou(thou),
      window(4.5, 5, 5),
      { standard: fromThou(0.13), freedom: Infinity },
      strictness,
    );
    expect(found.state).toBe(state);
    if (state === 'not proven')
      expect(sayingText(clearanceAdvice(found, 1, null), 'imperial')).toContain('about one in five');
  });

  it('is recorded without a verdict when nothing says what it must be', () => {
    expect(
      clearanceVerdict(fromThou(3), { set: false, ask: 'the sheet' }, { standard: 0, freedom: Infinity }, strictness),
    ).toEqual({
      state: 'no target',
      chance: null,
      low: null,
    });
  });

  it('is done in window or loose only, and has something to say of every state', () => {
    const states = ['to do', 'tight', 'in window', 'loose', 'over', 'not proven', 'no target'] as const;
    expect(states.filter(clearanceIsDone)).toEqual(['in window', 'loose']);
    expect(
      new Set(states.map((s) => JSON.stringify(clearanceAdvice({ state: s, chance: 0.2, low: null }, 1, null)))).size,
    ).toBe(states.length);
  });
});
