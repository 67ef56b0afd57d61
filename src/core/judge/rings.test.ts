import { describe, expect, it } from 'vitest';
import { boreReading, gap, jobEntry, record, reading } from '@/fixtures/records';
import { fromInches, fromMm, fromThou, toInches } from '../foundation/quantity/length';
import { STARTING_RING_SET } from '../stages/rings/set';
import { messageText } from '../foundation/quantity/message';
import { judge } from './judge';
import type { Judgement } from './judgement';
import { stepOn } from './nextTask';
import type { Entry } from './buildRecord';
import type { RingFit } from '../record/reading';
import { startingChoices } from '../models/targets/papers';
import { STARTING_BENCH, STARTING_PLACING } from '../stages/rings/choices';
import type { JudgedRing } from '../stages/rings/ringGap';
import { ringAdvice } from '../stages/rings/words';

const AT = '2026-05-04T09:00:00.000Z';
const stamp = (id: string) => ({ id, at: AT, by: 'AB' });
const fit = (ring: string, change: Partial<RingFit> = {}): RingFit => ({
  ring,
  depth: null,
  squaring: null,
  deburred: true,
  squared: true,
  open: false,
  ...change,
});
const fitted = (
  id: string,
  cylinder: string,
  thou: number,
  change: Partial<RingFit> & { upTo?: number } = {},
): Entry => {
  const { upTo, ...rest } = change;
  return {
    ...reading(id, cylinder, 'top', fromThou(thou), upTo === undefined ? null : fromThou(upTo)),
    fit: fit(rest.ring ?? cylinder, rest),
  };
};
const cut = (id: string, cylinder: string, count: number | null, filer: string | null = 'hand.1'): Entry => ({
  ...stamp(id),
  kind: 'cut',
  cylinder,
  ring: 'top',
  filer,
  count,
});
/** A bore of so many inches at the top, the middle and the bottom, alike in both directions. */
const bore = (cylinder: string, ...inches: [number, number, number]): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth, i) =>
    [90, 0].map((angle) =>
      boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches[i] ?? 0)),
    ),
  );
const top = (judgement: Judgement, cylinder = 'L1'): JudgedRing => {
  const found = judgement.cylinders.find((c) => c.id === cylinder);
  if (!found) throw new Error(`no cylinder ${cylinder}`);
  return found.rings.top;
};
const advice = (ring: JudgedRing): string => messageText(ringAdvice(ring), 'imperial');
const said = (judgement: Judgement): string =>
  judgement.findings.map((f) => messageText(f.says, 'imperial')).join('\n');
// On 4.065 in the top window is 21 to 24 thou, its limit 26.

