import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou } from './length';
import { parseLengths, listText } from './parseLengths';

describe('lists of lengths', () => {
  it.each([
    ['20 30 40', 'thou', [20, 30, 40].map(fromThou)],
    ['.030, 0.040; 55', 'thou', [30, 40, 55].map(fromThou)],
    ['0,25 0,5 0.75', 'mm', [0.25, 0.5, 0.75].map(fromMm)],
    ['2 2.2 2.4', 'in', [2, 2.2, 2.4].map(fromInches)],
    ['0.25 mm 10thou 1"', 'mm', [fromMm(0.25), fromThou(10), fromInches(1)]],
    ['', 'mm', []],
  ] as const)('%j with bare %s', (text, bare, values) => {
    expect(parseLengths(text, bare, 20)).toEqual({ ok: true, values });
  });

  it.each([
    ['20 thirty', /“thirty” is no length/],
    ['-20', /is no length/],
    ['20,30,40', /is no length/],
    ['20 30 20', /“20” is there twice/],
    ['1 2 3 4', /At most 3/],
    ['1'.repeat(700), /700 characters/],
  ])('%j is refused', (text, why) => {
    expect(parseLengths(text, 'thou', 3)).toMatchObject({ ok: false, why: expect.stringMatching(why) as string });
  });

  it('asks for one where one is wanted', () => {
    expect(parseLengths('3 4', 'mm', 1)).toMatchObject({ ok: false, why: 'Enter one length.' });
  });

  it('prints what it would hear the same again', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 200_000 }), { maxLength: 12 }),
        fc.constantFrom('in' as const, 'mm' as const),
        (tenths, bare) => {
          const values = tenths.map((t) => t * (bare === 'mm' ? 1_000 : 2_540));
          expect(parseLengths(listText(values, bare), bare, 12)).toEqual({ ok: true, values });
        },
      ),
    );
  });
});
