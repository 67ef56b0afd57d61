import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { guarded, tableOf, unguarded } from './csv';

/** Text made of what matters here, and of anything. */
const cells = fc.oneof(
  fc
    .array(
      fc.constantFrom("'", '=', '+', '-', '@', '＝', '＋', '－', '＠', ';', ',', '"', '\t', '\r', '\n', 'a', ' ', '1'),
    )
    .map((c) => c.join('')),
  fc.string(),
);

describe('cells that a spreadsheet would run (published: OWASP, CSV injection)', () => {
  it.each([
    ['=1+1', "'=1+1"],
    ['+1', "'+1"],
    ['-1', "'-1"],
    ['@SUM(A1)', "'@SUM(A1)"],
    ['\tx', "'\tx"],
    ['\rx', "'\rx"],
    ['\nx', "'\nx"],
    ['＝1+1', "'＝1+1"],
    ['a;=1+1', "a;'=1+1"],
    ['a\n=1+1', "a\n'=1+1"],
    ["'=x", "''=x"],
    ['a=b', 'a=b'],
    ["it's", "it's"],
  ])('%j is written as %j', (cell, written) => expect(guarded(cell)).toBe(written));

  it('none is left bare, and each is read back as it was (property)', () => {
    fc.assert(
      fc.property(cells, (cell) => {
        const written = guarded(cell);
        expect(unguarded(written)).toBe(cell);
        for (const part of written.split(/[;,\t\r\n]/)) expect(part).not.toMatch(/^[=+\-@＝＋－＠]/);
        expect(written).not.toMatch(/^[\t\r\n]/);
      }),
      { numRuns: runs(5_000) },
    );
  });

  it('a table is read back as it was', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ a: cells, b: cells }), { minLength: 1, maxLength: 5 }), (rows) => {
        const { data } = Papa.parse<string[]>(tableOf(['a', 'b'], rows), { transform: unguarded });
        expect(data.slice(1)).toEqual(rows.map(({ a, b }) => [a, b]));
      }),
    );
  });
});