describe('the gap that counts', () => {
  it('wide enough where it was read, short where the bore is smallest: short, and filed for there', () => {
    const ring = top(judge(record(...bore('L1', 4.066, 4.0655, 4.065), fitted('a', 'L1', 21, { depth: 'top' }))));
    const there = fromThou(21.5) - Math.PI * fromThou(1);
    expect(ring.counts).toMatchObject({ value: Math.round(there), depth: 'bottom' });
    expect(ring).toMatchObject({ state: 'short', differs: true, called: { value: fromThou(21) } });
    expect(ring.toComeOff?.toAim).toBe(fromThou(21) - Math.round(there));
    expect(advice(ring)).toMatch(/short where the bore is smallest/);
  });

  // the top 0.4 thou wider than the bottom: about 21.2 there
  it('22 read at the top of a bore that is 0.4 thou smaller below is not proven against a sheet’s 22', () => {
    const sheet: Entry = {
      ...stamp('t'),
      kind: 'targets',
      replaces: null,
      value: {
        ...startingChoices('imperial'),
        gaps: {
          ...startingChoices('imperial').gaps,
          top: { sheet: { form: 'minimum', min: fromThou(22), from: 'sheet' }, manual: null, own: null },
        },
      },
    };
    const ring = top(
      judge(record(sheet, ...bore('L1', 4.0654, 4.0652, 4.065), fitted('a', 'L1', 22, { depth: 'top' }))),
    );
    expect(ring).toMatchObject({ state: 'not proven', done: false, differs: true });
    expect(advice(ring)).toMatch(/about (three|four|five) in (four|five|six) that|One light stroke/);
  });

  it('17 at the bottom and 21 at the top: short in either order, and in a measured straight bore both are named', () => {
    const two = [fitted('a', 'L1', 17, { depth: 'bottom' }), fitted('b', 'L1', 21, { depth: 'top' })].map((e) => ({
      ...e,
      fit: { ...(e as { fit: RingFit }).fit, deburred: false },
    })) as [Entry, Entry];
    // wider afterwards it may have been filed since, which is asked, and holds until it is answered
    const notFiled: Entry = { ...stamp('f'), kind: 'filed', of: 'b', was: false };
    for (const readings of [[...two, notFiled], two.toReversed()]) {
      expect(top(judge(record(...readings)))).toMatchObject({ state: 'short', done: false });
      const judgement = judge(record(...bore('L1', 4.065, 4.065, 4.065), ...readings));
      expect(top(judgement)).toMatchObject({ state: 'short', done: false, growth: null });
      expect(advice(top(judgement))).toMatch(/disagree by 3 thou: 17 thou and 21 thou.*taper/);
      expect(said(judgement)).toContain('disagree');
    }
    const judgement = judge(record(...bore('L1', 4.065, 4.065, 4.065), ...two));
    expect(top(judgement)).toMatchObject({ done: false, growth: { reading: 'b', advised: true, taken: true } });
  });

  it('a reading squared with a domed piston alone is not done; one squared otherwise makes it so', () => {
    const domed = fitted('a', 'L1', 22, { squaring: 'domedPiston' });
    const once = top(judge(record(domed)));
    expect(once).toMatchObject({ state: 'in window', asksSquaring: true, done: false });
    expect(advice(once)).toMatch(/square it otherwise/);
    const again = { ...fitted('b', 'L1', 22, { squaring: 'tool', deburred: false }) };
    expect(top(judge(record(domed, again)))).toMatchObject({ state: 'in window', asksSquaring: false, done: true });
  });

  it('what counts stands beside what was called where it lies further from it than half a leaf, with one verdict', () => {
    const at = (inches: number) =>
      top(judge(record(...bore('L1', inches, 4.065, 4.065), fitted('a', 'L1', 24, { depth: 'top' }))));
    expect(at(4.0651)).toMatchObject({ differs: false, state: 'in window', counts: { value: fromThou(24) } });
    expect(at(4.0653)).toMatchObject({ differs: true, state: 'in window' });
    expect(at(4.0653).counts?.value).toBe(Math.round(fromThou(24.5) - Math.PI * fromThou(0.3)));
  });

  it('read at the bottom it is the reading itself', () => {
    const ring = top(judge(record(...bore('L1', 4.066, 4.0655, 4.065), fitted('a', 'L1', 22, { depth: 'bottom' }))));
    expect(ring).toMatchObject({ state: 'in window', differs: false, counts: { value: fromThou(22), asRead: true } });
  });

  it('a bore machined since leaves the ring to be read again', () => {
    const honed: Entry = { ...stamp('h'), kind: 'renewed', part: 'bore', cylinder: 'L1' };
    expect(top(judge(record(fitted('a', 'L1', 22), honed))).state).toBe('to do');
    expect(top(judge(record(fitted('a', 'L1', 22), honed, fitted('b', 'L1', 22)))).state).toBe('in window');
  });
});

