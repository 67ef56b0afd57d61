/** The bottom end: worked rows, what the tools can tell, what is guarded, and where everything lies. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { job, jobEntry, reading, voiding } from '@/fixtures/records';
import { rodsOf } from '../../foundation/engine/crankcase';
import { type Engine, cylindersOf } from '../../foundation/engine/engine';
import { WHOLE_WALK } from '../assembly/walkChoices';
import { incrementalJudge, judge } from '../../judge/judge';
import type { Judgement } from '../../judge/judgement';
import { type Nm, fromInches, fromMm, fromThou, toInches } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Entry } from '../../judge/buildRecord';
import type { Subject } from '../../judge/registry';
import { CHECKS_OF, checksOf } from './checks';
import type { BearingCheck } from '../../record/bearingChecks';
import { type GivenLimits, type JournalChoices, STARTING_JOURNALS, startingShells } from './choices';
import { crankOf, throwsFrom, usualMains } from './crank';
import { type SizeLimits, NO_SIZES } from '../../foundation/quantity/sizeLimits';
import type { JudgedBearing } from './types';
import { openOnCrank } from './openBearings';
import { figureAdvice } from './figureAdvice';

const AT = '2026-05-04T09:00:00.000Z';
const six = { ...job.engine, layout: 'inline' as const, cylinders: 6, bankAngle: 0 };
const given = (least: Nm, most: Nm, aim: GivenLimits['aim'] = null): GivenLimits => ({
  least,
  aim,
  most,
  source: 'manual',
});

/** What is chosen of the bottom end, mains and rods alike. */
const chosen = (clearance: GivenLimits, change: Partial<JournalChoices> = {}): Entry => {
  const bearing = { ...STARTING_JOURNALS.bearings.main, clearance };
  return {
    id: 'journals-1',
    at: AT,
    by: 'AB',
    kind: 'journals',
    replaces: null,
    value: { ...STARTING_JOURNALS, bearings: { main: bearing, rod: bearing }, ...change },
  };
};
const covered = jobEntry({ engine: six, also: ['journals'] });
const build = (...entries: Entry[]): Judgement => judge({ id: 'below', entries: [covered, ...entries] });
const read = (place: string, subject: Subject, inches: number, id = `${place}-${subject}`): Entry =>
  reading(id, place, subject, fromInches(inches));
const mainOf = (judgement: Judgement, n = 1): JudgedBearing => {
  const found = judgement.mains[n - 1];
  if (!found) throw new Error(`no main ${n}`);
  return found;
};
const LIMITS = given(fromThou(1), fromThou(4));

describe('worked rows (common practice, no source)', () => {
  it('housing with shells 2.3654 less journal 2.3615 is 0.0039', () => {
    const { clearance } = mainOf(build(chosen(LIMITS), read('M1', 'journal', 2.3615), read('M1', 'housing', 2.3654)));
    expect(clearance).toMatchObject({ value: fromInches(0.0039), by: 'with shells', state: 'in window' });
    // in, but no more is proven of its upper side than the tools can tell
    expect(clearance.uncertainty).toBeGreaterThan(fromThou(0.1));
  });

  it('bare housing 2.4700, shells 2 × 0.0535, journal 2.3610 is 0.0020, and what crush opens it by', () => {
    const base = [chosen(LIMITS, { method: 'apart' }), read('M1', 'journal', 2.361), read('M1', 'bare', 2.47)];
    const half = (depth: 'upper' | 'lower'): Entry => ({
      ...reading(`shell-${depth}`, 'M1', 'shell', fromInches(0.0535)),
      place: { depth, angle: 0 },
    });
    const one = mainOf(build(...base, half('upper'))).clearance;
    const both = mainOf(build(...base, half('upper'), half('lower'))).clearance;
    // crush: 0.13 to 0.47 thou on 2¼ in, from memory
    const crush = [0.06e-3, 0.21e-3].map((share) => Math.round(fromInches(2.47) * share));
    for (const found of [one, both]) expect([found.low, found.high].map((nm) => nm - fromInches(0.002))).toEqual(crush);
    expect(toInches(one.value ?? 0)).toBeCloseTo(0.00233, 5);
    expect([one.by, both.by]).toEqual(['apart', 'apart']);
    // one half read for both is known less well
    expect(one.uncertainty).toBeGreaterThan(both.uncertainty);
  });

  it('a crushed thread of 1.5 to 2 agrees with 0.0018 measured, and not with 0.0030', () => {
    const thread = { ...reading('t', 'M1', 'thread', fromThou(1.5)), upTo: fromThou(2) };
    const at = (housing: number) =>
      mainOf(build(chosen(LIMITS), read('M1', 'journal', 2.36), read('M1', 'housing', housing), thread)).clearance;
    expect(at(2.3618)).toMatchObject({ value: fromThou(1.8), by: 'with shells', check: { agrees: true } });
    expect(at(2.363)).toMatchObject({ value: fromThou(3), check: { agrees: false } });
    const says = build(chosen(LIMITS), read('M1', 'journal', 2.36), read('M1', 'housing', 2.363), thread).findings.map(
      (f) => messageText(f.says, 'imperial'),
    );
    expect(says.join('\n')).toContain('Main 1: measured and crushed thread do not agree');
  });

  it('a thread is the record where that is the method: a range, decided as one', () => {
    const thread = (low: number, high: number | null): Entry => ({
      ...reading('t', 'M1', 'thread', fromThou(low)),
      upTo: high === null ? null : fromThou(high),
    });
    const of = (entry: Entry) =>
      mainOf(build(chosen(given(fromThou(1.2), fromThou(2.4)), { method: 'thread' }), entry)).clearance;
    expect(of(thread(1.5, 2))).toMatchObject({
      by: 'thread',
      value: fromThou(1.75),
      low: fromThou(1.5),
      high: fromThou(2),
      state: 'in window',
    });
    expect(of(thread(1, 1.5)).state).toBe('not proven');
    expect(of(thread(0.5, 1)).state).toBe('tight');
    expect(of(thread(2.5, 3)).state).toBe('over');
    // one figure is known to half a mark
    expect(of(thread(1.5, null)).uncertainty).toBeGreaterThan(of(thread(1.5, 2)).uncertainty);
  });
});

