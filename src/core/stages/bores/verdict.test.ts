import { describe, expect, it } from 'vitest';
import { boreReading, jobEntry } from '@/fixtures/records';
import { judge } from '../../judge/judge';
import { fromInches, fromMm, fromThou } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Entry } from '../../judge/buildRecord';
import { type SizeLimits, NO_SIZES } from '../../foundation/quantity/sizeLimits';
import { STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { STARTING_BORES } from './measuringPlan';
import type { BoreShape } from './shape';
import { BORE_STATES, boreAdvice, boreIsDone, boreVerdict } from './verdict';

const { honed, used } = STARTING_BORES.limits;
const U = fromThou(0.1);
const figure = (thou: number) => ({
  value: fromThou(thou),
  standard: U / 2,
  freedom: Infinity,
  uncertainty: U,
  judged: fromThou(thou),
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

describe('the verdict on a bore (relaxed acceptance, JCGM 106:2012, and the limits from memory)', () => {
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

  it('a figure is judged without what the scatter of its readings alone would show, and says so where that turns it', () => {
    const scattered = (read: number, judged: number): BoreShape => ({
      ...shape(0.1, 0.1),
      outOfRound: { ...figure(read), judged: fromThou(judged) },
    });
    const of = (read: number, judged: number) =>
      boreVerdict(scattered(read, judged), honed, true, true, STARTING_STRICTNESS);
    expect(of(0.7, 0.45).state).toBe('within');
    expect(
      of(0.7, 0.45)
        .reasons.map((r) => messageText(r, 'imperial'))
        .join(),
    ).toContain('0.7 thou ± 0.1 thou, 0.5 thou without what scatter alone shows');
    expect(of(0.7, 0.7).state).toBe('hone');
    expect(
      of(0.3, 0.2)
        .reasons.map((r) => messageText(r, 'imperial'))
        .join(),
    ).not.toContain('scatter');
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
    if (state !== 'within') expect(found.reasons.map((r) => messageText(r, 'metric')).join('; ')).toMatch(why);
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

describe('a bore held against the sizes of the manual', () => {
  // 4.0652 in at the top, 4.0650 at the bottom
  const found = (sizes: Partial<SizeLimits>) => {
    const entries: Entry[] = [
      jobEntry(),
      {
        ...{ id: 'b', at: '2026-05-04T08:00:00.000Z', by: '', kind: 'bores', replaces: null },
        value: { ...STARTING_BORES, sizes: { ...NO_SIZES, ...sizes } },
      },
      ...(['top', 'middle', 'bottom'] as const).flatMap((depth) =>
        [90, 0].map((angle) =>
          boreReading(`${depth}${angle}`, 'L1', depth, angle, fromInches(depth === 'bottom' ? 4.065 : 4.0652)),
        ),
      ),
    ];
    const judgement = judge({ id: 'x', entries });
    const bore = judgement.cylinders[0]?.bore;
    const says = judgement.findings.filter((f) => f.stage === 'bores').map((f) => messageText(f.says, 'imperial'));
    return { state: bore?.verdict.state, sizeClass: bore?.sizeClass, says: says.join(' ') };
  };

  it('goes by its largest place at the most, by its smallest at the least', () => {
    expect(found({ least: fromInches(4.064), most: fromInches(4.066) }).state).toBe('within');
    expect(found({ most: fromInches(4.065) }).state).not.toBe('within');
    expect(found({ most: fromInches(4.064) }).state).toBe('next size');
    expect(found({ most: fromInches(4.064) }).says).toContain('largest 4.0652 in');
    expect(found({ least: fromInches(4.0665) }).says).toContain('smallest 4.0650 in');
    expect(found({ least: fromInches(4.0665) }).state).toBe('hone');
  });

  it('its class is told by its smallest place; one that is in none is noted', () => {
    const classes = [{ name: 'A', from: fromInches(4.0645), to: fromInches(4.0651) }];
    expect(found({ classes }).sizeClass).toBe('A');
    expect(found({ classes }).says).not.toContain('none of the size classes');
    const other = [{ name: 'B', from: fromInches(4.07), to: fromInches(4.071) }];
    expect(found({ classes: other }).says).toContain('bore 4.0650 in is in none of the size classes');
    expect(found({}).says).not.toContain('size classes');
  });
});
