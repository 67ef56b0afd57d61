import fc from 'fast-check';
import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { jobEntry } from '@/fixtures/records';
import { judge } from '../../../judge/judge';
import { fromThou } from '../../../foundation/quantity/length';
import { messageText } from '../../../foundation/quantity/message';
import { fromPoundFeet } from '../../../foundation/quantity/torque';
import type { TightenedEntry } from '../../../record/benchWork';
import type { Entry } from '../../../judge/buildRecord';
import type { FastenerGroup } from './fastenerGroups';
import { isLastOf, parseTightening, wrenchFor } from './parseTightening';
import { type JudgedGroup, isTight, nextOn, torqueRecordOf, openFasteners } from './torqueRecord';
import { randomFrom } from '../../../models/heat/random';
import { type StretchAt, type StretchRate, addFor, rateOf } from './stretch';

let n = 0;
const stamp = (by = 'AB') => {
  n += 1;
  return { id: `b-${n}`, at: new Date(Date.UTC(2026, 4, 4, 9) + n * 1000).toISOString(), by };
};
const MAINS: FastenerGroup = {
  id: 'mains',
  words: 'Mains',
  on: 'engine',
  count: 4,
  lubricant: 'engine oil',
  source: 'the manual',
  steps: [fromPoundFeet(30), fromPoundFeet(60)],
  angle: 90,
  stretch: null,
  order: [3, 1, 2, 4],
  measured: false,
};
const RODS: FastenerGroup = {
  ...MAINS,
  id: 'rods',
  words: 'Rods',
  on: 'rods',
  count: 2,
  steps: [],
  angle: null,
  stretch: { from: fromThou(5), to: fromThou(5.5) },
  order: null,
};
const AT = { group: 'mains', cylinder: 'block', fastener: 1, torque: null, angle: null };
const groups = (...value: FastenerGroup[]): Entry => ({ ...stamp(), kind: 'fasteners', replaces: null, value });
const done = (
  group: string,
  cylinder: string,
  fastener: number,
  what: TightenedEntry['what'],
  more: Partial<TightenedEntry> = {},
): TightenedEntry => ({
  ...stamp(),
  kind: 'tightened',
  group,
  cylinder,
  fastener,
  what,
  torque: null,
  angle: null,
  length: null,
  typed: '',
  ...more,
});
const stretched = (cylinder: string, fastener: number, lbft: number, thou: number) =>
  done('rods', cylinder, fastener, 'stretch', { torque: fromPoundFeet(lbft), length: fromThou(thou) });

const ledger = (...entries: Entry[]): JudgedGroup[] => {
  const judgement = judge({ id: 'b', entries: [jobEntry(), ...entries] });
  return torqueRecordOf(judgement, judgement.cylinders);
};
const one = (...entries: Entry[]): JudgedGroup => {
  const [found] = ledger(...entries);
  if (!found) throw new Error('no group');
  return found;
};
const open = (...entries: Entry[]): string[] =>
  openFasteners(ledger(...entries)).map((o) => messageText(o.says, 'imperial'));

/** Does what is next, until nothing is. */
function through(entries: Entry[], by: (what: TightenedEntry['what']) => string): { entries: Entry[]; made: string[] } {
  const all = [...entries];
  const made: string[] = [];
  for (;;) {
    const { next } = one(...all);
    if (!next) return { entries: all, made };
    made.push(`${next.what}${next.step ?? ''} ${next.cylinder} ${next.fastener}`);
    const { group, cylinder, fastener, what, torque, angle } = next;
    all.push({ ...done(group, cylinder, fastener, what, { torque, angle }), by: by(what) });
  }
}

