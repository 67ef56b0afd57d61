import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
import { type PassReading, type Passes, type RingEvent, passesOf } from './passes';

let count = 0;
const read = (thou: number, change: Partial<PassReading> = {}): RingEvent => {
  count += 1;
  return {
    kind: 'reading',
    reading: {
      id: `r${count}`,
      where: '1/top',
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
const judged = (...events: RingEvent[]): Passes =>
  passesOf({ events, limit: fromThou(1), step: fromThou(1), min: fromThou(22) });
const ready = { deburred: true, squared: true };

describe('the passes of a ring', () => {
  it('readings of one setting within the limit agree, and the last stands', () => {
    const { reading, repeats, wander } = judged(read(22), read(23));
    expect([reading?.value, repeats, wander]).toEqual([fromThou(23), 2, null]);
  });

  // common practice, no source: tight, loose, tight
  it('tight, loose, tight wanders; two that agree afterwards settle it', () => {
    const wandering = [read(22), read(25), read(22)];
    expect(judged(...wandering).wander).toMatchObject({ before: fromThou(25), after: fromThou(22), filed: false });
    expect(judged(...wandering, read(22)).wander).toBeNull();
  });

  it('a short ring that reads wider was filed; one in its window that does wanders', () => {
    expect(judged(read(17), read(22))).toMatchObject({ wander: null, filed: true });
    expect(judged(read(22), read(26)).wander).not.toBeNull();
  });

  it('a ring that reads narrower after a cut did not sit square', () => {
    expect(judged(read(17), cut(6), read(14, ready)).wander).toMatchObject({ filed: true });
  });

  it('a gap that shrinks over a cut disagrees however little, and teaches the filer nothing', () => {
    expect(judged(read(20), cut(3), read(19.5, ready))).toMatchObject({
      wander: { before: fromThou(20), after: fromThou(19.5), filed: true },
      taken: [],
    });
    expect(judged(read(20), read(19.5)).wander).toBeNull();
    expect(judged(read(20), cut(3), read(19, { ...ready, upTo: fromThou(20.5) }))).toMatchObject({
      wander: null,
      taken: [],
    });
  });

  it('readings at another depth or in another bore neither wander nor tell what a cut took', () => {
    expect(judged(read(26), read(22, { where: '1/bottom' }))).toMatchObject({ wander: null, repeats: 1, filed: false });
    expect(judged(read(15), cut(6), read(19, { ...ready, where: '2/top' }))).toMatchObject({
      wander: null,
      filed: true,
      taken: [],
    });
  });

  it('brackets that meet agree', () => {
    expect(judged(read(22, { upTo: fromThou(24) }), read(24)).wander).toBeNull();
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

  it('a ring that is only ever filed never wanders, whatever is taken off', () => {
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
          const { wander, reading, taken } = judged(...events);
          expect(wander).toBeNull();
          expect(reading?.value).toBe(fromThou(gap));
          expect(taken.reduce((sum, t) => sum + t.removed, 0)).toBe(fromThou(gap - first));
        },
      ),
    );
  });
});