describe('a ring gap at 20 °C', () => {
  const warm = (surface: 'iron' | 'plated', celsius: number | null) =>
    top(
      judge(
        record(jobEntry({ surface, plannedBore: fromInches(4.065) }), ...bore('L1', 4.0654, 4.0652, 4.065), {
          ...fitted('a', 'L1', 23, { depth: 'bottom' }),
          temperature: celsius,
        } as Entry),
      ),
    );
  const thou = (nm: number): number => toInches(nm) * 1000;

  // independent: π × 4.065 × (21.5 − 11.2)·10⁻⁶ × 10 K = 1.315 thou; iron π × 4.065 × (10.8 − 11.2)·10⁻⁶ × 10 K = −0.051
  it('is 1.3 thou narrower than read at 30 °C in a plated aluminium bore, 0.05 wider in iron', () => {
    const plated = warm('plated', 30);
    expect(thou(plated.counts?.low ?? 0)).toBeCloseTo(23 - 1.315, 2);
    expect(plated).toMatchObject({ called: { value: fromThou(23) }, differs: true, counts: { asRead: false } });
    expect(thou(plated.counts?.cooled ?? 0)).toBeCloseTo(-1.315, 2);
    const iron = warm('iron', 30);
    expect(thou(iron.counts?.low ?? 0)).toBeCloseTo(23.051, 2);
    expect(iron).toMatchObject({ differs: false, counts: { value: fromThou(23), asRead: true } });
  });

  it('with no temperature entered is known 0.23 thou less well in aluminium, and hardly in iron', () => {
    const leaf = 0.2 / Math.sqrt(3);
    const of = (surface: 'iron' | 'plated', celsius: number | null): number =>
      thou(warm(surface, celsius).counts?.standard ?? 0);
    const heat = (of: number, kelvin: number): number => (Math.PI * 4065 * of * kelvin) / Math.sqrt(3);
    expect(of('plated', null)).toBeCloseTo(Math.hypot(leaf, heat(10.3e-6, 3)), 3);
    expect(heat(10.3e-6, 3)).toBeCloseTo(0.228, 2);
    expect(of('plated', 20)).toBeCloseTo(Math.hypot(leaf, heat(10.3e-6, 1)), 3);
    expect(of('iron', null)).toBeCloseTo(leaf, 3);
  });

  it('two readings of one ring, warm and cold, agree where their temperatures explain it', () => {
    const at = (id: string, value: number, celsius: number): Entry =>
      ({ ...fitted(id, 'L1', value, { depth: 'bottom', deburred: false }), temperature: celsius }) as Entry;
    const of = (second: number): JudgedRing =>
      top(
        judge(
          record(jobEntry({ surface: 'plated', plannedBore: fromInches(4.065) }), at('a', 24, 20), at('b', 26, second)),
        ),
      );
    expect(of(35).growth).toBeNull();
    expect(of(20).growth).toMatchObject({ taken: true });
  });
});

describe('a ring in another cylinder', () => {
  const placing: Entry = {
    ...stamp('p'),
    kind: 'placing',
    replaces: null,
    value: {
      ...STARTING_PLACING,
      top: {
        pairs: [
          { cylinder: 'L1', ring: 'R1' },
          { cylinder: 'R1', ring: 'L1' },
        ],
        locked: [],
      },
    },
  };
  const bores = [...bore('L1', 4.065, 4.065, 4.065), ...bore('R1', 4.066, 4.066, 4.066)];

  it('is predicted there by π times the change in diameter, and says where it was read', () => {
    const judgement = judge(record(...bores, fitted('a', 'L1', 21), fitted('b', 'R1', 26), placing));
    const ring = top(judgement);
    expect(ring).toMatchObject({ number: 'R1', state: 'in window', readIn: { cylinder: 'R1' }, done: true });
    expect(ring.counts?.value).toBe(Math.round(fromThou(26.5) - Math.PI * fromThou(1)));
    expect(top(judgement, 'R1').counts?.value).toBe(Math.round(fromThou(21.5) + Math.PI * fromThou(1)));
    expect(judgement.placing.top.standing.placed.map((p) => p.ring)).toEqual(['R1', 'L1']);
  });

  it('is not proven by less than what the bores leave in doubt', () => {
    // the product 20.325 less half a thou
    const least = fromThou(19.825) + Math.round(Math.PI * fromThou(1));
    const at = (more: number): string => {
      const read = { ...fitted('b', 'R1', 0), value: least + more } as Entry;
      return top(judge(record(...bores, read, placing))).state;
    };
    expect(at(1_000)).toBe('not proven');
    expect(at(fromThou(2))).toBe('in window');
  });

  it('a reading there takes its place; without measured bores nothing is predicted', () => {
    expect(
      top(
        judge(
          record(
            ...bores,
            fitted('a', 'L1', 21),
            fitted('b', 'R1', 26),
            placing,
            fitted('c', 'L1', 23, { ring: 'R1', deburred: false, squared: false }),
          ),
        ),
      ),
    ).toMatchObject({ readIn: null, state: 'in window', done: true, counts: { disagreement: null } });
    const blind = top(judge(record(fitted('b', 'R1', 22), placing)));
    expect(blind).toMatchObject({ counts: null, state: 'not proven', done: false });
    expect(advice(blind)).toMatch(/read it here/);
  });

  it('a ring read in the wrong bore is predicted in its own without measuring again', () => {
    const wrong = top(judge(record(...bores, fitted('a', 'R1', 24, { ring: 'L1' }))));
    expect(wrong).toMatchObject({ number: 'L1', readIn: { cylinder: 'R1' } });
    expect(wrong.counts?.value).toBe(Math.round(fromThou(24.5) - Math.PI * fromThou(1)));
  });

  it('pairs that name a ring twice are not followed', () => {
    const twice: Entry = {
      ...placing,
      value: { ...STARTING_PLACING, top: { pairs: [{ cylinder: 'L1', ring: 'R1' }], locked: [] } },
    };
    expect(top(judge(record(fitted('b', 'R1', 22), twice))).number).toBe('L1');
  });
});