describe('what the tools can tell (JCGM 100:2008, worked out apart)', () => {
  const rect = (half: number): number => half / Math.sqrt(3);
  // unnamed tools: 0.0001 in of error and of resolution; scatter not measured is half a division
  const tool = rect(2_540);
  const own = Math.hypot(rect(1_270), 1_270);
  // the zero is read once; 2 K that journal and housing are off their tools, 4 % of either expansion at the edge of a shop
  const apart = (inches: number, expansion = 11.7e-6): number =>
    rect(fromInches(inches) * expansion * Math.hypot(2, 3 * 0.04));
  const shared = (journal: number, housing: number): number => Math.hypot(tool, own, apart(journal), apart(housing));

  it('with shells: both readings’ own doubts and the gauge’s, the micrometer’s error dropping out', () => {
    // the rods: steel in steel, so that a shared shop temperature says nothing
    const judgement = build(chosen(LIMITS), read('1', 'journal', 1.889), read('1', 'housing', 1.891));
    expect(judgement.rods[0]?.clearance.uncertainty).toBe(Math.round(2 * Math.hypot(own, own, shared(1.889, 1.891))));
  });

  it('zeroed on this journal, how it was read drops out; ground since, it does not', () => {
    const journal = read('1', 'journal', 1.889);
    const zeroed = (size: number): Entry => ({
      ...reading('h', '1', 'housing', fromInches(1.891)),
      zeroed: { journal: '1', size: fromInches(size) },
    });
    const on = build(chosen(LIMITS), journal, zeroed(1.889)).rods[0]?.clearance;
    const off = build(chosen(LIMITS), journal, zeroed(1.8885)).rods[0]?.clearance;
    expect([on?.zeroed, off?.zeroed]).toEqual([true, false]);
    expect(on?.uncertainty).toBe(Math.round(2 * Math.hypot(own, shared(1.889, 1.891))));
    expect(off?.uncertainty).toBe(Math.round(2 * Math.hypot(own, own, shared(1.889, 1.891))));
  });

  it('apart: the micrometer that reads both shells is off alike in both', () => {
    const shell = (depth: 'upper' | 'lower'): Entry => ({
      ...reading(`s-${depth}`, '1', 'shell', fromInches(0.0535)),
      place: { depth, angle: 0 },
    });
    const judgement = build(
      chosen(LIMITS, { method: 'apart' }),
      read('1', 'journal', 1.889),
      read('1', 'bare', 1.998),
      shell('upper'),
      shell('lower'),
    );
    const u = Math.hypot(own, own, own, own, 2 * tool, shared(1.889, 1.998));
    expect(judgement.rods[0]?.clearance.uncertainty).toBe(Math.round(2 * u));
  });

  it('an aluminium block and a steel crank in an unnoted shop are known less well than an iron block', () => {
    const u = (surface: 'iron' | 'plated') =>
      mainOf(
        judge({
          id: 'b',
          entries: [
            jobEntry({ engine: six, also: ['journals'], surface }),
            chosen(LIMITS),
            read('M1', 'journal', 2.361),
            read('M1', 'housing', 2.363),
          ],
        }),
      ).clearance.uncertainty;
    // 3 K either way that nobody noted, of a housing of 2.363 in: by how much more it grows than the journal
    const of = (expansion: number): number =>
      Math.round(
        2 *
          Math.hypot(
            ...[tool, own, own, own, apart(2.361), apart(2.363, expansion)],
            rect(fromInches(2.363) * Math.abs(expansion - 11.7e-6) * 3),
          ),
      );
    expect([u('plated'), u('iron')]).toEqual([of(21.5e-6), of(10.8e-6)]);
  });
});

