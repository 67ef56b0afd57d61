import { describe, expect, it } from 'vitest';
import { fromThou } from '../../foundation/quantity/length';
import type { ShellStock } from './choices';
import { type TypedGrade, newGrade, parseSigned, parseStock, stockFaults, typedStock } from './typedStock';

const standard: ShellStock = {
  id: 'standard',
  name: 'standard',
  gives: 0,
  coat: 0,
  under: 0,
  price: null,
  drawer: null,
};
const less: ShellStock = {
  id: 'less',
  name: '−0.001 in',
  gives: -12_700,
  coat: 7_620,
  under: 250_000,
  price: 31.5,
  drawer: 4,
};
const stock = { main: [standard, less], rod: [standard] };

describe('shells as they are typed', () => {
  it.each([
    ['0.5', 'imperial', 12_700],
    ['-0.5', 'imperial', -12_700],
    ['−0.5', 'imperial', -12_700],
    ['+ 0.5', 'imperial', 12_700],
    ['0.013', 'metric', 13_000],
    ['0', 'metric', 0],
    ['', 'metric', null],
    ['thin', 'metric', null],
  ] as const)('%s in %s is %s nm', (text, units, nm) => expect(parseSigned(text, units)).toBe(nm));

  it('left as they are shown they stay what they were, though what is shown is rounded', () => {
    for (const units of ['imperial', 'metric'] as const)
      expect(parseStock(typedStock(stock, units), units, stock)).toEqual(stock);
  });

  it('a length that is typed anew is taken as it is typed', () => {
    const typed = typedStock(stock, 'imperial');
    const main = typed.main.map((grade) => (grade.id === 'less' ? { ...grade, gives: '1', drawer: '6' } : grade));
    expect(parseStock({ ...typed, main }, 'imperial', stock).main[1]).toEqual({
      ...less,
      gives: fromThou(1),
      drawer: 6,
    });
  });

  it.each<[keyof TypedGrade, string, RegExp]>([
    ['name', ' ', /^Rods: a grade has no name\.$/],
    ['gives', 'x', /“x” is not a difference in thickness/],
    ['coat', '5', /“5” is not the thickness of a coating/],
    ['coat', '-0.1', /not the thickness/],
    ['under', 'x', /“x” is not an undersize/],
    ['price', 'free', /“free” is not a price/],
    ['price', '-1', /not a price/],
    ['drawer', '2.5', /“2\.5” is not a number of half shells/],
  ])('%s “%s” is said at its field', (field, text, says) => {
    const grade = { ...newGrade('g'), name: 'G', gives: '0', [field]: text };
    const faults = stockFaults({ ...typedStock(stock, 'imperial'), rod: [grade] }, 'imperial');
    expect(Object.keys(faults)).toEqual([`rod.g.${field}`]);
    expect(faults[`rod.g.${field}`]).toMatch(says);
  });
});