describe('the tightening ledger', () => {
  it('goes step by step in the printed order, then the angle, then a second round, then the wrench', () => {
    const { made, entries } = through([groups(MAINS)], (what) => (what === 'second' ? 'CD' : 'AB'));
    const round = (what: string) => [3, 1, 2, 4].map((f) => `${what} block ${f}`);
    expect(made).toEqual([...round('step0'), ...round('step1'), ...round('angle'), ...round('second'), 'back block 0']);
    const group = one(...entries);
    expect(group).toMatchObject({ done: 4, seconded: 4, isWrenchBack: true, isSameHand: false });
    expect(group.fasteners.every((f) => f.by === 'AB' && f.secondBy === 'CD')).toBe(true);
    expect(open(...entries)).toEqual([]);
  });

  it('what is open is said at each stage', () => {
    expect(open(groups(MAINS))).toEqual(['Mains: 4 of 4 not tight']);
    const { entries } = through([groups(MAINS)], () => 'AB');
    expect(one(...entries).isSameHand).toBe(true);
    expect(open(...entries.slice(0, -1))).toEqual(['Mains: wrench not set back']);
    expect(open(...entries.slice(0, -2))).toEqual(['Mains: second round, 1 left']);
    expect(open(...entries.slice(0, -6))).toEqual(['Mains: 1 of 4 not tight']);
  });

  it('a step whose figure was changed no longer counts, nor does anything before a part there was machined', () => {
    const { entries } = through([groups(MAINS)], () => 'AB');
    const changed = groups({ ...MAINS, steps: [fromPoundFeet(30), fromPoundFeet(65)] });
    expect(one(...entries, changed)).toMatchObject({ done: 0, next: { what: 'step', step: 1, fastener: 3 } });
    const more = done('mains', 'block', 3, 'step', { torque: fromPoundFeet(65) });
    expect(one(...entries, changed, more).fasteners[2]).toMatchObject({ made: 2, of: 3, state: 'part read' });
    const rods = [groups(RODS), stretched('L1', 1, 50, 5.2), stretched('L1', 2, 50, 5.2)];
    expect(one(...rods).done).toBe(2);
    const renewed: Entry = { ...stamp(), kind: 'renewed', part: 'piston', cylinder: 'L1' };
    expect(one(...rods, renewed).done).toBe(0);
    expect(one(...rods, renewed, stretched('L1', 1, 50, 5.2)).done).toBe(1);
  });

  it('a second round before the last of the first is none', () => {
    const { entries } = through([groups(MAINS)], () => 'AB');
    const again = done('mains', 'block', 3, 'angle', { angle: 90 });
    expect(one(...entries, again)).toMatchObject({ seconded: 3, next: { what: 'second', fastener: 3 } });
    expect(one(...entries, again).isWrenchBack).toBe(false);
  });

  it('goes rod by rod, and stays with a bolt until its stretch is in its range', () => {
    const rods = [groups(RODS)];
    expect(one(...rods).next).toMatchObject({ cylinder: 'L1', fastener: 1, what: 'stretch' });
    rods.push(stretched('L1', 1, 45, 4.4));
    expect(one(...rods).next).toMatchObject({ cylinder: 'L1', fastener: 1 });
    expect(one(...rods).fasteners[0]).toMatchObject({ state: 'short' });
    // the ends of the range belong to it
    expect(one(groups(RODS), stretched('L1', 1, 48, 5)).fasteners[0]).toMatchObject({ state: 'in window' });
    expect(one(groups(RODS), stretched('L1', 1, 48, 5.5)).fasteners[0]).toMatchObject({ state: 'in window' });
    rods.push(stretched('L1', 1, 48, 5.1));
    expect(one(...rods).next).toMatchObject({ cylinder: 'L1', fastener: 2 });
    rods.push(stretched('L1', 2, 50, 5.4));
    expect(one(...rods).next).toMatchObject({ cylinder: 'R1', fastener: 1 });
    expect(one(...rods).spread).toEqual({ least: fromThou(5.1), most: fromThou(5.4) });
  });

  it('a bolt stretched too far is over, holds the short block, is passed by, and may be accepted with a reason', () => {
    const rods = [groups(RODS), stretched('L1', 1, 60, 6)];
    const [bolt] = one(...rods).fasteners;
    expect(bolt?.state).toBe('over');
    expect(open(...rods)[0]).toBe(
      'Rods of rod 1: 1 stretched 6.0 thou, 0.5 thou over: slacken it, measure it, replace it if it stayed longer',
    );
    expect(one(...rods).next).toMatchObject({ cylinder: 'L1', fastener: 2 });
    const accepted: Entry = {
      ...stamp(),
      kind: 'accepted',
      of: bolt?.acceptId ?? '',
      what: 'bolt',
      state: 'over',
      reason: 'new bolt, gauge slipped',
    };
    const after = one(...rods, accepted);
    expect(after.fasteners[0] && isTight(after.fasteners[0])).toBe(true);
    const stops = (...entries: Entry[]) =>
      judge({ id: 'b', entries: [jobEntry(), ...entries] })
        .findings.filter((f) => f.severity === 'stop')
        .map((f) => messageText(f.says, 'imperial'));
    expect(stops(...rods)).toEqual([expect.stringMatching(/^Rods of rod 1: 1 stretched 6.0 thou/)]);
    expect(stops(...rods, accepted)).toEqual([]);
  });

  it('each bolt is measured before it goes in, and one that stayed a thou longer has yielded', () => {
    const rods = [groups({ ...RODS, measured: true })];
    expect(one(...rods).next).toMatchObject({ what: 'free', cylinder: 'L1', fastener: 1 });
    const free = (thou: number) => done('rods', 'L1', 1, 'free', { length: fromThou(thou) });
    rods.push(free(1_600));
    expect(one(...rods).next).toMatchObject({ what: 'free', cylinder: 'L1', fastener: 2 });
    expect(one(...rods, free(1_601)).fasteners[0]).toMatchObject({ state: 'to do', grown: fromThou(1) });
    expect(one(...rods, free(1_601.1)).fasteners[0]).toMatchObject({ state: 'over', grown: fromThou(1.1) });
  });

  it('with no group there is nothing, and nothing is open', () => {
    expect(ledger()).toEqual([]);
    expect(open()).toEqual([]);
  });
});