describe('the hard side', () => {
  const state = (
    thou: number,
    given1 = given(fromThou(1.2), fromThou(2.4), { from: fromThou(1.6), to: fromThou(2.1) }),
  ) =>
    mainOf(build(chosen(given1), read('M1', 'journal', 2.36), read('M1', 'housing', 2.36 + thou / 1_000))).clearance
      .state;

  it('tight is guarded: right only once shown, condemned only once shown; loose goes by the best estimate', () => {
    expect(state(0.8)).toBe('tight');
    expect(state(1.1)).toBe('not proven');
    expect(state(1.5)).toBe('in window');
    expect(state(2.3)).toBe('loose');
    expect(state(2.4)).toBe('loose');
    expect(state(2.5)).toBe('over');
  });

  it('whatever the clearance: under the limit by more than the grace it is never right, and a tenth over the most is over', () => {
    fc.assert(
      fc.property(fc.integer({ min: -30, max: 60 }), (tenths) => {
        const found = state(tenths / 10);
        if (tenths < 11) expect(['tight', 'not proven']).toContain(found);
        expect(found === 'over').toBe(tenths > 24);
      }),
    );
  });

  it('nothing is taken silently: read without limits it has no target, and asks for the manual’s', () => {
    const judgement = build(read('M1', 'journal', 2.36), read('M1', 'housing', 2.362));
    expect(mainOf(judgement).clearance).toMatchObject({ value: fromThou(2), state: 'no target', done: false });
    expect(mainOf(judgement).clearance.target).toMatchObject({ set: false });
  });

  it('a journal that measures more than its housing is a stop', () => {
    const judgement = build(chosen(LIMITS), read('M1', 'journal', 2.363), read('M1', 'housing', 2.361));
    expect(judgement.findings).toContainEqual(expect.objectContaining({ severity: 'stop', cylinder: 'M1' }));
  });
});

describe('a journal', () => {
  const at = (id: string, depth: 'front' | 'rear', angle: number, tenths: number): Entry => ({
    ...reading(id, 'M1', 'journal', fromInches(2.36) + tenths * 2_540),
    place: { depth, angle },
  });
  const all = [at('a', 'front', 0, 0), at('b', 'front', 90, -4), at('c', 'rear', 0, 2), at('d', 'rear', 90, 1)];

  it('counts where it is thickest; out of round across one end, tapered along one direction', () => {
    const { journal } = mainOf(build(chosen(LIMITS), ...all));
    expect(journal).toMatchObject({
      outOfRound: 4 * 2_540,
      taper: 5 * 2_540,
      least: fromInches(2.36) - 4 * 2_540,
      state: 'within',
    });
    expect(journal.size?.value).toBe(fromInches(2.36) + 2 * 2_540);
  });

  it('out of its limits it asks to be ground, or accepted with a reason that lapses with another reading', () => {
    const limits = chosen(LIMITS, { form: { outOfRound: fromThou(0.3), taper: null } });
    const accept: Entry = {
      id: 'ok',
      at: AT,
      by: 'AB',
      kind: 'accepted',
      of: 'd',
      what: 'form',
      state: 'out',
      reason: 'polished',
    };
    const out = mainOf(build(limits, ...all)).journal;
    expect([out.state, out.acceptId]).toEqual(['out', 'd']);
    expect(mainOf(build(limits, ...all, accept)).journal.accepted?.reason).toBe('polished');
    const again = { ...at('e', 'front', 0, 0), at: '2026-05-05T09:00:00.000Z' };
    expect(mainOf(build(limits, ...all, accept, again)).journal.accepted).toBeNull();
  });

  it('worn under its least, or over its most, it is out; ground for undersize shells its limits lie lower; its class is told', () => {
    const limited = (change: Partial<SizeLimits>, under = false): Entry[] => {
      const sizes = { ...NO_SIZES, source: 'manual p. 4', ...change };
      const { main, rod } = STARTING_JOURNALS.bearings;
      const shells = startingShells('imperial');
      const [first] = shells.stock.main;
      if (!first) throw new Error('there is a stock');
      const ground = { ...first, id: 'u10', gives: 0, under: fromThou(10) };
      const stock = { main: [...shells.stock.main, ground], rod: shells.stock.rod };
      const fitted = under ? [{ place: 'M1', upper: 'u10', lower: 'u10' }] : [];
      return [
        chosen(LIMITS, { bearings: { main: { ...main, clearance: LIMITS, sizes }, rod } }),
        { id: 's', at: AT, by: 'AB', kind: 'shells', replaces: null, value: { ...shells, stock, fitted } },
      ] as Entry[];
    };
    const journalOf = (change: Partial<SizeLimits>, under = false) => {
      const judgement = build(...limited(change, under), ...all);
      const says = judgement.findings.filter((f) => f.cylinder === 'M1').map((f) => messageText(f.says, 'imperial'));
      return { ...mainOf(judgement).journal, says: says.join(' ') };
    };
    // it reads 2.3596 to 2.3602 in
    expect(journalOf({ least: fromInches(2.3595), most: fromInches(2.3605) }).state).toBe('within');
    const worn = journalOf({ least: fromInches(2.3598) });
    expect(worn.state).toBe('out');
    expect(worn.says).toContain('its journal is 2.3596 in where it is thinnest, under 2.3598 in');
    const thick = journalOf({ most: fromInches(2.36) });
    expect(thick.says).toContain('2.3602 in where it is thickest, over 2.3600 in');
    expect(journalOf({ least: fromInches(2.369), most: fromInches(2.371) }, true).state).toBe('within');
    const classes = [{ name: 'B', from: fromInches(2.36), to: fromInches(2.361) }];
    expect(journalOf({ classes }).sizeClass).toBe('B');
    expect(journalOf({ classes }, true).sizeClass).toBeNull();
  });

  it('changed shells void the housing, a ground journal its own readings; both stay on record', () => {
    const renewed = (part: string): Entry => ({
      id: `r-${part}`,
      at: AT,
      by: 'AB',
      kind: 'renewed',
      part,
      cylinder: 'M1',
    });
    const base = [chosen(LIMITS), ...all, read('M1', 'housing', 2.362)];
    expect(mainOf(build(...base)).clearance.value).not.toBeNull();
    const shells = mainOf(build(...base, renewed('shells')));
    expect([shells.housing, shells.journal.size !== null, shells.round]).toEqual([null, true, 1]);
    const ground = mainOf(build(...base, renewed('journal')));
    expect([ground.housing !== null, ground.journal.size]).toEqual([true, null]);
    expect(mainOf(build(...base, renewed('shells'), voiding('v', 'r-shells'))).clearance.value).not.toBeNull();
  });
});

