/** Which shells: what is asked of the record, what comes of it, what is bought, and when nothing but grinding helps. */
import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { job, jobEntry, reading } from '@/fixtures/records';
import { judge } from '../../judge/judge';
import { type Nm, fromInches, fromThou } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Entry } from '../../judge/buildRecord';
import { fittedAt } from './fittedShells';
import { type AskedKind, grindingOf, shellAdvice, shellAsk, sided, toBuy, verdictWith } from './shellAdvice';
import { type ShellChoices, type ShellStock, STARTING_JOURNALS, givenBy, startingShells } from './choices';

const six = { ...job.engine, layout: 'inline' as const, cylinders: 6, bankAngle: 0 };
const STAMP = { at: '2026-05-04T09:00:00.000Z', by: 'AB', replaces: null };
const clearance = {
  least: fromThou(1.2),
  aim: { from: fromThou(1.6), to: fromThou(2) },
  most: fromThou(2.4),
  source: 'manual',
};
const bearing = { ...STARTING_JOURNALS.bearings.main, clearance };
const stock = (id: string, gives: Nm, change: Partial<ShellStock> = {}): ShellStock => ({
  ...{ id, name: id, gives, coat: 0, under: 0, price: null, drawer: null },
  ...change,
});

function asked(mains: number[], rods: number[] = [], shells: Partial<ShellChoices> = {}, mainsNoLooser = true) {
  const of = (place: string, thou: number): Entry[] => [
    reading(`${place}-j`, place, 'journal', fromInches(2.36)),
    reading(`${place}-h`, place, 'housing', fromInches(2.36) + fromThou(thou)),
  ];
  return judge({
    id: 's',
    entries: [
      jobEntry({ engine: six, also: ['journals'] }),
      {
        ...STAMP,
        id: 'j',
        kind: 'journals',
        value: { ...STARTING_JOURNALS, bearings: { main: bearing, rod: bearing }, mainsNoLooser },
      },
      { ...STAMP, id: 's', kind: 'shells', value: { ...startingShells('imperial'), ...shells } },
      ...mains.flatMap((thou, i) => of(`M${i + 1}`, thou)),
      ...rods.flatMap((thou, i) => of(String(i + 1), thou)),
    ],
  });
}

describe('a coating', () => {
  it('takes its thickness from what a half gives', () => {
    expect(givenBy({ gives: fromThou(0.5), coat: fromThou(0.3) })).toBe(fromThou(0.2));
    expect(givenBy({ gives: 0, coat: fromThou(0.3) })).toBe(-fromThou(0.3));
  });

  it('counts in what standard halves would give, and in what a coated grade is sold for', () => {
    const coated = stock('coated', 0, { coat: fromThou(0.3) });
    const grades = { main: [stock('std', 0), coated], rod: [stock('std', 0)] };
    const fitted = [{ place: 'M1', upper: 'coated', lower: 'coated' }];
    const [kind] = shellAsk(asked([1.9], [], { stock: grades, fitted })).kinds;
    expect(kind?.bearings[0]?.standard).toBe(fromThou(2.5));
    expect(kind?.grades).toEqual([
      { id: 'std', gives: 0 },
      { id: 'coated', gives: -fromThou(0.3) },
    ]);
  });
});