describe('what bolts stretch, learned', () => {
  const bolt = fc.record({
    level: fc.integer({ min: -4_000, max: 4_000 }),
    at: fc.array(fc.integer({ min: 20_000, max: 90_000 }), { minLength: 1, maxLength: 5 }),
    off: fc.array(fc.integer({ min: -900, max: 900 }), { minLength: 5, maxLength: 5 }),
  });

  it('is the slope of a regression with a level for each bolt (statistics package, on readings about each bolt’s mean)', () => {
    fc.assert(
      fc.property(fc.array(bolt, { minLength: 1, maxLength: 8 }), fc.integer({ min: 1, max: 9 }), (bolts, slope) => {
        const sets = bolts.map(({ level, at, off }): StretchAt[] =>
          at.map((torque, i) => ({ torque, length: torque * slope + level + (off[i] ?? 0) })),
        );
        const mean = (values: number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;
        const centred = sets.flatMap((set) => {
          const [t, s] = [mean(set.map((r) => r.torque)), mean(set.map((r) => r.length))];
          return set.map((r): [number, number] => [r.torque - t, r.length - s]);
        });
        if (centred.every(([t]) => t === 0)) return;
        const found = rateOf(sets);
        expect(found?.rate).toBeCloseTo(linearRegression(centred).m, 6);
      }),
    );
  });

  it('is not known from one reading each: a small step is advised, and a new reading', () => {
    expect(rateOf([])).toBeNull();
    expect(rateOf([[], []])).toBeNull();
    expect(rateOf([[{ torque: 50_000, length: 100_000 }], [{ torque: 40_000, length: 120_000 }]])).toBeNull();
    // 4.2 thou at 45 lb·ft of 5 to 5.5: not 9 lb·ft more; 4.1 after a snug step of 20: not 24 in all
    const step = fromPoundFeet(0.5);
    const advised = (thou: number, poundFeet: number): number =>
      addFor({ torque: fromPoundFeet(poundFeet), length: fromThou(thou) }, range, null, step) / step / 2;
    expect([advised(4.2, 45), advised(4.1, 20), advised(5.2, 45)]).toEqual([2, 1, 0]);
  });

  it('its doubt is that of a slope, with a level taken for each bolt', () => {
    const set = [
      [
        { torque: 40_000, length: 80_000 },
        { torque: 50_000, length: 121_000 },
        { torque: 60_000, length: 160_000 },
      ],
    ];
    // by hand: slope 80 000 / 20 000 = 4; residuals −333.3, 666.7, −333.3; 2 levels and slopes of 3 readings leave 1
    const found = rateOf(set);
    expect(found?.rate).toBeCloseTo(4, 9);
    const scatter = Math.sqrt(2 * 333.333_333 ** 2 + 666.666_667 ** 2);
    expect(found?.doubt).toEqual({
      standard: expect.closeTo(scatter / Math.sqrt(200_000_000), 9) as number,
      freedom: 1,
    });
    // under half a division the gauge is what limits; one bolt says nothing of how bolts differ
    expect(found?.gauge).toEqual({ standard: 1_270, freedom: Infinity });
    expect(found?.between).toEqual({ standard: expect.closeTo(0.4, 9) as number, freedom: Infinity });
  });

  const range = { from: fromThou(5), to: fromThou(5.5) };
  const known = (rate: number, doubt: number | null): StretchRate => ({
    rate,
    doubt: doubt === null ? null : { standard: doubt, freedom: 6 },
    between: { standard: 0.1 * rate, freedom: Infinity },
    gauge: { standard: 1_270, freedom: Infinity },
    bolts: 3,
  });
  const at = (length: number): StretchAt => ({ torque: 60_000, length });

  it('more is advised to the middle of the range, in whole steps of the wrench, and never past its end at the longest', () => {
    // the middle is 19,050 nm away: at 2 nm for each mN·m nineteen whole steps of 500
    expect(addFor(at(fromThou(4.5)), range, known(2, 0.01), 500)).toBe(9_500);
    expect(addFor(at(fromThou(4.5)), range, known(2, 0.6), 500)).toBeLessThan(9_500);
    expect(addFor(at(fromThou(5.1)), range, known(2, 0.01), 500)).toBe(0);
    expect(addFor(at(fromThou(6)), range, known(2, 0.01), 500)).toBe(0);
    expect(addFor(at(fromThou(4.5)), range, known(0, null), 500)).toBe(0);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 127_000 }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.option(fc.double({ min: 0, max: 2, noNaN: true })),
        (length, slope, doubt) => {
          const add = addFor(at(length), range, known(slope, doubt), 678);
          expect(add).toBeGreaterThanOrEqual(0);
          expect(add % 678).toBe(0);
          const standard = Math.hypot(add * Math.hypot(doubt ?? slope * 0.25, 0.1 * slope), 1_270);
          if (add > 0) expect(length + add * slope + 1.99 * standard).toBeLessThanOrEqual(range.to);
        },
      ),
    );
  });

  // independent: bolts whose true rates differ by 10 %, read with a gauge that scatters by 0.05 thou
  it.each([2, 3, 5])(
    'at most one bolt in 44 comes out over its range, by the advice after %d bolts of its set',
    (count) => {
      const { normal, uniform } = randomFrom(7 + count);
      const narrow = { from: fromThou(5), to: fromThou(5.25) };
      let [over, advised] = [0, 0];
      for (let i = 0; i < 20_000; i += 1) {
        const set = 2.2 * (1 + 0.3 * uniform());
        const bolts = Array.from({ length: count + 1 }, () => ({
          rate: set * (1 + 0.1 * normal()),
          seat: 6_000 * normal(),
        }));
        const lengthAt = ({ rate, seat }: { rate: number; seat: number }, torque: number): number =>
          rate * torque + seat - 20_000;
        const read = (bolt: { rate: number; seat: number }, torque: number): StretchAt => ({
          torque,
          length: Math.round(lengthAt(bolt, torque) + 1_270 * normal()),
        });
        const earlier = bolts.slice(1).map((b) => [40_000, 50_000, 58_000].map((torque) => read(b, torque)));
        const [bolt] = bolts;
        if (!bolt) continue;
        const last = read(bolt, 48_000);
        const add = addFor(last, narrow, rateOf([[last], ...earlier]), 678);
        if (add === 0) continue;
        advised += 1;
        over += Number(lengthAt(bolt, last.torque + add) > narrow.to);
      }
      expect(advised).toBeGreaterThan(15_000);
      expect(over / advised).toBeLessThan(0.026);
    },
  );
});