describe('filing', () => {
  it('a cut leaves the reading outdated until it is read again, and what it took is kept with the filer', () => {
    const outdated = top(judge(record(fitted('a', 'L1', 12), cut('c', 'L1', 10))));
    expect(outdated).toMatchObject({ cutsSince: 1, done: false, advice: null });
    const judgement = judge(record(fitted('a', 'L1', 12), cut('c', 'L1', 10), fitted('b', 'L1', 17)));
    expect(top(judgement).taken).toEqual([{ id: 'c', filer: 'hand.1', count: 10, removed: fromThou(5) }]);
    expect(judgement.rates).toMatchObject([
      { filer: 'hand', metal: 'unknown', own: { cuts: 1 }, rate: { fit: { slope: fromThou(0.5) } } },
    ]);
    expect(top(judgement).advice?.turns[0]).toMatchObject({ filer: 'hand', count: 8 });
  });

  it('the first cut is advised by feel where nothing is known of the filer', () => {
    expect(top(judge(record(fitted('a', 'L1', 12)))).advice).toMatchObject({
      first: true,
      take: fromThou(5),
      turns: [],
    });
  });

  it('the shop’s other engines count, for the same metal only', () => {
    const shop = (metal: 'steel' | 'greyIron'): Entry => ({
      ...stamp('r'),
      kind: 'rate',
      filer: 'hand',
      metal,
      sums: { cuts: 9, xx: 900, xy: 900 * fromThou(0.5), yy: 900 * fromThou(0.5) ** 2 },
    });
    const set: Entry = {
      ...stamp('s'),
      kind: 'ringSet',
      replaces: null,
      value: { ...STARTING_RING_SET, top: { ...STARTING_RING_SET.top, metal: 'steel' } },
    };
    expect(top(judge(record(set, shop('steel'), fitted('a', 'L1', 12)))).advice?.turns).toHaveLength(1);
    expect(top(judge(record(set, shop('greyIron'), fitted('a', 'L1', 12)))).advice?.turns).toEqual([]);
  });

  const sheetOf = (min: number, max: number): Entry => ({
    ...stamp('t'),
    kind: 'targets',
    replaces: null,
    value: {
      ...startingChoices('imperial'),
      gaps: {
        ...startingChoices('imperial').gaps,
        top: { sheet: { form: 'range', min, max, hardTop: false, aim: null, from: 'sheet' }, manual: null, own: null },
      },
    },
  });
  const filedBefore = (of: string, was: boolean): Entry => ({ ...stamp(`f ${of}`), kind: 'filed', of, was });
  /** One ring called leaf by leaf, in thou or as pairs of leaves, with nothing said of filing. */
  const called = (...gaps: (number | [number, number])[]): Entry[] =>
    gaps.map((gap, i) => {
      const [goes, not] = typeof gap === 'number' ? [gap] : gap;
      return fitted(`p${i}`, 'L1', goes, { deburred: false, ...(not === undefined ? {} : { upTo: not }) });
    });
  const wide = sheetOf(fromThou(20), fromThou(24));

  it('17, 17, then 21 squared anew, limit 20: asked whether it was filed; nothing is forgotten in silence', () => {
    const ring = top(judge(record(wide, ...called(17, 17, 21))));
    expect(ring).toMatchObject({ state: 'in window', done: false, unlogged: ['p2'] });
    expect(ring.growth).toMatchObject({
      reading: 'p2',
      over: 'p0',
      before: fromThou(17),
      now: fromThou(21),
      advised: true,
    });
    expect(advice(ring)).toBe(
      '17 thou before, 21 thou now, and no cut is logged. Filed since: Enter. Not filed: F. Or read it once more.',
    );
    const yes = top(judge(record(wide, ...called(17, 17, 21), filedBefore('p2', true))));
    expect(yes).toMatchObject({ state: 'in window', done: true, growth: null, filed: true });
    const no = top(judge(record(wide, ...called(17, 17, 21), filedBefore('p2', false))));
    expect(no).toMatchObject({ state: 'short', done: false, growth: null });
    expect(advice(no)).toMatch(/disagree: 17 thou and 21 thou/);
    expect(top(judge(record(wide, ...called(17, 17, 21, 21))))).toMatchObject({ done: true, growth: null });
    expect(top(judge(record(wide, ...called(17, 17, 21, 17))))).toMatchObject({
      state: 'short',
      growth: null,
      filed: false,
    });
  });

  it('an answer that was struck out is asked for again', () => {
    const undone: Entry = { ...stamp('v'), kind: 'void', of: 'f p1', reason: 'slip' };
    const growth = top(judge(record(wide, ...called(17, 21), filedBefore('p1', true), undone))).growth;
    expect(growth).not.toBeNull();
  });

  it('a ring crept up leaf by leaf in a straight bore is not short, whatever it began with', () => {
    const limits = sheetOf(fromThou(15.24), fromThou(20));
    const crept = top(judge(record(limits, ...called([13, 14], [14, 15], [15, 16], [16, 17]))));
    expect(crept).toMatchObject({ state: 'in window', done: true, unlogged: ['p2'] });
  });

  it('28 at the bottom, repeated, outlasts what the top told before it was filed', () => {
    const tapered = bore('L1', 4.066, 4.0655, 4.065);
    const sheet = sheetOf(fromThou(26), fromThou(29));
    const at = (depth: 'top' | 'bottom', id: string, thou: number): Entry =>
      fitted(id, 'L1', thou, { depth, deburred: false });
    const risen = [at('top', 'a', 22), at('top', 'b', 26), at('top', 'c', 27), at('top', 'd', 28)];
    expect(top(judge(record(sheet, ...tapered, ...risen)))).toMatchObject({ state: 'not proven', done: false });
    const below = [...risen, at('bottom', 'e', 28)];
    expect(top(judge(record(sheet, ...tapered, ...below)))).toMatchObject({
      state: 'in window',
      growth: { reading: 'e' },
    });
    const twice = [...below, at('bottom', 'f', 28)];
    expect(top(judge(record(sheet, ...tapered, ...twice)))).toMatchObject({ state: 'in window', done: true });
  });

  it('0.15 mm, another depth, then 0.30 where 0.20 to 0.35 is asked, in millimetre leaves: not short', () => {
    const sheet = sheetOf(fromMm(0.2), fromMm(0.35));
    const mm = (id: string, gap: number, depth: 'top' | 'bottom'): Entry => ({
      ...reading(id, 'L1', 'top', fromMm(gap), null),
      fit: fit('L1', { depth, deburred: false }),
    });
    const before = [mm('a', 0.15, 'top'), mm('b', 0.3, 'bottom')];
    expect(top(judge(record(sheet, ...before)))).toMatchObject({
      state: 'short',
      growth: { taken: false, advised: true },
    });
    const ring = top(judge(record(sheet, ...before, mm('c', 0.3, 'top'))));
    expect(ring).toMatchObject({ state: 'in window', growth: { reading: 'c', taken: true } });
    expect(top(judge(record(sheet, ...before, filedBefore('b', true))))).toMatchObject({
      state: 'in window',
      done: true,
    });
  });

  it('a groove that reads 1.5 to 2, then 4 to 4.5: the narrower counts, not proven, and both are named', () => {
    const pair = (id: string, from: number, to: number): Entry =>
      reading(id, 'L1', 'topSide', fromThou(from), fromThou(to));
    const judgement = judge(record(pair('g1', 1.5, 2), pair('g2', 4, 4.5)));
    const side = judgement.cylinders[0]?.grooves.grooves[0]?.side;
    expect(side).toMatchObject({ low: fromThou(1.5), high: fromThou(2), state: 'not proven' });
    expect(said(judgement)).toContain('top groove: readings disagree, 1.5 thou and 4 thou');
    const settled = judge(record(pair('g1', 1.5, 2), pair('g2', 4, 4.5), pair('g3', 4, 4.5)));
    expect(settled.cylinders[0]?.grooves.grooves[0]?.side).toMatchObject({ low: fromThou(4), disagreement: null });
  });

  it('rails that a sheet gives a figure for are read on the route', () => {
    const sheet: Entry = {
      ...stamp('t'),
      kind: 'targets',
      replaces: null,
      value: {
        ...startingChoices('imperial'),
        gaps: {
          ...startingChoices('imperial').gaps,
          rails: { sheet: { form: 'minimum', min: fromThou(15), from: 'sheet' }, manual: null, own: null },
        },
      },
    };
    const total = (...entries: Entry[]) => judge(record(...entries)).stages.find((s) => s.stage === 'rings')?.total;
    expect([total(), total(sheet)]).toEqual([16, 32]);
    expect(judge(record(sheet)).tasks.rings.some((t) => t.subject === 'upperRail')).toBe(true);
  });

  it('a cut that was struck out counts for nothing', () => {
    const struck: Entry = { ...stamp('v'), kind: 'void', of: 'c', reason: 'not done' };
    expect(top(judge(record(fitted('a', 'L1', 12), cut('c', 'L1', 10), struck)))).toMatchObject({
      cutsSince: 0,
      filed: false,
    });
  });

  it('readings that wander are not proven, whatever they say, until one stands by the narrower', () => {
    const again = (id: string, thou: number): Entry =>
      ({ ...fitted(id, 'L1', thou), fit: fit('L1', { deburred: false }) }) as Entry;
    const ring = top(judge(record(fitted('a', 'L1', 25), again('b', 22))));
    expect(ring).toMatchObject({ state: 'not proven', done: false });
    expect(advice(ring)).toMatch(/domed piston/);
    const wide = record(fitted('a', 'L1', 22), again('b', 25), again('c', 22));
    expect(top(judge(wide))).toMatchObject({ state: 'in window', done: true, counts: { aside: ['b'] } });
  });

  it('readings further apart than a leaf agree where the limit says so', () => {
    const bench: Entry = {
      ...stamp('w'),
      kind: 'bench',
      replaces: null,
      value: { ...STARTING_BENCH, repeat: fromThou(4) },
    };
    expect(
      top(judge(record(bench, gap('a', 'L1', 'top', 22), gap('b', 'L1', 'top', 24)))).counts?.disagreement,
    ).toBeNull();
  });
});

