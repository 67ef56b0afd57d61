import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { isPartialInput } from './partialInput';
import { parseReading } from './parseReading';
import type { ParseContext } from './readingField';
import { fromInches, fromMm, fromThou } from './length';

const gap: ParseContext = { field: 'gap', units: 'imperial', bore: fromInches(4), expected: null, setting: null };
const bore: ParseContext = {
  ...gap,
  field: 'bore',
  expected: { nm: fromInches(4.065), within: fromThou(10), because: 'planned 4.065 in' },
};
const metric: ParseContext = { ...gap, units: 'metric', bore: fromMm(100) };

describe('what is still being typed', () => {
  it.each([
    ['4', bore, true],
    ['40', bore, true],
    ['406', bore, true],
    ['4.0', bore, true],
    ['46', bore, false],
    ['4.6', bore, false],
    ['4.652', bore, false],
    ['2', gap, true],
    ['.', gap, true],
    ['.0', gap, true],
    ['220', gap, false],
    ['22 t', gap, true],
    ['22 x', gap, false],
    ['15/', gap, true],
    ['15/1', gap, true],
    ['15-', gap, true],
    ['15/1', bore, false],
    ['0', metric, true],
    ['0.', metric, true],
    ['5', metric, true],
    ['5000', metric, false],
    ['se', bore, true],
    ['set', bore, true],
    ['set 4', bore, true],
    ['here 4.0', bore, true],
    ['here 4.6', bore, false],
    ['+', bore, false],
    ['+', { ...bore, setting: fromInches(4.06) }, true],
    ['+', gap, false],
    ['fourteen', gap, false],
    ['p', gap, true],
    ['p1', gap, true],
    ['', gap, true],
  ] as const)('%j is begun: %#', (text, context, begun) => {
    expect(isPartialInput(text, context)).toBe(begun);
  });

  it('whatever beginning of a figure nobody questions is never questioned (property)', () => {
    const sizes = fc.integer({ min: -90, max: 90 }).map((tenths) => (4.065 + tenths / 10_000).toFixed(4));
    const gaps = fc.integer({ min: 6, max: 49 }).map(String);
    const any = fc.oneof(
      sizes.map((text) => ({ text, context: bore })),
      sizes.map((text) => ({ text: text.replace('.', ''), context: bore })),
      gaps.map((text) => ({ text, context: gap })),
      gaps.map((text) => ({ text: `.0${text.padStart(2, '0')}`, context: gap })),
      fc.integer({ min: 15, max: 120 }).map((n) => ({ text: (n / 100).toFixed(2), context: metric })),
    );
    fc.assert(
      fc.property(any, fc.nat({ max: 6 }), ({ text, context }, length) => {
        expect(parseReading(text, context).kind).toBe('understood');
        const begun = text.slice(0, Math.min(length, text.length - 1));
        const { kind } = parseReading(begun, context);
        if (kind === 'question' || kind === 'refused') expect(isPartialInput(begun, context), begun).toBe(true);
      }),
      { numRuns: runs(2_000) },
    );
  });
});

describe('a bare figure in a shop of millimetres', () => {
  const within = (least: number, most: number): ParseContext => ({
    ...metric,
    window: { least: fromMm(least), most: fromMm(most) },
  });
  it('is hundredths where that lies in the window, or thou does not', () => {
    expect(parseReading('25', within(0.2, 0.35))).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(0.25) },
    });
    expect(parseReading('40', within(0.2, 0.35))).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(0.4) },
    });
    expect(parseReading('18', within(0.2, 0.35))).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(0.18) },
    });
  });
  it('is asked about where thou would be right and hundredths not, and where no window is known', () => {
    expect(parseReading('24', within(0.58, 0.72)).kind).toBe('question');
    expect(parseReading('25', metric).kind).toBe('question');
  });
});