describe('end play, sides, small ends', () => {
  const play = given(fromThou(2), fromThou(10));
  const choices = chosen(LIMITS, {
    endPlay: play,
    side: given(fromThou(10), fromThou(20)),
    smallEnd: given(fromThou(0.5), fromThou(1)),
  });

  it('end play is the mean of what was pried, guarded at its least', () => {
    const of = (...thou: number[]) =>
      build(choices, ...thou.map((t, i) => reading(`p${i}`, 'crank', 'endPlay', fromThou(t)))).crank?.endPlay;
    expect(of(6, 6.4)).toMatchObject({ value: fromThou(6.2), state: 'in window', done: true });
    expect(of(1.5)?.state).toBe('tight');
    expect(of(1.9)?.state).toBe('not proven');
    expect(of(10.1)?.state).toBe('over');
    expect(of()).toMatchObject({ value: null, state: 'to do', done: false });
  });

  it('side clearance by feeler: a bracket is a range; one reading serves both rods of a throw where that is said', () => {
    const vee = jobEntry({ also: ['journals'] });
    const of = (sidePer: 'rod' | 'throw') => {
      const { cylinders } = judge({
        id: 'v',
        entries: [
          vee,
          chosen(LIMITS, { side: given(fromThou(10), fromThou(20)), sidePer }),
          { ...reading('s', 'L1', 'side', fromThou(12)), upTo: fromThou(14) },
        ],
      });
      return cylinders.map(({ id, side, sideOf }) => `${id} ${sideOf} ${side.value ?? '-'}`);
    };
    expect(of('rod').filter((s) => !s.endsWith('-'))).toEqual([`L1 L1 ${fromThou(13)}`]);
    expect(of('throw').filter((s) => !s.endsWith('-'))).toEqual([`L1 L1 ${fromThou(13)}`, `R1 L1 ${fromThou(13)}`]);
  });

  it('the side clearance of a throw is missing on both its rods as soon as the second is on the crank', () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    const isIn = (cylinder: string): Entry => ({
      ...{ ...stamp, id: `in-${cylinder}`, kind: 'check', cylinder, check: 'pistonIn' },
      ...{ planned: null, found: {}, expected: null },
    });
    const entries: Entry[] = [
      jobEntry({ also: ['journals'] }),
      { ...stamp, id: 'w', kind: 'walk', replaces: null, value: WHOLE_WALK },
      chosen(LIMITS, { side: given(fromThou(10), fromThou(20)), sidePer: 'throw' }),
      isIn('R1'),
      isIn('L1'),
    ];
    const judging = incrementalJudge();
    const missing = (n: number) =>
      judging
        .of({ id: 'v', entries: entries.slice(0, n) })
        .cylinders.filter((c) => c.ready.missing.some((m) => m.subject === 'side'))
        .map((c) => c.id);
    expect([missing(3), missing(4), missing(5)]).toEqual([[], [], ['L1', 'R1']]);
  });

  it('the pin in its small end is bush less the pin of the piston that is in the cylinder', () => {
    const judgement = build(choices, read('1', 'pin', 0.927), read('1', 'smallEnd', 0.9278));
    expect(judgement.cylinders[0]?.smallEnd).toMatchObject({ value: fromThou(0.8), state: 'in window' });
    // read though nobody asked for it, too tight it is not passed over
    const tight = build(choices, read('1', 'pin', 0.927), read('1', 'smallEnd', 0.9271));
    expect(tight.cylinders[0]?.smallEnd.state).toBe('tight');
    expect(tight.cylinders[0]?.ready.missing.map((m) => m.subject)).toContain('smallEnd');
  });
});