describe('what is asked', () => {
  it('only bearings that are read and have limits; least is what these tools can show', () => {
    const ask = shellAsk(asked([1.9, 0.8]));
    expect(ask.kinds.map((k) => [k.kind, k.bearings.map((b) => b.id)])).toEqual([['main', ['M1', 'M2']]]);
    const least = ask.kinds[0]?.bearings[0]?.least ?? 0;
    // the least less the grace of a tenth, and 1.645 standard uncertainties of half of U on top
    const u = asked([1.9]).mains[0]?.clearance.uncertainty ?? 0;
    expect(Math.abs(least - (fromThou(1.2) - 2_540 + 1.645 * (u / 2)))).toBeLessThan(10);
    expect(ask.inOrder).toBe(false);
    expect(shellAsk(asked([1.9], [1.9])).inOrder).toBe(true);
    expect(shellAsk(asked([1.9], [1.9], {}, false)).inOrder).toBe(false);
  });

  it('of housing and shells apart, what crush leaves open counts: with as much as is asked for it is right', () => {
    const apart = (thou: number) =>
      judge({
        id: 's',
        entries: [
          jobEntry({ engine: six, also: ['journals'] }),
          {
            ...{ ...STAMP, id: 'j', kind: 'journals' },
            value: { ...STARTING_JOURNALS, method: 'apart', bearings: { main: bearing, rod: bearing } },
          },
          reading('j1', 'M1', 'journal', fromInches(2.36)),
          reading('b1', 'M1', 'bare', fromInches(2.36) + 2 * fromThou(60) + fromThou(thou)),
          { ...reading('s1', 'M1', 'shell', fromThou(60)), place: { depth: 'upper', angle: 0 } },
          { ...reading('s2', 'M1', 'shell', fromThou(60)), place: { depth: 'lower', angle: 0 } },
        ] as Entry[],
      });
    const least = shellAsk(apart(2)).kinds[0]?.bearings[0]?.least ?? 0;
    const at = (nm: Nm): string | undefined => {
      const now = apart(2).mains[0]?.clearance.value ?? 0;
      return apart(2 + (nm - now) / fromThou(1)).mains[0]?.clearance.state;
    };
    expect(at(least + 300)).toBe('in window');
    expect(at(least - fromThou(0.05))).toBe('not proven');
  });

  it('with other halves in, what standard ones would give', () => {
    const fitted = [{ place: 'M1', upper: 'more', lower: 'std' }];
    const [kind] = shellAsk(asked([1.9], [], { fitted })).kinds;
    expect(kind?.bearings[0]).toMatchObject({ now: fromThou(1.9), standard: fromThou(1.4) });
    const other = [{ place: 'M1', upper: 'std', lower: 'more' }];
    expect(shellAsk(asked([1.9], [], { fitted: other })).kinds[0]?.bearings[0]?.standard).toBe(fromThou(1.4));
    expect(fittedAt({ fitted }, 'M2')).toEqual({ place: 'M2', upper: 'std', lower: 'std' });
  });
});

describe('the stock', () => {
  const ground = {
    main: [
      stock('std', 0),
      stock('thin', 12_700),
      stock('ten', 0, { under: 254_000 }),
      stock('ten thin', 12_700, { under: 254_000 }),
    ],
    rod: [stock('std', 0)],
  };

  it('is that of the undersize that is in', () => {
    const gradesOf = (fitted: ShellChoices['fitted']) => {
      const [kind] = shellAsk(asked([1.9], [], { stock: ground, fitted })).kinds;
      return [kind?.grades.map((g) => g.id), kind?.unders, kind?.under];
    };
    expect(gradesOf([])).toEqual([['std', 'thin'], [254_000], 0]);
    expect(gradesOf([{ place: 'M1', upper: 'ten', lower: 'ten' }])).toEqual([['ten', 'ten thin'], [], 254_000]);
  });

  it('says how many other sets come out the same', () => {
    const twice = { main: [stock('std', 0), stock('a', 12_700), stock('b', 12_700)], rod: [stock('std', 0)] };
    const plan = (thou: number) => shellAdvice(shellAsk(asked([thou], [], { stock: twice }))).kinds[0]?.together;
    // both halves of either grade bring it to the aim
    expect(plan(0.8)).toMatchObject({ grades: ['a'], alike: 1 });
    expect(plan(1.8)).toMatchObject({ grades: ['std'], alike: 0 });
  });
});

