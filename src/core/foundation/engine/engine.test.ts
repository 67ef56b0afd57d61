import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Engine, LAYOUTS, NUMBERING_SCHEMES, cylindersOf, engineWords, hasTwoBanks } from './engine';
import { engineFaults } from './engineFaults';

const inline: Engine = {
  layout: 'inline',
  cylinders: 5,
  bankAngle: 0,
  rotation: 'clockwise',
  numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
};
const vee: Engine = {
  ...inline,
  layout: 'vee',
  cylinders: 8,
  bankAngle: 90,
  numbering: { scheme: 'alternate', start: 'front', firstBank: 'left' },
};

const bank = (engine: Engine, side: string): string[] =>
  cylindersOf(engine)
    .filter((c) => c.bank === side)
    .sort((a, b) => a.row - b.row)
    .map((c) => c.label);

describe('numbering', () => {
  it('numbers one bank from the front or from the flywheel', () => {
    expect(bank(inline, 'only')).toEqual(['1', '2', '3', '4', '5']);
    expect(bank({ ...inline, numbering: { ...inline.numbering, start: 'rear' } }, 'only')).toEqual([
      '5',
      '4',
      '3',
      '2',
      '1',
    ]);
  });

  it('numbers odd and even banks', () => {
    expect(bank(vee, 'left')).toEqual(['1', '3', '5', '7']);
    expect(bank(vee, 'right')).toEqual(['2', '4', '6', '8']);
  });

  it('numbers one bank and then the other, from either side', () => {
    const engine: Engine = { ...vee, numbering: { scheme: 'bankByBank', start: 'front', firstBank: 'right' } };
    expect(bank(engine, 'right')).toEqual(['1', '2', '3', '4']);
    expect(bank(engine, 'left')).toEqual(['5', '6', '7', '8']);
  });

  it('letters the banks', () => {
    const engine: Engine = {
      ...vee,
      cylinders: 2,
      numbering: { scheme: 'lettered', start: 'front', firstBank: 'right' },
    };
    expect(cylindersOf(engine).map((c) => [c.id, c.label])).toEqual([
      ['R1', 'A1'],
      ['L1', 'B1'],
    ]);
  });

  it('renumbering moves no cylinder: places stay', () => {
    const places = (engine: Engine): string[] =>
      cylindersOf(engine)
        .map((c) => `${c.id}@${c.row}`)
        .sort();
    expect(places({ ...vee, numbering: { scheme: 'lettered', start: 'rear', firstBank: 'left' } })).toEqual(
      places(vee),
    );
  });

  it('gives every sound engine as many distinct places, labels and spots as it has cylinders', () => {
    const engines = fc
      .record({
        layout: fc.constantFrom(...LAYOUTS),
        cylinders: fc.integer({ min: 1, max: 16 }),
        scheme: fc.constantFrom(...NUMBERING_SCHEMES),
        start: fc.constantFrom('front' as const, 'rear' as const),
        firstBank: fc.constantFrom('left' as const, 'right' as const),
      })
      .map(({ layout, cylinders, scheme, start, firstBank }): Engine => ({
        layout,
        cylinders,
        bankAngle: layout === 'vee' ? 60 : layout === 'flat' ? 180 : 0,
        rotation: 'clockwise',
        numbering: { scheme, start, firstBank },
      }))
      .filter((engine) => engineFaults(engine).length === 0);
    fc.assert(
      fc.property(engines, (engine) => {
        const all = cylindersOf(engine);
        expect(all).toHaveLength(engine.cylinders);
        for (const key of ['id', 'label'] as const) expect(new Set(all.map((c) => c[key])).size).toBe(engine.cylinders);
        expect(new Set(all.map((c) => `${c.deck.x}/${c.deck.y}`)).size).toBe(engine.cylinders);
        expect(all.every((c) => (c.bank === 'only') !== hasTwoBanks(engine.layout))).toBe(true);
      }),
    );
  });
});

describe('what cannot be an engine', () => {
  it.each<[Partial<Engine>, RegExp]>([
    [{ cylinders: 0 }, /1 to 16/],
    [{ cylinders: 17 }, /1 to 16/],
    [{ cylinders: 2.5 }, /whole/],
    [{ cylinders: 1 }, /two cylinders/],
    [{ layout: 'single', cylinders: 2 }, /one cylinder/],
    [{ layout: 'vee', bankAngle: 180 }, /Bank angle/],
    [{ layout: 'flat', bankAngle: 90 }, /Bank angle/],
    [{ bankAngle: 30 }, /Bank angle/],
    [{ numbering: { scheme: 'lettered', start: 'front', firstBank: 'left' } }, /sequence/],
  ])('%j is refused', (change, says) => {
    expect(engineFaults({ ...inline, ...change }).join(' ')).toMatch(says);
  });

  it('finds nothing wrong with a sound one', () => {
    expect(engineFaults(inline)).toEqual([]);
    expect(engineFaults(vee)).toEqual([]);
  });
});

it('says an engine in a few words', () => {
  expect([vee, inline, { ...vee, layout: 'flat' as const, cylinders: 4 }].map(engineWords)).toEqual([
    '90° V8',
    'in-line 5',
    'flat 4',
  ]);
});