describe('clearances that the builder named', () => {
  const pump = { id: 'X1', words: 'Oil pump, gears to cover', limits: given(fromThou(1), fromThou(3)) };
  const others = chosen(LIMITS, { others: [pump, { ...pump, id: 'X2', words: 'Cam bore 1' }] });
  const leaf = (id: string, from: number, to: number): Entry => ({
    ...reading(`r${id}${from}`, id, 'other', fromThou(from)),
    upTo: fromThou(to),
  });

  it('are read, judged, on the list of what is to be read, in the findings and in the short block', () => {
    const judgement = build(others, leaf('X1', 2, 2.5), leaf('X2', 4, 5));
    expect(judgement.others.map((o) => [o.words, o.clearance.state])).toEqual([
      ['Oil pump, gears to cover', 'in window'],
      ['Cam bore 1', 'over'],
    ]);
    expect(judgement.tasks.play.filter((t) => t.subject === 'other').map((t) => [t.cylinder, t.done])).toEqual([
      ['X1', true],
      ['X2', true],
    ]);
    const says = judgement.findings.map((f) => `${f.severity}: ${messageText(f.says, 'imperial')}`);
    expect(says).toContain('mend: Cam bore 1 4.5 thou is over 3.0 thou: more than the manual allows.');
    expect(says.some((s) => s.includes('gears to cover'))).toBe(false);
    expect(openOnCrank(judgement).map((o) => messageText(o.says, 'imperial'))).toContain('Cam bore 1: over');
    const tight = build(others, leaf('X1', 0.4, 0.5));
    expect(tight.findings).toContainEqual(expect.objectContaining({ severity: 'stop', cylinder: 'X1' }));
  });

  it('each counts as one thing to be done', () => {
    const progress = (...entries: Entry[]) => build(...entries).stages.find((s) => s.stage === 'journals');
    const [none, two] = [progress(chosen(LIMITS)), progress(others)];
    expect((two?.total ?? 0) - (none?.total ?? 0)).toBe(2);
    expect(progress(others, leaf('X1', 2, 2.5))?.done).toBe(1);
    expect(progress(others, leaf('X1', 4, 5))?.done).toBe(0);
  });

  it('one that is taken off the list keeps its readings in sight', () => {
    const judgement = build(chosen(LIMITS), leaf('X1', 2, 2.5));
    expect(judgement.others).toMatchObject([{ words: 'Clearance X1, no longer on the list' }]);
    expect(judgement.others[0]?.clearance.value).toBe(fromThou(2.25));
  });
});