describe('an over-gapped ring', () => {
  const over = [fitted('a', 'L1', 30)];
  const accepted: Entry = {
    ...stamp('y'),
    kind: 'accepted',
    of: 'a',
    what: null,
    state: 'over',
    reason: 'customer agrees',
  };

  it('is done once accepted, stays over, and is a note with its reason', () => {
    const judgement = judge(record(...over, accepted));
    expect(top(judgement)).toMatchObject({ state: 'over', done: true, accepted: { reason: 'customer agrees' } });
    expect(
      judgement.findings.find((f) => f.cylinder === 'L1' && messageText(f.says, 'imperial').includes('customer agrees'))
        ?.severity,
    ).toBe('note');
  });

  it('another reading is not what was accepted', () => {
    expect(top(judge(record(...over, accepted, fitted('b', 'L1', 31)))).accepted).toBeNull();
  });

  it('an acceptance is of the verdict it was given for: a short one is accepted as short, not as over', () => {
    const short = fitted('a', 'L1', 15);
    expect(top(judge(record(short, accepted)))).toMatchObject({ state: 'short', accepted: null, done: false });
    const asShort = judge(record(short, { ...accepted, state: 'short' }));
    expect(top(asShort)).toMatchObject({ state: 'short', accepted: { reason: 'customer agrees' }, done: true });
    expect(asShort.findings.filter((f) => f.severity === 'stop' && f.stage === 'rings')).toEqual([]);
    expect(said(asShort)).toContain('is short, accepted by AB: customer agrees');
  });

  it('another ring begins anew, and what was read of the old one is kept', () => {
    const ring = top(judge(record(...over, { ...stamp('n'), kind: 'renewed', part: 'top', cylinder: 'L1' })));
    expect(ring).toMatchObject({ state: 'to do', reading: null });
    expect(ring.passes).toHaveLength(1);
  });
});

