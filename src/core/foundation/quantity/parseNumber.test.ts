import { expect, it } from 'vitest';
import { parseNumber } from './parseNumber';

it.each([
  ['1.5', 1.5],
  [' 1,5 ', 1.5],
  ['.5', null],
  ['2', 2],
  ['2.1', null],
  ['−1', null],
  ['1e0', null],
  ['two', null],
  ['', null],
])('“%s” from 1 to 2 is %s', (text, value) => {
  const heard = parseNumber(text, { least: 1, most: 2 });
  expect(heard).toEqual(
    value === null ? { kind: 'refused', why: 'Enter a number from 1 to 2.' } : { kind: 'understood', value },
  );
});
it('is whole where that is asked, and empty where it may be', () => {
  expect(parseNumber('1.5', { least: 1, most: 2, whole: true })).toMatchObject({
    why: 'Enter a whole number from 1 to 2.',
  });
  expect(parseNumber(' ', { least: 1, most: 2, optional: true })).toEqual({ kind: 'empty' });
});