describe('readings of one thing that cannot all be true', () => {
  const said = (judgement: Judgement): string =>
    judgement.findings
      .filter((f) => f.severity === 'mend')
      .map((f) => messageText(f.says, 'imperial'))
      .join('\n');

  it('a housing read 2.0003, then 2.0030: the smaller counts, not proven, until it is read twice more or one is struck out', () => {
    const base = [chosen(LIMITS), read('M1', 'journal', 1.998)];
    const [a, b, c] = [2.0003, 2.003, 2.003].map((size, i) => read('M1', 'housing', size, `h${i}`));
    if (!a || !b || !c) throw new Error('three of them');
    const two = build(...base, a, b);
    expect(mainOf(two).clearance).toMatchObject({ value: fromInches(0.0023), state: 'not proven', done: false });
    expect(said(two)).toContain('Main 1: clearance: housing readings disagree, 2.0003 in and 2.0030 in.');
    // and beside the figure, where the chance would say that all is well
    expect(messageText(figureAdvice('clearance', mainOf(two).clearance), 'imperial')).toBe(
      'Housing readings disagree, 2.0003 in and 2.0030 in. The one that leaves less room counts. Read it twice more, or strike out the wrong one.',
    );
    expect(mainOf(build(...base, a, b, c)).clearance).toMatchObject({ value: fromInches(0.005), disagreements: [] });
    expect(mainOf(build(...base, a, b, voiding('v', 'h1'))).clearance).toMatchObject({
      state: 'in window',
      done: true,
    });
  });

  it('a journal at one place: the thicker counts', () => {
    const two = [read('M1', 'journal', 2.3615, 'a'), read('M1', 'journal', 2.3625, 'b'), read('M1', 'housing', 2.3654)];
    expect(mainOf(build(chosen(LIMITS), ...two)).clearance).toMatchObject({
      value: fromInches(0.0029),
      state: 'not proven',
    });
  });

  it('end play 3 then 9; sides 8/9 then 14/15; a thread 1.5 to 2 then 3 to 3.5', () => {
    const choices = chosen(LIMITS, {
      method: 'thread',
      endPlay: given(fromThou(2), fromThou(10)),
      side: given(fromThou(7), fromThou(20)),
      asks: { ...STARTING_JOURNALS.asks, endPlay: true, side: true },
    });
    const pair = (id: string, place: string, subject: Subject, from: number, to: number): Entry => ({
      ...reading(id, place, subject, fromThou(from)),
      upTo: fromThou(to),
    });
    const judgement = build(
      choices,
      reading('e1', 'crank', 'endPlay', fromThou(3)),
      reading('e2', 'crank', 'endPlay', fromThou(9)),
      pair('s1', '1', 'side', 8, 9),
      pair('s2', '1', 'side', 14, 15),
      pair('t1', 'M1', 'thread', 1.5, 2),
      pair('t2', 'M1', 'thread', 3, 3.5),
    );
    const held = [judgement.crank?.endPlay, judgement.cylinders[0]?.side, mainOf(judgement).clearance];
    expect(held.map((h) => [h?.low, h?.state, h?.done])).toEqual([
      [fromThou(3), 'not proven', false],
      [fromThou(8), 'not proven', false],
      [fromThou(1.5), 'not proven', false],
    ]);
    for (const what of ['end play readings', 'side clearance readings', 'crushed thread readings'])
      expect(said(judgement)).toContain(what);
  });

  it('repeats that the tools explain are averaged as before', () => {
    const two = [read('M1', 'housing', 2.3654, 'a'), read('M1', 'housing', 2.3656, 'b'), read('M1', 'journal', 2.3615)];
    expect(mainOf(build(chosen(LIMITS), ...two)).clearance).toMatchObject({
      value: fromInches(0.004),
      disagreements: [],
    });
  });
});

describe('a journal of which limits of form are given', () => {
  it('is part read, and its bearing open, until every place is read; without limits it is not asked to be', () => {
    const spots = [
      ['front', 0],
      ['front', 90],
      ['rear', 0],
      ['rear', 90],
    ] as const;
    const at = (n: number): Entry[] =>
      spots.slice(0, n).map(([depth, angle], i) => ({
        ...reading(`j${i}`, 'M1', 'journal', fromInches(2.3615)),
        place: { depth, angle },
      }));
    const state = (n: number, outOfRound: Nm | null) => {
      const judgement = build(
        chosen(LIMITS, {
          form: { outOfRound, taper: null },
          ends: 2,
          directions: 2,
          asks: { ...STARTING_JOURNALS.asks, looks: false },
        }),
        ...at(n),
        read('M1', 'housing', 2.3654),
      );
      return [mainOf(judgement).journal.state, judgement.stages.find((s) => s.stage === 'journals')?.done];
    };
    expect(state(1, fromThou(0.5))).toEqual(['part read', 0]);
    expect(state(3, fromThou(0.5))).toEqual(['part read', 0]);
    expect(state(4, fromThou(0.5))).toEqual(['within', 1]);
    expect(state(1, null)).toEqual(['within', 1]);
  });

  it('of which a least diameter alone is given it is part read too', () => {
    const { main, rod } = STARTING_JOURNALS.bearings;
    const sizes = { ...NO_SIZES, least: fromInches(2.3) };
    const choices = chosen(LIMITS, { bearings: { main: { ...main, sizes }, rod } });
    const one = { ...reading('j', 'M1', 'journal', fromInches(2.3615)), place: { depth: 'front' as const, angle: 0 } };
    expect(mainOf(build(choices, one)).journal.state).toBe('part read');
  });
});

describe('the crank', () => {
  const along = (engine: Engine, mains?: number): string => {
    const throws = throwsFrom(rodsOf(cylindersOf(engine), engine, { throws: null, forwardBank: null, numbers: null }));
    return crankOf(throws, mains ?? usualMains(throws.length))
      .map((on) => (on.kind === 'main' ? on.id : on.rods.join('+')))
      .join(' ');
  };

  it('lies as the engine does: an in-line six, a V8 with shared throws, a flat four with its own', () => {
    expect(along(six)).toBe('M1 1 M2 2 M3 3 M4 4 M5 5 M6 6 M7');
    expect(along(job.engine)).toBe('M1 L1+R1 M2 L2+R2 M3 L3+R3 M4 L4+R4 M5');
    expect(along({ ...six, cylinders: 4 }, 3)).toBe('M1 1 2 M2 3 4 M3');
    const flat = { ...job.engine, layout: 'flat' as const, cylinders: 4, bankAngle: 180 };
    expect(along(flat)).toBe('M1 L1 M2 R1 M3 L2 M4 R2 M5');
  });

  it('has every main and every rod once, from one cylinder to sixteen, with any number of mains', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Engine['layout']>('inline', 'vee', 'flat'),
        fc.integer({ min: 1, max: 16 }),
        fc.integer({ min: 2, max: 17 }),
        (layout, cylinders, mains) => {
          const found = along({ ...job.engine, layout, cylinders }, mains).split(/[ +]/);
          expect(new Set(found).size).toBe(cylinders + mains);
          expect(found[0]).toBe('M1');
          expect(found.at(-1)).toBe(`M${mains}`);
        },
      ),
    );
  });

  it('a main that was read is not put out of sight by fewer mains', () => {
    expect(build(chosen(LIMITS, { mains: 4 })).mains).toHaveLength(4);
    expect(build(chosen(LIMITS, { mains: 4 }), read('M6', 'journal', 2.36)).mains).toHaveLength(6);
  });
});