describe('what is typed while bolts are tightened', () => {
  const measured = { ...RODS, measured: true };
  /** What is heard of a text, of the first bolt and what is next of it. */
  const hears = (text: string, units: 'imperial' | 'metric', ...entries: Entry[]) => {
    const judged = one(groups(measured), ...entries);
    const [bolt = null] = judged.fasteners;
    return parseTightening(text, judged, bolt && nextOn(judged, bolt), bolt, units);
  };
  const long = (cylinder: string, fastener: number, mm: number) =>
    done('rods', cylinder, fastener, 'free', { length: mm * 1_000_000 });
  const [first, second] = [long('L1', 1, 45), long('L1', 2, 45)];

  it('a length before it goes in, in inches or millimetres; one far from the others is asked about', () => {
    expect(hears('1.7717', 'imperial')).toMatchObject({
      kind: 'understood',
      value: { length: 45_001_180, torque: null },
    });
    expect(hears('45', 'metric', second)).toMatchObject({ kind: 'understood', says: '45.000 mm' });
    expect(hears('47', 'metric', second)).toMatchObject({ kind: 'understood' });
    expect(hears('47.001', 'metric', second)).toMatchObject({
      kind: 'question',
      ask: '47.001 mm: the others are about 45.000 mm long. Is it right?',
      options: [{ value: { length: 47_001_000, torque: null }, words: 'yes, 47.001 mm' }],
    });
  });

  it.each([
    ['', { kind: 'empty' }],
    ['long', { kind: 'refused' }],
    ['0', { kind: 'refused', why: 'A length is read.' }],
  ])('“%s” is %j', (text, found) => expect(hears(text, 'metric')).toMatchObject(found));

  it('a stretch at the torque that is said with it; where none is and none is known, it is asked for', () => {
    expect(hears('5.2 at 45', 'imperial', first)).toMatchObject({
      value: { length: fromThou(5.2), torque: fromPoundFeet(45) },
      says: '5.2 thou at 45 lb·ft (61 N·m): in its range',
    });
    expect(hears('4.9@45', 'imperial', first)).toMatchObject({ says: expect.stringMatching(/: short$/) as string });
    expect(hears('5.6 @ 45', 'imperial', first)).toMatchObject({ says: expect.stringMatching(/: over$/) as string });
    expect(hears('5.2', 'imperial', first)).toEqual({ kind: 'refused', why: 'At which torque? Accepted: 5.2 at 45.' });
    expect(hears('0.13', 'metric', first)).toEqual({ kind: 'refused', why: 'At which torque? Accepted: 0.13 at 60.' });
    expect(hears('5.2 at tight', 'imperial', first)).toMatchObject({ kind: 'refused' });
  });

  it('a stretch that is less with more torque, or twice what is aimed at, is asked about', () => {
    const at40 = stretched('L1', 1, 40, 4);
    expect(hears('3.9 at 45', 'imperial', first, at40)).toMatchObject({
      kind: 'question',
      ask: 'It had 4.0 thou before: it cannot have less with more torque. Was the gauge zeroed anew?',
    });
    expect(hears('4 at 45', 'imperial', first, at40)).toMatchObject({ kind: 'understood' });
    expect(hears('11.1 at 45', 'imperial', first)).toMatchObject({
      kind: 'question',
      ask: '11.1 thou is more than twice what is aimed at. Is it right?',
    });
  });

  it('nothing where a step is only done', () => {
    const judged = one(groups(MAINS));
    const [bolt = null] = judged.fasteners;
    expect(parseTightening('60', judged, judged.next, bolt, 'imperial')).toMatchObject({ kind: 'refused' });
    expect(parseTightening('60', judged, null, null, 'imperial')).toMatchObject({ kind: 'refused' });
  });

  it('the wrench is set to what others came in at, and a bolt that is short to a little more than it had', () => {
    const others = [stretched('L1', 2, 46, 5.2), stretched('R1', 1, 44, 5.1)];
    const judged = one(groups(RODS), ...others);
    const [bolt] = judged.fasteners;
    if (!bolt) throw new Error('no bolt');
    expect(wrenchFor(judged, bolt, 'imperial')).toEqual({ torque: fromPoundFeet(44), add: 0 });
    const short = one(groups(RODS), stretched('L1', 1, 40, 4));
    const { torque, add } = wrenchFor(short, short.fasteners[0] ?? bolt, 'imperial');
    expect(add).toBe(4 * fromPoundFeet(0.5));
    expect(torque).toBe(fromPoundFeet(40) + add);
  });

  it('a bolt is marked with the last of its figure, and never before', () => {
    const next = (what: TightenedEntry['what'], step: number | null = null) => ({ ...AT, what, step });
    expect(isLastOf(MAINS, next('step', 1))).toBe(false);
    expect(isLastOf(MAINS, next('angle'))).toBe(true);
    expect(isLastOf({ ...MAINS, angle: null }, next('step', 0))).toBe(false);
    expect(isLastOf({ ...MAINS, angle: null }, next('step', 1))).toBe(true);
    expect(isLastOf(RODS, next('stretch'))).toBe(true);
    expect(isLastOf(RODS, next('second'))).toBe(false);
  });
});