describe('what comes of it', () => {
  it('agrees with the judge: fitted and measured as told, every bearing that was said to come in is right', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2, max: 32 }), { minLength: 1, maxLength: 7 }),
        fc.constantFrom<ShellChoices['prefer']>('even', 'aim'),
        (tenths, prefer) => {
          const before = asked(
            tenths.map((t) => t / 10),
            [],
            { prefer },
          );
          const [kind] = shellAdvice(shellAsk(before)).kinds;
          const after = asked(
            (kind?.together.fitted ?? []).map((f) => f.clearance / 25_400),
            [],
            { prefer },
          );
          kind?.together.fitted.forEach((f, i) => {
            const { done, state } = after.mains[i]?.clearance ?? {};
            const was = before.mains[i];
            // what is shown beside it is the verdict that the judge then gives
            expect(was && verdictWith(was, f.clearance, before.choices.deciding)).toBe(state);
            if (f.state === 'in') expect([f.journal, done]).toEqual([f.journal, true]);
            if (f.state === 'loose') expect(state).toBe('over');
            if (f.state === 'tight') expect(done).toBe(false);
          });
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('no main looser than any rod where that can be, else each kind by itself and said so', () => {
    const loose = shellAdvice(shellAsk(asked([2.3], [1.8])));
    expect(loose.isInOrder).toBe(true);
    const [m, r] = loose.kinds.map((k) => k.together.fitted[0]?.clearance ?? 0);
    expect(m).toBeLessThanOrEqual(r ?? 0);
    const only = { main: [stock('std', 0)], rod: [stock('std', 0)] };
    expect(shellAdvice(shellAsk(asked([2.3], [1.8], { stock: only }))).isInOrder).toBe(false);
    expect(shellAdvice(shellAsk(asked([2.3])))).toMatchObject({ isInOrder: null });
    expect(shellAdvice({ kinds: [], inOrder: false })).toEqual({ kinds: [], isInOrder: null });
  });
});

describe('halves and packets', () => {
  const judgement = asked([1.9, 1.3, 1.4]);
  const [kind] = shellAdvice(shellAsk(judgement)).kinds;

  it('the thinner half of an odd pair stands on one side in all', () => {
    const plan = kind?.together;
    if (!plan) throw new Error('no plan');
    const odd = {
      ...plan,
      fitted: [{ journal: 'M1', halves: ['std', 'more'] as const, clearance: 0, state: 'in' as const, off: 0 }],
    };
    expect(sided(odd, 'upper')).toEqual([{ place: 'M1', upper: 'more', lower: 'std' }]);
    expect(sided(odd, 'lower')).toEqual([{ place: 'M1', upper: 'std', lower: 'more' }]);
    const gives = (id: string): Nm => judgement.choices.shells.stock.main.find((s) => s.id === id)?.gives ?? 0;
    for (const f of sided(plan, 'upper')) expect(gives(f.upper)).toBeGreaterThanOrEqual(gives(f.lower));
    for (const f of sided(plan, 'lower')) expect(gives(f.lower)).toBeGreaterThanOrEqual(gives(f.upper));
  });

  it('are bought in pairs, less what is in and in the drawer', () => {
    const shells = (drawer: number | null): ShellChoices => ({
      ...startingShells('imperial'),
      stock: { main: [stock('std', 0), stock('more', 12_700, { price: 20, drawer })], rod: [stock('std', 0)] },
    });
    const planned = [
      { place: 'M1', upper: 'more', lower: 'std' },
      { place: 'M2', upper: 'more', lower: 'std' },
      { place: 'M3', upper: 'more', lower: 'more' },
    ];
    const of = (drawer: number | null) =>
      toBuy(planned, shells(drawer), 'main').map((b) => [b.grade.id, b.halves, b.there, b.pairs, b.price]);
    expect(of(null)).toEqual([
      ['std', 2, 2, 0, null],
      ['more', 4, 0, 2, 40],
    ]);
    expect(of(3)).toEqual([
      ['std', 2, 2, 0, null],
      ['more', 4, 3, 1, 20],
    ]);
    expect(of(9)[1]).toEqual(['more', 4, 4, 0, 0]);
  });
});

