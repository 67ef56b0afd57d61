import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
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
const judged = (...events: RingEvent[]): Passes => passesOf({ events, repeat: fromThou(1), min: fromThou(22) });
const ready = { deburred: true, squared: true };

describe('the passes of a ring', () => {
  it('readings of one setting stand together, and the last is what was called', () => {
    const { reading, repeats, since } = judged(read(22), read(23));
    expect([reading?.value, repeats, since.length]).toEqual([fromThou(23), 2, 2]);
  });

  it('a short ring that reads wider was filed; one in its window that does was not', () => {
    expect(judged(read(17), read(22))).toMatchObject({ filed: true, since: [{ value: fromThou(22) }] });
    expect(judged(read(22), read(26))).toMatchObject({ filed: false, since: [{}, {}] });
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