describe('the route', () => {
  const places = (entry: Entry): string[] =>
    build(entry).tasks.journals.map(
      (t) => `${t.cylinder} ${t.subject}${t.spot ? ` ${t.spot.depth} ${t.spot.angle}` : ''}`,
    );

  it('all journals and then all housings, or bearing by bearing; mains before rods', () => {
    const byKind = places(chosen(LIMITS));
    expect(byKind.slice(0, 5)).toEqual([
      'M1 journal front 0',
      'M1 journal front 90',
      'M1 journal rear 0',
      'M1 journal rear 90',
      'M2 journal front 0',
    ]);
    expect(byKind[28]).toBe('M1 housing');
    const byBearing = places(chosen(LIMITS, { route: 'byBearing', ends: 1, directions: 1 }));
    expect(byBearing.slice(0, 3)).toEqual(['M1 journal middle 0', 'M1 housing', 'M2 journal middle 0']);
    expect(places(chosen(LIMITS, { method: 'thread' })).slice(0, 2)).toEqual(['M1 thread', 'M2 thread']);
  });

  it('asks nothing of a job that leaves the bottom end to others, and counts every place once of one that does not', () => {
    const of = (entry: Entry) => judge({ id: 'c', entries: [entry] }).stages.find((s) => s.stage === 'journals');
    expect(of(jobEntry({ engine: six }))).toMatchObject({ done: 0, total: 0 });
    expect(of(covered)).toMatchObject({ done: 0, total: 7 + 6 + 1 });
  });
});

describe('what is looked at', () => {
  const look = (place: string, check: BearingCheck): Entry => ({
    id: `${place}-${check}`,
    at: AT,
    by: 'KM',
    kind: 'check',
    cylinder: place,
    check,
    planned: null,
    found: {},
    expected: null,
  });
  const sound = [read('M1', 'journal', 2.36), read('M1', 'housing', 2.362)];
  const looked = CHECKS_OF.main.map((check) => look('M1', check));
  const doneOf = (...entries: Entry[]): number =>
    build(...entries).stages.find((s) => s.stage === 'journals')?.done ?? -1;

  it('counts where it is asked for: a bearing is done once all of it was looked at, and not before', () => {
    expect(doneOf(chosen(LIMITS), ...sound)).toBe(0);
    expect(doneOf(chosen(LIMITS), ...sound, ...looked.slice(1))).toBe(0);
    expect(doneOf(chosen(LIMITS), ...sound, ...looked)).toBe(1);
    const asks = { ...STARTING_JOURNALS.asks, looks: false };
    expect(doneOf(chosen(LIMITS, { asks }), ...sound)).toBe(1);
  });

  it('is asked for again once shells or journal were changed, and says by whom it was', () => {
    const renewed: Entry = { id: 'r', at: AT, by: 'AB', kind: 'renewed', part: 'shells', cylinder: 'M1' };
    const states = (...entries: Entry[]) =>
      mainOf(build(chosen(LIMITS), ...entries)).looks.map((l) => `${l.state} ${l.by}`);
    expect(states(...looked)).toEqual(CHECKS_OF.main.map(() => 'right KM'));
    expect(states(...looked, renewed)).toEqual(CHECKS_OF.main.map(() => 'again KM'));
    expect(states()).toEqual(CHECKS_OF.main.map(() => 'to do '));
    // a ring that is filed has nothing to do with it
    expect(
      states(...looked, {
        id: 'c',
        at: AT,
        by: 'AB',
        kind: 'cut',
        cylinder: '1',
        ring: 'top',
        filer: null,
        count: 3,
      })[0],
    ).toBe('right KM');
  });

  it('a journal out of its limits keeps its bearing open until it is accepted', () => {
    const limits = chosen(LIMITS, { form: { outOfRound: fromThou(0.1), taper: null } });
    const oval = [
      { ...reading('a', 'M1', 'journal', fromInches(2.36)), place: { depth: 'front' as const, angle: 0 } },
      { ...reading('b', 'M1', 'journal', fromInches(2.3597)), place: { depth: 'front' as const, angle: 90 } },
      read('M1', 'housing', 2.362),
      ...looked,
    ];
    expect(doneOf(limits, ...oval)).toBe(0);
    const accept: Entry = {
      id: 'ok',
      at: AT,
      by: 'AB',
      kind: 'accepted',
      of: 'b',
      what: 'form',
      state: 'out',
      reason: 'so be it',
    };
    expect(doneOf(limits, ...oval, accept)).toBe(1);
  });
});

