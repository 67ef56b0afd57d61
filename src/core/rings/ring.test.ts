import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import type { Target } from '../targets/target';
import { type GapReading, type GapState, gapAdvice, gapIsDone, gapState, offWords, toComeOff, worstOf } from './ring';

const target: Target = {
  set: true,
  inForce: {
    rank: 'chart',
    standing: 'from memory, not confirmed',
    from: 'chart',
    min: fromThou(22),
    aimTo: fromThou(25),
    limit: fromThou(27),
    working: [],
  },
  outranked: [],
  why: [],
};
const minimumOnly: Target = { ...target, inForce: { ...target.inForce, min: fromThou(15), aimTo: null, limit: null } };
const reading = (thou: number, upTo?: number): GapReading => ({
  value: fromThou(thou),
  upTo: upTo === undefined ? null : fromThou(upTo),
  open: false,
});
const off = (found: GapReading | null, against: Target, step = 0) =>
  toComeOff(found, against, gapState(found, against, step));

describe('the state of a gap', () => {
  it.each([
    [21.5, undefined, 'short'],
    [22, undefined, 'in window'],
    [25, undefined, 'in window'],
    [25.5, undefined, 'loose'],
    [27, undefined, 'loose'],
    [27.5, undefined, 'over'],
    [21, 22, 'short'],
    [21, 23, 'not proven'],
    [22, 23, 'in window'],
    [25, 26, 'in window'],
    [26, 29, 'not proven'],
    [28, 29, 'over'],
  ] as const)('%d (next leaf %s) against 22–25, limit 27, is %s', (low, high, state) => {
    expect(gapState(reading(low, high), target)).toBe(state);
  });

  it('a rail has a minimum only, and is never too wide', () => {
    expect(gapState(reading(14), minimumOnly)).toBe('short');
    expect(gapState(reading(15), minimumOnly)).toBe('in window');
    expect(gapState(reading(60), minimumOnly)).toBe('in window');
  });

  it('is to do without a reading and without verdict when there is no target', () => {
    expect(gapState(null, target)).toBe('to do');
    expect(gapState(reading(22), { set: false, ask: 'the sheet' })).toBe('no target');
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
  it('20.5 against 22–25: 1.5 to 3 thou, not more than 4.5', () => {
    const found = off(reading(20.5), target);
    expect(found).toEqual({ toMinimum: fromThou(1.5), toMiddle: fromThou(3), most: fromThou(4.5) });
    expect(sayingText(offWords(found), 'imperial')).toBe('1.5 thou to 3 thou still to come off. ');
  });

  it('counts the most from the leaf that did not pass: filing only goes one way', () => {
    expect(off(reading(19, 21), target)?.most).toBe(fromThou(4));
  });

  it('is nothing in the window, over it, or with nothing to go by', () => {
    for (const thou of [22, 26, 30]) expect(off(reading(thou), target)).toBeNull();
    expect(off(null, target)).toBeNull();
    expect(off(reading(5), { set: false, ask: '' })).toBeNull();
    expect(offWords(null)).toEqual([]);
  });

  it('what reaches the minimum makes a short ring right, and the most never leaves the window', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 219 }), (tenths) => {
        const short = reading(tenths / 10);
        const found = off(short, target);
        if (!found) throw new Error('a short ring has something to come off');
        expect(gapState({ ...short, value: short.value + found.toMinimum }, target)).toBe('in window');
        expect(gapState({ ...short, value: short.value + found.most }, target)).toBe('in window');
        expect(found.toMinimum <= found.toMiddle && found.toMiddle <= found.most).toBe(true);
      }),
    );
  });
});

it('has different advice for every state', () => {
  const states = ['to do', 'short', 'in window', 'loose', 'over', 'not proven', 'no target'] as const;
  expect(new Set(states.map(gapAdvice)).size).toBe(states.length);
});