describe('what a leaf can tell', () => {
  it('a leaf that passes with none larger tried proves a minimum; under it, it proves nothing', () => {
    const rail: Entry = { ...reading('r', 'L1', 'upperRail', fromThou(15)), fit: fit('L1', { open: true }) };
    expect(judge(record(rail)).cylinders[0]?.rings.upperRail.state).toBe('in window');
    expect(top(judge(record(fitted('a', 'L1', 22, { open: true })))).state).toBe('in window');
    expect(top(judge(record(fitted('a', 'L1', 15, { open: true }))))).toMatchObject({
      state: 'not proven',
      chance: null,
    });
  });
});

describe('grooves', () => {
  const side = (id: string, cylinder: string, thou: number): Entry => reading(id, cylinder, 'topSide', fromThou(thou));
  const state = (judgement: Judgement, at: string): string | undefined =>
    judgement.cylinders.find((c) => c.id === at)?.grooves.grooves[0]?.side.state;

  it('one piston stands for all, unless every one is asked for', () => {
    expect(state(judge(record(side('g', 'L1', 1.5))), 'R1')).toBe('in window');
    const each: Entry = {
      ...stamp('s'),
      kind: 'ringSet',
      replaces: null,
      value: { ...STARTING_RING_SET, grooves: 'each' },
    };
    expect(state(judge(record(each, side('g', 'L1', 1.5))), 'R1')).toBe('to do');
    expect(judge(record(each)).tasks.grooves).toHaveLength(8 * 6);
  });

  it('a groove is done on the route once it reads right, and not before', () => {
    const done = (...more: Entry[]): string[] =>
      judge(record(...more)).tasks.grooves.flatMap((t) => (t.done ? [`${t.cylinder} ${t.subject}`] : []));
    expect(done()).toEqual([]);
    expect(done(side('g', 'L1', 0.5))).toEqual([]);
    expect(done(side('g', 'L1', 1.5))).toEqual(['L1 topSide']);
  });

  it('a tight groove stops the build, a ring proud of its land too', () => {
    const findings = judge(record(side('g', 'L1', 0.5), reading('p', 'L1', 'topLand', 0))).findings.filter(
      (f) => f.stage === 'rings',
    );
    expect(findings.map((f) => f.severity)).toEqual(['stop', 'stop']);
  });
});

describe('the route', () => {
  const onRoute = (route: 'free' | 'byCylinder'): Judgement =>
    judge(
      record(
        { ...stamp('w'), kind: 'bench', replaces: null, value: { ...STARTING_BENCH, route } },
        fitted('a', 'L1', 22),
      ),
    );
  it('leads on once a ring is in its window; where rings are taken as they come to hand it stays', () => {
    const read = { cylinder: 'L1', subject: 'top', spot: null } as const;
    expect(stepOn(onRoute('byCylinder'), 'rings', read)).toMatchObject({ cylinder: 'L1', subject: 'second' });
    expect(stepOn(onRoute('free'), 'rings', read)).toBe(read);
  });

  const tasks = (route: 'byBank' | 'byCylinder'): string[] =>
    judge(
      record({ ...stamp('w'), kind: 'bench', replaces: null, value: { ...STARTING_BENCH, route } }),
    ).tasks.rings.map((t) => t.cylinder);
  it('bank by bank takes all of one bank first', () => {
    expect(
      tasks('byBank')
        .slice(0, 8)
        .every((c) => c.startsWith('L')),
    ).toBe(true);
    expect(tasks('byCylinder').slice(0, 4)).toEqual(['L1', 'L1', 'R1', 'R1']);
  });
});
