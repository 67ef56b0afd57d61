import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou, toInches } from '../quantity/length';
import type { Target } from '../targets/target';
import { clearanceAdvice, clearanceIsDone, clearanceOf, clearanceState, clearanceUncertainty } from './clearance';

const window = (min: number, aimTo: number, limit: number): Target => ({
  set: true,
  inForce: { rank: 'sheet', standing: 'from a sheet', from: 'sheet', min: fromThou(min), aimTo: fromThou(aimTo), limit: fromThou(limit), working: [] },
  outranked: [],
  why: [],
});

describe('clearance', () => {
  it('piston 73.47 in bore 73.51 mm: 0.040 mm = 0.00157 in (common practice, no source)', () => {
    const clearance = clearanceOf(fromMm(73.51), fromMm(73.47));
    expect(clearance).toBe(fromMm(0.04));
    expect(toInches(clearance)).toBeCloseTo(0.00157, 5);
  });

  it('housing 2.3654, journal 2.3615: 0.0039 within 0.001 to 0.004, but not proven (common practice, no source)', () => {
    const clearance = clearanceOf(fromInches(2.3654), fromInches(2.3615));
    expect(clearance).toBe(fromThou(3.9));
    expect(clearanceState(clearance, window(1, 4, 4), clearanceUncertainty())).toBe('not proven');
    expect(clearanceState(clearance, window(1, 4, 4), 0)).toBe('in window');
  });

  it('has an uncertainty of 2·√2·(0.0001 in/√3) (published: JCGM 100:2008)', () => {
    expect(toInches(clearanceUncertainty())).toBeCloseTo((2 * Math.SQRT2 * 0.0001) / Math.sqrt(3), 7);
  });

  it.each([
    [null, 'to do'],
    [2.0, 'tight'],
    [3.05, 'not proven'],
    [3.5, 'in window'],
    [4.0, 'in window'],
    [4.5, 'loose'],
    [5.05, 'not proven'],
    [6, 'over'],
    [-1, 'tight'],
  ] as const)('%s thou against 3–4, limit 5, is %s', (thou, state) => {
    expect(clearanceState(thou === null ? null : fromThou(thou), window(3, 4, 5), clearanceUncertainty())).toBe(state);
  });

  it('is recorded without a verdict when nothing says what it must be', () => {
    expect(clearanceState(fromThou(3), { set: false, ask: 'the sheet' }, 0)).toBe('no target');
  });

  it('is done in window or loose only, and has something to say of every state', () => {
    const states = ['to do', 'tight', 'in window', 'loose', 'over', 'not proven', 'no target'] as const;
    expect(states.filter(clearanceIsDone)).toEqual(['in window', 'loose']);
    expect(new Set(states.map((s) => JSON.stringify(clearanceAdvice(s, 1)))).size).toBe(states.length);
  });
});
