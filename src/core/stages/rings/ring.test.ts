import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMm, fromThou } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Limits, Target } from '../../models/targets/target';
import { type Strictness, STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { countedGap } from './gapEvidence';
import { decidedGap } from './ringGap';
import { type GapReading, type GapState, gapIsDone, nextLeaf, offWords, toComeOff, worstOf } from './ring';

const targetOf = (change: Partial<Limits> = {}): Target => ({
  set: true,
  inForce: {
    rank: 'chart',
    standing: 'from memory, not confirmed',
    from: 'chart',
    least: fromThou(22),
    aimFrom: fromThou(22),
    aimTo: fromThou(25),
    most: fromThou(27),
    mostHard: false,
    working: [],
    ...change,
  },
  outranked: [],
  why: [],
});
const target = targetOf();
const minimumOnly = targetOf({ least: fromThou(15), aimFrom: fromThou(15), aimTo: null, most: null });
const reading = (thou: number, upTo?: number, open = false): GapReading => ({
  value: fromThou(thou),
  upTo: upTo === undefined ? null : fromThou(upTo),
  open,
});
/** Decided as read once at the place that counts, with leaves a thou apart. */
const decided = (
  { value, upTo, open }: GapReading,
  against: Target,
  step = fromThou(1),
  strictness: Strictness = STARTING_STRICTNESS,
) => {
  const placed = {
    id: 'a',
    cylinder: '1',
    depth: null,
    value,
    upTo,
    open,
    step,
    leaf: fromThou(0.2),
    cooled: 0,
    heat: 0,
  };
  const found = countedGap({ readings: [placed], home: '1', bores: new Map(), repeat: step, notFiled: new Set() });
  if (!found) throw new Error('one reading tells a gap');
  return decidedGap(found, against, step, strictness);
};
const state = (...given: Parameters<typeof decided>): GapState => decided(...given).state;

describe('the state of a gap read where it counts', () => {
  it.each([
    [20, undefined, 'short'],
    [21, undefined, 'not proven'],
    [22, undefined, 'in window'],
    [25, undefined, 'in window'],
    [26, undefined, 'loose'],
    [27, undefined, 'loose'],
    [28, undefined, 'over'],
    [20, 21, 'short'],
    [20, 22, 'not proven'],
    [21, 23, 'not proven'],
    [22, 23, 'in window'],
    [25, 26, 'in window'],
    [22, 26, 'in window'],
    [26, 29, 'loose'],
    [28, 29, 'over'],
  ] as const)('%d (next leaf %s) against 22–25, at most 27, is %s', (low, high, found) => {
    expect(state(reading(low, high), target)).toBe(found);
  });

  it('a leaf equal to the limit is right, however good the leaf and however strict the shop', () => {
    expect(state(reading(22), target, fromThou(1), { ...STARTING_STRICTNESS, gapGrace: 0 })).toBe('in window');
  });

  // a rule’s product of 15.23 thou: 15 goes, 16 does not. A careful fitter calls that perfect.
  it('15/16 against a product of 15.23 is in window, at its minimum; a strict shop is not sure', () => {
    const product = targetOf({ least: fromThou(15.23), aimFrom: fromThou(16), aimTo: fromThou(19) });
    expect(decided(reading(15, 16), product)).toMatchObject({ state: 'in window', low: 'under the limit' });
    expect(decided(reading(16, 17), product)).toMatchObject({ state: 'in window', low: null });
    const strict = { ...STARTING_STRICTNESS, gapGrace: 0 };
    expect(decided(reading(15, 16), product, fromThou(1), strict).state).toBe('not proven');
    expect(decided(reading(14, 15), product).state).toBe('not proven');
    expect(decided(reading(13, 14), product).state).toBe('short');
  });

  it('inside a range and under the aim it is right, and said', () => {
    const narrowed = targetOf({ least: fromThou(20), aimFrom: fromThou(22), aimTo: fromThou(24), most: fromThou(26) });
    expect(decided(reading(21), narrowed)).toMatchObject({ state: 'in window', low: 'under the aim' });
    expect(decided(reading(22), narrowed)).toMatchObject({ state: 'in window', low: null });
  });

  it('the grace is half the leaf step, and no more than the shop gives', () => {
    const metric = targetOf({ least: fromMm(0.3), aimFrom: fromMm(0.3), aimTo: null, most: null });
    const found = (mm: number, upTo: number, grace: number): number | null =>
      decided({ value: fromMm(mm), upTo: fromMm(upTo), open: false }, metric, fromMm(0.05), {
        ...STARTING_STRICTNESS,
        gapGrace: grace,
      }).chance;
    expect(found(0.27, 0.31, 0)).toBeCloseTo(0.75, 2);
    expect(found(0.27, 0.31, fromMm(0.005))).toBeCloseTo(0.625, 2);
    expect(found(0.27, 0.31, fromMm(1))).toBeCloseTo(0.5, 2);
  });

  it('a rail has a minimum only, and is never too wide; 0.3 on 0.3 to 0.9 mm is in window', () => {
    expect(state(reading(13), minimumOnly)).toBe('short');
    expect(state(reading(15), minimumOnly)).toBe('in window');
    expect(state(reading(60), minimumOnly)).toBe('in window');
    expect(state(reading(15, undefined, true), minimumOnly)).toBe('in window');
    const range = targetOf({ least: fromMm(0.3), aimFrom: fromMm(0.3), aimTo: fromMm(0.9), most: fromMm(0.9) });
    expect(state({ value: fromMm(0.3), upTo: null, open: false }, range, fromMm(0.05))).toBe('in window');
    expect(state({ value: fromMm(0.3), upTo: null, open: true }, range, fromMm(0.05))).toBe('in window');
  });

  it('with no larger leaf tried a gap under its minimum may be anything', () => {
    expect(decided(reading(8, undefined, true), target)).toMatchObject({
      state: 'not proven',
      chance: null,
      low: null,
    });
  });

  it('a hard maximum is guarded as the minimum is; a soft one goes by the best estimate', () => {
    const hard = targetOf({ most: fromThou(25), mostHard: true });
    expect(state(reading(24), hard)).toBe('in window');
    expect(state(reading(25), hard)).toBe('not proven');
    expect(state(reading(26), hard)).toBe('over');
    expect(state(reading(25), targetOf({ most: fromThou(25) }))).toBe('in window');
  });

  it('is without verdict when there is no target', () => {
    expect(state(reading(22), { set: false, ask: 'the sheet' })).toBe('no target');
  });

  it('is done when it may go in', () => {
    expect(
      (['to do', 'short', 'in window', 'loose', 'over', 'not proven', 'no target'] as const).filter(gapIsDone),
    ).toEqual(['in window', 'loose']);
  });
});

it('names the ring that needs a hand most, and the first of two alike', () => {
  const ring = (name: string, state: GapState): { name: string; state: GapState } => ({ name, state });
  expect(worstOf([ring('top', 'loose'), ring('second', 'over')]).name).toBe('second');
  expect(worstOf([ring('top', 'short'), ring('second', 'over')]).name).toBe('top');
  expect(worstOf([ring('top', 'in window'), ring('second', 'to do')]).name).toBe('second');
  expect(worstOf([ring('top', 'in window'), ring('second', 'in window')]).name).toBe('top');
});

describe('what is still to come off', () => {
  const off = (found: GapReading, against: Target) =>
    toComeOff(found.value, nextLeaf(found, fromThou(1)), against, state(found, against));

  it('20 against 22–25: 2 to 3.5 thou, not more than 4', () => {
    const found = off(reading(20), target);
    expect(found).toEqual({ toAim: fromThou(2), toMiddle: fromThou(3.5), most: fromThou(4) });
    expect(messageText(offWords(found), 'imperial')).toBe('2 thou to 3.5 thou still to come off. ');
  });

  it('counts the most from the leaf that did not pass: filing only goes one way', () => {
    expect(off(reading(18, 20), target)?.most).toBe(fromThou(5));
  });

  it('is nothing in the window, over it, or with nothing to go by', () => {
    for (const thou of [21, 22, 26, 30]) expect(off(reading(thou), target)).toBeNull();
    expect(off(reading(5), { set: false, ask: '' })).toBeNull();
    expect(offWords(null)).toEqual([]);
  });

  it('what reaches the aim makes a short ring right, and the most never leaves the window', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 20 }), (thou) => {
        const short = reading(thou);
        const found = off(short, target);
        if (!found) throw new Error('a short ring has something to come off');
        expect(state({ ...short, value: short.value + found.toAim }, target)).toBe('in window');
        expect(state({ ...short, value: short.value + found.most }, target)).toBe('in window');
        expect(found.toAim <= found.toMiddle && found.toMiddle <= found.most).toBe(true);
      }),
    );
  });
});
