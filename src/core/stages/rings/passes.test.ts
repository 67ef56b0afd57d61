import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { type PassReading, type Passes, type RingEvent, passesOf, shrunkOver } from './passes';

let count = 0;
const read = (thou: number, change: Partial<PassReading> = {}): RingEvent => {
  count += 1;
  return {
    kind: 'reading',
    reading: {
      id: `r${count}`,
      cylinder: '1',
      depth: 'top',
      step: fromThou(1),
      leaf: 5_080,
      cooled: 0,
      heat: 0,
      value: fromThou(thou),
      upTo: null,
      open: false,
      deburred: false,
      squared: false,
      ...change,
    },
  };
};
const cut = (turns: number | null, filer: string | null = 'hand.1'): RingEvent => ({
  kind: 'cut',
  id: `c${turns}`,
  filer,
  count: turns,
});
const answered = (answers: Record<string, boolean>, ...events: RingEvent[]): Passes =>
  passesOf({ events, repeat: fromThou(1), home: '1', bores: new Map(), answers: new Map(Object.entries(answers)) });
const judged = (...events: RingEvent[]): Passes => answered({}, ...events);
const ready = { deburred: true, squared: true };

describe('the passes of a ring', () => {
  it('readings of one setting stand together, and the last is what was called', () => {
    const { reading, repeats, since } = judged(read(22), read(23));
    expect([reading?.value, repeats, since.length]).toEqual([fromThou(23), 2, 2]);
  });

  it('a gap that grew with no cut logged is taken as filed, and asked about', () => {
    const grown = judged(read(17), read(22));
    expect(grown).toMatchObject({ filed: true, since: [{ value: fromThou(22) }] });
    expect(grown.growth).toMatchObject({
      over: { value: fromThou(17) },
      reading: { value: fromThou(22) },
      taken: true,
    });
    expect(grown.unlogged.size).toBe(1);
    // a leaf apart is what the hand explains
    expect(judged(read(17), read(18))).toMatchObject({ filed: false, growth: null, since: [{}, {}] });
  });

  it('it is settled by an answer, by a second reading, by a cut or by deburring', () => {
    const [narrow, wide] = [read(17), read(22)];
    const id = wide.kind === 'reading' ? wide.reading.id : '';
    for (const settled of [
      answered({ [id]: true }, narrow, wide),
      judged(narrow, wide, read(22)),
      judged(narrow, wide, cut(2)),
      judged(narrow, read(22, { deburred: true })),
    ])
      expect([settled.growth, settled.filed]).toEqual([null, true]);
    const denied = answered({ [id]: false }, narrow, wide);
    expect(denied).toMatchObject({ growth: null, filed: false, since: [{}, {}], notFiled: new Set([id]) });
    // as narrow as before: it was not filed
    expect(judged(narrow, wide, read(17))).toMatchObject({ growth: null, filed: false, since: [{}, {}, {}] });
  });

  it('a creep leaf by leaf ends at the last, not at the first', () => {
    const crept = judged(read(13), read(14), read(15), read(16));
    expect(crept.since.map((r) => r.value)).toEqual([fromThou(15), fromThou(16)]);
    expect(crept.unlogged.size).toBe(1);
  });

  it('across depths of a measured bore it is compared as a length', () => {
    const girth = (depth: 'top' | 'bottom', inches: number) => ({
      depth,
      mean: fromInches(inches),
      own: 0,
      freedom: Infinity,
    });
    const tapered = { label: '1', girths: [girth('top', 4.001), girth('bottom', 4)], round: 0, gauge: 'g', tool: 0 };
    const ask = { repeat: fromThou(1), home: '1', bores: new Map([['1', tapered]]), answers: new Map() };
    // 28 at the top is 24.9 at the bottom; 28 there was filed, 25 there was not
    const { growth } = passesOf({ ...ask, events: [read(28), read(28, { depth: 'bottom' })] });
    expect(growth).toMatchObject({ taken: true });
    expect(passesOf({ ...ask, events: [read(28), read(25, { depth: 'bottom' })] }).growth).toBeNull();
  });

  it('at depths that cannot be compared it is asked, and until then the narrower counts; what may be older is told apart', () => {
    const bottom = { depth: 'bottom' as const };
    const [first, below, wide] = [read(15), read(16, bottom), read(19)];
    const id = wide.kind === 'reading' ? wide.reading.id : '';
    expect(judged(read(15), read(19, bottom))).toMatchObject({
      growth: { taken: false },
      filed: false,
      since: [{}, {}],
    });
    const answer = answered({ [id]: true }, first, below, wide);
    expect([answer.since.map((r) => r.value), answer.undated.size]).toEqual([[fromThou(16), fromThou(19)], 1]);
    // read there again: as before, or wider since
    expect(answered({ [id]: true }, first, below, wide, read(16, bottom))).toMatchObject({ undated: new Set() });
    const wider = answered({ [id]: true }, first, below, wide, read(20, bottom));
    expect(wider.since.map((r) => r.value)).toEqual([fromThou(19), fromThou(20)]);
    expect(wider.growth).toBeNull();
  });

  it('a ring that reads narrower over a cut is settled by a second reading there', () => {
    expect(shrunkOver(judged(read(20), cut(3), read(18, ready)))).toBe(fromThou(2));
    expect(shrunkOver(judged(read(20), cut(3), read(18, ready), read(18)))).toBe(0);
    expect(shrunkOver(judged(read(20), cut(3), read(18, ready), read(21)))).toBe(0);
    expect(shrunkOver(judged(read(20), cut(3), read(18, ready), read(16)))).toBe(fromThou(2));
  });

  it('a gap that shrinks over a cut did not sit square, however little it does, and teaches the filer nothing', () => {
    const shrunk = (...events: RingEvent[]): [number, number] => {
      const found = judged(...events);
      return [shrunkOver(found), found.taken.length];
    };
    expect(shrunk(read(20), cut(3), read(19.5, ready))).toEqual([fromThou(0.5), 0]);
    expect(shrunk(read(17), cut(6), read(14, ready))).toEqual([fromThou(3), 0]);
    expect(shrunk(read(20), cut(3), read(19, { ...ready, upTo: fromThou(20.5) }))).toEqual([0, 0]);
    expect(shrunk(read(20), read(19.5))).toEqual([0, 0]);
    expect(shrunk(read(20), cut(3), read(23, ready))).toEqual([0, 1]);
  });

  it('readings at another depth or in another bore are no repeats, nor do they tell what a cut took', () => {
    expect(judged(read(26), read(22, { depth: 'bottom' }))).toMatchObject({
      repeats: 1,
      filed: false,
      since: [{}, {}],
    });
    expect(judged(read(15), cut(6), read(19, { ...ready, cylinder: '2' }))).toMatchObject({
      filed: true,
      taken: [],
      before: null,
    });
  });

  it('a reading after filing is marked only where it was neither deburred nor squared', () => {
    expect([...judged(read(17), cut(6), read(20)).unprepared]).toHaveLength(1);
    for (const done of [{ deburred: true }, { squared: true }])
      expect([...judged(read(17), cut(6), read(20, done)).unprepared]).toEqual([]);
    expect([...judged(read(17), read(17)).unprepared]).toEqual([]);
  });

  it('a cut after the reading in force leaves it outdated', () => {
    expect(judged(read(17), cut(6)).cutsSince).toBe(1);
    expect(judged(read(17), cut(6), read(20)).cutsSince).toBe(0);
  });

  it('what cuts took off: two with one filer count together, uncounted ones and two filers not at all', () => {
    expect(judged(read(15), cut(6), cut(4), read(20, ready)).taken).toEqual([
      { ids: ['c6', 'c4'], filer: 'hand.1', count: 10, removed: fromThou(5) },
    ]);
    expect(judged(read(15), cut(6), cut(null), read(20, ready)).taken).toEqual([]);
    expect(judged(read(15), cut(6), cut(4, 'other.1'), read(20, ready)).taken).toEqual([]);
    expect(judged(read(15), cut(6, null), read(20, ready)).taken).toEqual([]);
    expect(judged(read(15, { open: true }), cut(6), read(20, ready)).taken).toEqual([]);
  });

  it('a ring that is only ever filed never shrinks, whatever is taken off', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 21 }),
        fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 8 }),
        (first, cuts) => {
          let gap = first;
          const events = [read(gap)];
          for (const taken of cuts) {
            gap += taken;
            events.push(cut(1), read(gap, ready));
          }
          const found = judged(...events);
          const { reading, taken } = found;
          expect(shrunkOver(found)).toBe(0);
          expect(reading?.value).toBe(fromThou(gap));
          expect(taken.reduce((sum, t) => sum + t.removed, 0)).toBe(fromThou(gap - first));
        },
      ),
    );
  });
});
