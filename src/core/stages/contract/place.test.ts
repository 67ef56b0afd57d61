import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEPTHS } from '../../foundation/parts/spots';
import { placeFrom, placeText } from './place';

const CYLINDERS = [
  { id: 'L1', label: 'A1' },
  { id: 'R1', label: '12' },
];
const SUBJECTS = ['top', 'bore', 'piston'] as const;

describe('a place in an address', () => {
  it('leads back to itself (property)', () => {
    fc.assert(
      fc.property(
        fc.record({
          cylinder: fc.constantFrom('L1', 'R1'),
          subject: fc.constantFrom(...SUBJECTS),
          spot: fc.option(fc.record({ depth: fc.constantFrom(...DEPTHS), angle: fc.integer({ min: 0, max: 179 }) })),
        }),
        (at) => {
          expect(placeFrom(placeText(at, CYLINDERS), CYLINDERS, SUBJECTS)).toEqual(at);
        },
      ),
    );
  });

  it.each(['', '9.top', '12.third', 'L1.top', '12', '..'])('%j is none of this engine', (text) => {
    expect(placeFrom(text, CYLINDERS, SUBJECTS)).toBeNull();
  });

  it('a spot that cannot be is left out', () => {
    expect(placeFrom('12.bore.nowhere.90', CYLINDERS, SUBJECTS)?.spot).toBeNull();
    expect(placeFrom('12.bore.top.400', CYLINDERS, SUBJECTS)?.spot).toBeNull();
    expect(placeFrom('12.bore.top', CYLINDERS, SUBJECTS)?.spot).toBeNull();
  });
});
