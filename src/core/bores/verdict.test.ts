import { describe, expect, it } from 'vitest';
import { fromMm, fromThou } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import { NO_SIZES } from '../verdict/sizeLimits';
import { STARTING_STRICTNESS } from '../verdict/decide';
import { STARTING_BORES } from './grid';
import type { BoreShape } from './shape';
import { BORE_STATES, boreAdvice, boreIsDone, boreVerdict } from './verdict';

const { honed, used } = STARTING_BORES.limits;
const U = fromThou(0.1);
const figure = (thou: number) => ({
  value: fromThou(thou),
  standard: U / 2,
  freedom: Infinity,
  uncertainty: U,
  working: [],
});
const shape = (taper: number, outOfRound: number): BoreShape => ({
  depths: [],
  taper: { thrust: figure(taper), overall: null },
  outOfRound: figure(outOfRound),
  form: null,
  ridge: null,
  lean: null,
  smallest: { value: 1, own: 1, freedom: Infinity, depth: 'top', angle: 90 },
  largest: { value: 1, own: 1, freedom: Infinity, depth: 'top', angle: 90 },
  widest: 1,
  mean: 1,
});

describe('the verdict on a bore (ISO 14253-1:2017 and the limits from memory)', () => {
  it.each([
    [0.2, 0.1, 'within'],
    [0.4, 0.4, 'within'],
    [0.45, 0.1, 'within'],
    [0.51, 0.1, 'within'],
    [0.55, 0.1, 'not proven'],
    [0.1, 0.55, 'not proven'],
    [0.7, 0.1, 'hone'],
    [0.7, 0.55, 'hone'],
    [0.95, 0.1, 'hone'],
    [1.05, 0.1, 'not proven'],
    [1.2, 0.1, 'next size'],
    [1.2, 0.5, 'next size'],
  ] as const)('newly honed, taper %s and out-of-round %s thou: %s', (taper, round, state) => {
    expect(boreVerdict(shape(taper, round), honed, true, true, STARTING_STRICTNESS).state).toBe(state);
  });

  it.each([
    [1.5, 1, 'within'],
    [3, 1, 'hone'],
    [1, 2.5, 'hone'],
    [5.5, 1, 'next size'],
    [1, 3.5, 'next size'],
  ] as const)('used, taper %s and out-of-round %s thou: %s', (taper, round, state) => {
    expect(boreVerdict(shape(taper, round), used, true, true, STARTING_STRICTNESS).state).toBe(state);
  });

  // limits 86.000 and 86.050 mm, U 2 µm, grace 0.0001 in
  it.each([
    [86.01, 86.02, 'within', /^$/],
    [86.01, 86.0505, 'within', /^$/],
    [86.01, 86.0535, 'not proven', /largest 86\.05[34]\d* mm ± 0\.0020? mm reaches the most of 86\.050 mm/],
    [86.01, 86.06, 'next size', /largest 86\.060 mm ± 0\.0020? mm is over the most of 86\.050 mm/],
    [85.99, 86.02, 'hone', /smallest 85\.990 mm ± 0\.0020? mm is under the least of 86\.000 mm/],
    [85.99, 86.06, 'next size', /over the most/],
  ] as const)('by its size, %d to %d mm: %s', (from, to, state, why) => {
    const known = (mm: number) => ({ value: fromMm(mm), standard: 1_000, freedom: Infinity });
    const limits = { ...NO_SIZES, least: fromMm(86), most: fromMm(86.05) };
    const sizes = { limits, smallest: known(from), largest: known(to) };
    const found = boreVerdict(shape(0.1, 0.1), honed, true, true, STARTING_STRICTNESS, sizes);
    expect(found.state).toBe(state);
    if (state !== 'within') expect(found.reasons.map((r) => sayingText(r, 'metric')).join('; ')).toMatch(why);
    expect(found.held).toMatchObject(
      state === 'within'
        ? {}
        : state === 'hone'
          ? { figure: fromMm(85.99), limit: fromMm(86), side: 'least' }
          : { limit: fromMm(86.05), side: 'most' },
    );
  });

  it('is out where no oversize cleans what honing cannot mend', () => {
    expect(boreVerdict(shape(6, 1), used, true, false, STARTING_STRICTNESS)).toMatchObject({ state: 'out' });
    expect(boreVerdict(shape(1, 1), used, true, false, STARTING_STRICTNESS).state).toBe('within');
  });

  it('says before the bore is read through only what is proven bad', () => {
    expect(boreVerdict(null, honed, false, true, STARTING_STRICTNESS)).toEqual({
      state: 'to do',
      reasons: [],
      held: null,
    });
    expect(boreVerdict(shape(0.1, 0.1), honed, false, true, STARTING_STRICTNESS).state).toBe('part read');
    expect(boreVerdict(shape(2, 0.1), honed, false, true, STARTING_STRICTNESS).state).toBe('next size');
  });

  it('has something to do in every state, and is done in one', () => {
    expect(BORE_STATES.filter(boreIsDone)).toEqual(['within']);
    for (const basis of ['honed', 'used'] as const)
      expect(new Set(BORE_STATES.map((s) => boreAdvice(s, basis))).size).toBe(BORE_STATES.length);
  });
});
