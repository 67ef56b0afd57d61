import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou, toInches } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Target } from '../targets/target';
import { UNNAMED_TOOL, ownDoubt, repeatability } from '../../foundation/uncertainty/repeatability';
import { expandedOf, rectangular } from '../../foundation/uncertainty/combine';
import { temperaturesOf, thermalDoubt } from '../../foundation/uncertainty/thermal';
import { STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { type DoubtedSize, clearanceDoubt, clearanceIsDone, clearanceOf, clearanceVerdict } from './clearance';
import { clearanceAdvice } from '../../stages/pistons/clearanceAdvice';

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
const readOnce = ownDoubt(1, repeatability(none, UNNAMED_TOOL), UNNAMED_TOOL).standard;
/** A size read once with a tool that is not named, in a shop about 20 °C unless temperatures were noted. */
function once(
  value: number,
  expansion: number,
  change: { part?: number; tool?: number; gauged?: number } = {},
): DoubtedSize {
  const { part = null, tool = null, gauged = 0 } = change;
  const at = temperaturesOf({ temperature: part, gaugeTemperature: tool }, null);
  return {
    value,
    doubt: {
      tool: rectangular(UNNAMED_TOOL.limit),
      setting: gauged,
      zeroing: gauged === 0 ? 0 : readOnce,
      ...thermalDoubt(value, expansion, at),
      own: readOnce,
      freedom: Infinity,
    },
    expansion,
    noted: at.noted,
  };
}
/** How far a part of expansion α may be off its tool: 2 K, and 4 % of α at the edge of a shop of 20 ± 3 °C; inches. */
const apart = (inches: number, expansion: number): number =>
  (inches * expansion * Math.hypot(2, 3 * 0.04)) / Math.sqrt(3);
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

  // independent: √(tool² + 2·own² + shop² + 2 K of each part²), 0.234 thou without the last two and the zero
  it('combines tool, last digit, hand and temperature of both (published: JCGM 100:2008; the figures from memory)', () => {
    const tenth = 0.0001;
    const each = [tenth / Math.sqrt(3), tenth / 2 / Math.sqrt(3), tenth / 2];
    const heat = [(4.065 * (19.4e-6 - 10.8e-6) * 3) / Math.sqrt(3), apart(4.065, 10.8e-6), apart(4.061, 19.4e-6)];
    expect(toInches(U)).toBeCloseTo(2 * Math.hypot(...each, ...each, ...heat), 6);
  });

  it('of a bore gauged and a piston in the micrometer that set it, not noted, is 0.33 thou', () => {
    const gauged = once(fromInches(4.065), 10.8e-6, { gauged: rectangular(4_000) });
    expect(toInches(expanded(gauged, once(fromInches(4.061), 19.4e-6))) * 1000).toBeCloseTo(0.334, 3);
  });

  it('sees through a shared shop temperature: like metals leave of it how far each part is off its tool', () => {
    const like = expanded(once(fromInches(4), 20e-6), once(fromInches(3.996), 20e-6));
    const unlike = expanded(once(fromInches(4), 10.8e-6), once(fromInches(3.996), 22.3e-6));
    const noted = expanded(once(fromInches(4), 10.8e-6, { part: 20 }), once(fromInches(3.996), 22.3e-6, { part: 20 }));
    // a piston of another cylinder, of which nothing was entered: the one note says nothing of it
    expect(expanded(once(fromInches(4), 10.8e-6, { part: 20 }), once(fromInches(3.996), 22.3e-6))).toBeGreaterThan(
      noted,
    );
    const tools = Math.hypot(0.0001 / Math.sqrt(3), 0.00005 / Math.sqrt(3), 0.00005);
    expect(toInches(like)).toBeCloseTo(2 * Math.hypot(tools, tools, apart(4, 20e-6), apart(3.996, 20e-6)), 6);
    expect(unlike).toBeGreaterThan(noted);
    const both = expanded(
      once(fromInches(4), 10.8e-6, { part: 20, tool: 20.1 }),
      once(fromInches(3.996), 22.3e-6, { part: 20, tool: 20.1 }),
    );
    expect(noted).toBeGreaterThan(both);
  });

  it('the micrometer that set the gauge and measured the piston drops out of their difference, the zero does not', () => {
    const setWith = rectangular(UNNAMED_TOOL.limit);
    const gauged = once(fromInches(4), 20e-6, { gauged: setWith });
    const piston = once(fromInches(3.996), 20e-6);
    const own = Math.hypot(0.00005 / Math.sqrt(3), 0.00005);
    const parts = [0.0001 / Math.sqrt(3), own, own, own, apart(4, 20e-6), apart(3.996, 20e-6)];
    expect(toInches(expanded(gauged, piston))).toBeCloseTo(2 * Math.hypot(...parts), 6);
    // a piston that was gauged as well was not measured by it
    expect(expanded(gauged, once(fromInches(3.996), 20e-6, { gauged: setWith }))).toBeGreaterThan(
      expanded(gauged, piston),
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
    [3.2, 'in window'],
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
      expect(messageText(clearanceAdvice(found, 1, null), 'imperial')).toContain('about one in five');
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