describe('grinding', () => {
  const kind = (bearings: { journal: number | null; standard: number }[], unders: number[]): AskedKind => ({
    kind: 'main',
    bearings: bearings.map(({ journal, standard }, i) => ({
      id: `M${i + 1}`,
      words: `Main ${i + 1}`,
      now: fromThou(standard),
      standard: fromThou(standard),
      least: fromThou(1.2),
      journal: journal === null ? null : fromInches(journal),
    })),
    grades: [{ id: 'std', gives: 0 }],
    bounds: { aim: fromThou(1.8), most: fromThou(2.4), apart: 0, prefer: 'even' },
    unders: unders.map(fromThou),
    under: 0,
  });

  it('one size for all, with which every housing less the undersize is in', () => {
    const found = grindingOf(
      kind(
        [
          { journal: 2.36, standard: 4.2 },
          { journal: 2.3598, standard: 4.6 },
        ],
        [10],
      ),
    );
    // housings 2.3642 and 2.3644, ten under: 2.3542 and 2.3544
    expect(found).toMatchObject({
      under: fromThou(10),
      from: fromInches(2.352),
      to: fromInches(2.353),
      aim: fromInches(2.3525),
    });
  });

  it('the least undersize that cleans all journals up; none where no undersize does, or a journal was not read', () => {
    const worn = [
      { journal: 2.348, standard: 14 },
      { journal: 2.36, standard: 2 },
    ];
    expect(grindingOf(kind(worn, [10]))).toBeNull();
    expect(grindingOf(kind(worn, [10, 20]))?.under).toBe(fromThou(20));
    expect(grindingOf(kind(worn, []))).toBeNull();
    expect(grindingOf(kind([{ journal: null, standard: 4 }], [10]))).toBeNull();
    // housings that differ by more than the window is wide
    expect(
      grindingOf(
        kind(
          [
            { journal: 2.36, standard: 2 },
            { journal: 2.36, standard: 5 },
          ],
          [10, 20],
        ),
      ),
    ).toBeNull();
  });

  it('as found, every bearing ground to the aim and given those shells is in', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 60 }), { minLength: 1, maxLength: 5 }), (tenths) => {
        const asked = kind(
          tenths.map((t) => ({ journal: 2.36, standard: t / 10 })),
          [10, 20, 30],
        );
        const found = grindingOf(asked);
        const width = (Math.max(...tenths) - Math.min(...tenths)) / 10;
        expect(found === null).toBe(width > 1.2 + 1e-9);
        if (!found) return;
        for (const b of asked.bearings) {
          const after = (b.journal ?? 0) + b.standard - found.under - found.aim;
          expect(after).toBeGreaterThanOrEqual(fromThou(1.2));
          expect(after).toBeLessThanOrEqual(fromThou(2.4));
        }
      }),
    );
  });
});

describe('shells that were decided on', () => {
  it('are said of each bearing they are for, ordered or not, until they are in', () => {
    const said = (change: Partial<ShellChoices>): string[] =>
      asked([1.9, 1.9], [], { stock: { main: [stock('std', 0), stock('x', fromThou(0.5))], rod: [] }, ...change })
        .findings.map(({ says }) => messageText(says, 'imperial'))
        .filter((words) => words.startsWith('Other shells'));
    const fitted = (place: string) => ({ place, upper: 'x', lower: 'x' });
    const ordered = { at: STAMP.at, by: 'AB' };
    expect(said({ planned: [] })).toEqual([]);
    expect(said({ planned: [{ ...fitted('M1'), ordered: null }] })).toEqual([
      'Other shells are planned, and not ordered yet, for main 1: measure again once they are fitted.',
    ]);
    const planned = [
      { ...fitted('M1'), ordered },
      { ...fitted('M2'), ordered },
    ];
    expect(said({ planned })).toEqual([
      'Other shells are ordered for main 1, main 2: measure again once they are fitted.',
    ]);
    expect(said({ planned, fitted: [fitted('M1'), fitted('M2')] })).toEqual([]);
  });
});
