import { expect, it } from 'vitest';
import { parseThrows } from './parseThrows';

it('throws are typed with spaces, commas or degree signs', () => {
  expect(parseThrows(' 0°, 90° ;270 180 ', 4)).toEqual({ throws: [0, 90, 270, 180], faults: {} });
});

it.each([
  ['0 90 360 180', 'Degrees from 0 to under 360, one for each throw.'],
  ['0 90 x 180', 'Degrees from 0 to under 360, one for each throw.'],
  ['0 90 180', '4 throws, and 3 figures.'],
  ['', '4 throws, and 0 figures.'],
  ['90 0 180 270', 'The first throw counts as 0.'],
])('%s cannot be', (text, fault) => {
  expect(parseThrows(text, 4).faults).toEqual({ throws: fault });
});