describe('shells that differ by side', () => {
  it('are looked at by their side where the engine has such, and not otherwise', () => {
    expect(checksOf('rod', { sidedShells: false })).not.toContain('shellSide');
    expect(checksOf('rod', { sidedShells: true })).toEqual(CHECKS_OF.rod);
    expect(checksOf('main', { sidedShells: true })).toEqual(CHECKS_OF.main);
  });
});

describe('mains and rods', () => {
  it('calls out mains that are looser than rods, by more than the tools leave in doubt', () => {
    const says = (main: number, rod: number): string =>
      build(
        chosen(LIMITS),
        read('M1', 'journal', 2.36),
        read('M1', 'housing', 2.36 + main / 1_000),
        read('1', 'journal', 1.889),
        read('1', 'housing', 1.889 + rod / 1_000),
      )
        .findings.map((f) => messageText(f.says, 'imperial'))
        .join('\n');
    expect(says(2.4, 1.8)).toContain('Main 1 is looser (2.4 thou) than rod 1 (1.8 thou)');
    expect(says(1.9, 1.8)).not.toContain('looser');
  });

  it('are as far apart as their clearances', () => {
    const judgement = build(
      chosen(LIMITS, { spread: fromThou(0.5) }),
      ...[1.5, 2.2].flatMap((thou, i) => [
        read(`M${i + 1}`, 'journal', 2.36),
        read(`M${i + 1}`, 'housing', 2.36 + thou / 1_000),
      ]),
    );
    expect(judgement.apart).toEqual({ main: fromThou(0.7), rod: null });
    expect(judgement.tooFarApart).toEqual({ main: true, rod: false });
    expect(judgement.findings.map((f) => messageText(f.says, 'imperial')).join()).toContain('Mains lie 0.7 thou apart');
  });
});

describe('in millimetres', () => {
  it('the same bearing comes to the same', () => {
    const { clearance } = mainOf(
      build(
        chosen(given(fromMm(0.02), fromMm(0.05))),
        reading('j', 'M1', 'journal', fromMm(59.995)),
        reading('h', 'M1', 'housing', fromMm(60.03)),
      ),
    );
    expect(clearance).toMatchObject({ value: fromMm(0.035), state: 'in window' });
  });
});

describe('what housings are made of', () => {
  const warm = (id: string, subject: Subject, inches: number): Entry => ({
    ...reading(`${id}-${subject}`, id, subject, fromInches(inches)),
    temperature: 30,
  });
  const at = (id: string, inches: number, metals: JournalChoices['metals']) =>
    build(chosen(LIMITS, { metals }), warm(id, 'journal', inches), warm(id, 'housing', inches + 0.002));
  const iron = { housing: null, cap: null, rod: 'steel' } as const;
  const thou = (nm: number): number => toInches(nm) * 1000;

  it('an aluminium block with iron sleeves is not an iron housing: 0.27 thou at 30 °C on 2.5 in', () => {
    const of = (metals: JournalChoices['metals']) => mainOf(at('M1', 2.5, metals)).clearance.value ?? 0;
    expect(thou(of(iron) - of({ ...iron, housing: 'aluminium' }))).toBeCloseTo(0.268, 2);
    // its caps may be of iron: then half of it
    expect(thou(of(iron) - of({ ...iron, housing: 'aluminium', cap: 'iron' }))).toBeCloseTo(0.134, 2);
  });

  it('an aluminium rod is not a steel one: 0.24 thou at 30 °C on 2.1 in', () => {
    const of = (metals: JournalChoices['metals']) => at('1', 2.1, metals).rods[0]?.clearance.value ?? 0;
    expect(thou(of(iron) - of({ ...iron, rod: 'aluminium' }))).toBeCloseTo(0.246, 2);
  });

  // independent: 2.65 in × (21.5 − 11.7)·10⁻⁶ × 80 K = 2.08 thou
  it('aluminium housings open by about 2 thou at + 80 K, iron ones close a little', () => {
    const opens = (metals: JournalChoices['metals']): number => {
      const { value, hot } = mainOf(at('M1', 2.65, metals)).clearance;
      return thou((hot ?? 0) - (value ?? 0));
    };
    expect(opens({ ...iron, housing: 'aluminium' })).toBeCloseTo(2.08, 2);
    expect(opens(iron)).toBeCloseTo(-0.19, 2);
  });
});
