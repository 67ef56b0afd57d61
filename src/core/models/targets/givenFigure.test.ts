import { describe, expect, it } from 'vitest';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { type GivenDraft, type Paper, crossedMinimum, givenDraft, parseGiven } from './givenFigure';
import type { Given } from './papers';
import { givenFaults, isWholeGap, widthFaults } from './targetEntry';

const ASK = { over: false, units: 'imperial', kind: 'gap' } as const;
const draft = (change: Partial<GivenDraft>, paper: Paper = 'sheet'): GivenDraft => ({
  ...givenDraft(null, paper, ASK),
  ...change,
});

describe('a figure of a paper as it is filled in', () => {
  it.each<[string, Given]>([
    ['a range', { form: 'range', min: fromThou(18), max: fromThou(24), hardTop: true, aim: null, from: 'sheet' }],
    [
      'a range that is narrowed',
      { form: 'range', min: 1_000, max: 4_000, hardTop: false, aim: { from: 2_000, to: 3_000 }, from: 'sheet' },
    ],
    ['a minimum', { form: 'minimum', min: fromThou(18), from: 'manual' }],
    ['one figure', { form: 'nominal', value: fromThou(20), plusMinus: fromThou(1), from: 'sheet' }],
    ['a factor', { form: 'factor', factor: 0.0045, from: 'sheet' }],
    ['two factors', { form: 'factors', least: 0.0045, most: 0.005, hardTop: false, from: 'sheet' }],
  ])('%s is what it was', (_, given) =>
    expect(parseGiven(givenDraft(given, 'sheet', ASK), 'sheet', 'gap')).toEqual({ given }),
  );

  it.each<[string, Partial<GivenDraft>, keyof GivenDraft, RegExp]>([
    ['no lower end', { form: 'range' }, 'min', /^Enter the lower figure\.$/],
    ['no figure', { form: 'nominal' }, 'min', /^Enter the figure\.$/],
    ['no upper end', { form: 'range', min: 1 }, 'max', /choose “at least”/],
    ['ends swapped', { form: 'range', min: 2, max: 1 }, 'max', /are they swapped/],
    ['no aim', { form: 'range', min: 1, max: 9, narrowed: true, aimFrom: 2 }, 'aimFrom', /both ends of the aim/],
    ['an aim backwards', { form: 'range', min: 1, max: 9, narrowed: true, aimFrom: 5, aimTo: 4 }, 'aimTo', /swapped/],
    [
      'an aim outside',
      { form: 'range', min: 1, max: 9, narrowed: true, aimFrom: 5, aimTo: 10 },
      'aimTo',
      /outside the range/,
    ],
    ['no ±', { form: 'nominal', min: 9, plusMinus: null }, 'plusMinus', /half a thou, 0\.01 mm, or 0/],
    ['a ± as large', { form: 'nominal', min: 9, plusMinus: 9 }, 'plusMinus', /as large as the figure/],
    ['no factor', { form: 'factor', factor: '' }, 'factor', /e\.g\. 0\.0045/],
    [
      'a gap for a factor',
      { form: 'factor', factor: '0.018' },
      'factor',
      /0\.018 is not a factor: factors are from 0\.003 to 0\.0125/,
    ],
    ['no upper factor', { form: 'factors', factor: '0.004', most: '' }, 'most', /e\.g\. 0\.0045/],
    ['factors swapped', { form: 'factors', factor: '0,005', most: '0,004' }, 'most', /upper factor is under the lower/],
  ])('%s is said at its field', (_, change, field, says) => {
    const found = parseGiven(draft(change), 'sheet', 'gap');
    expect(found).toEqual({ faults: { [field]: expect.stringMatching(says) as string } });
  });

  it('the builder’s own asks for its reason, a paper for none', () => {
    const own = { form: 'minimum', min: fromThou(20), from: ' ' } as const;
    expect(parseGiven(draft(own, 'own'), 'own', 'gap')).toEqual({
      faults: { from: 'Enter the reason for your own figure.' },
    });
    expect(parseGiven(draft(own), 'sheet', 'gap')).toEqual({ given: { form: 'minimum', min: fromThou(20), from: '' } });
  });

  it('a minimum on the wrong side of the other ring’s is told, by a factor once there is a bore', () => {
    const other = { min: fromThou(20), words: 'the top ring’s', side: 'under' } as const;
    const crossed = (change: Partial<GivenDraft>, bore: number | null) =>
      crossedMinimum(draft(change), 'gap', other, bore);
    expect(crossed({ form: 'minimum', min: fromThou(19) }, null)).toBe(fromThou(19));
    expect(crossed({ form: 'minimum', min: fromThou(20) }, null)).toBeNull();
    expect(crossed({ form: 'factor', factor: '0.0045' }, null)).toBeNull();
    expect(crossed({ form: 'factor', factor: '0.0045' }, fromInches(4))).toBe(fromThou(18));
    expect(crossedMinimum(draft({ form: 'minimum', min: fromThou(21) }), 'gap', { ...other, side: 'over' }, null)).toBe(
      fromThou(21),
    );
  });
});

describe('what is wrong with targets', () => {
  it('a limit inside its aim window, at the window it is of', () => {
    const widths = { gapWindow: 2, gapLimit: 2, clearanceWindow: 2, clearanceLimit: 2 };
    expect(widthFaults(widths)).toEqual({});
    expect(Object.keys(widthFaults({ ...widths, gapLimit: 1 }))).toEqual(['gapLimit']);
    expect(Object.keys(widthFaults({ ...widths, clearanceLimit: 1 }))).toEqual(['clearanceLimit']);
  });

  it('nothing with a minimum or a factor', () => {
    expect(givenFaults({ form: 'minimum', min: 1, from: '' })).toEqual({});
    expect(givenFaults({ form: 'factor', factor: 1, from: '' })).toEqual({});
  });

  it('an allowance of more than 5 thou is a gap typed whole', () => {
    expect(isWholeGap({ gap: fromThou(5), clearance: 0 })).toBe(false);
    expect(isWholeGap({ gap: 0, clearance: fromThou(5) + 1 })).toBe(true);
  });
});
