import { describe, expect, it } from 'vitest';
import { findingsOf } from './findings';
import { gap, jobEntry, reading, record } from '@/fixtures/records';
import { fromInches } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import type { Entry } from '../record/record';
import { startingChoices } from '../targets/target';
import { againstOf } from '../assembly/judged';
import { judge } from './judge';
import type { JudgedRing } from '../rings/judged';
import { STARTING_PAIRING } from '../pistons/choices';
import { STARTING_PLACING } from '../rings/choices';
import type { JudgedCylinder, Judgement } from './judgement';

const stamp = (id: string) => ({ id, at: '2026-05-04T09:00:00.000Z', by: 'AB' });
const first = ({ cylinders }: Judgement): JudgedCylinder => {
  const [found] = cylinders;
  if (!found) throw new Error('there is a cylinder');
  return found;
};
const lacks = (judgement: Judgement): string[] =>
  first(judgement).ready.missing.map((m) => `${m.stage}: ${sayingText(m.says, 'imperial')}`);
const checks = ['ringsFree', 'expanderButts', 'jointsBefore', 'jointsAfter', 'frontMark', 'rod'] as const;
const ticked: Entry[] = checks.map((check) => ({
  ...stamp(check),
  kind: 'check',
  cylinder: 'L1',
  check,
  planned: null,
  found: {},
  expected: null,
}));
const only = (...elsewhere: string[]) => jobEntry({ elsewhere }, 'job-2', 'job-1');

describe('ready to go in', () => {
  it('a ring of 8 thou against 20.3, nothing else measured, all checks ticked: not ready, and short is a stop', () => {
    const judgement = judge(record(gap('a', 'L1', 'top', 8), ...ticked));
    expect(first(judgement).ready.is).toBe(false);
    expect(lacks(judgement)).toEqual(
      expect.arrayContaining([
        'bores: bore: to do',
        'pistons: clearance: to do',
        'rings: top ring: short',
        'rings: second ring: to do',
      ]),
    );
    expect(findingsOf(judgement).some((f) => f.severity === 'stop' && f.cylinder === 'L1')).toBe(true);
  });

  it('what a job leaves to others is not asked for, and a re-ring can be whole', () => {
    const rings = [gap('a', 'L1', 'top', 22), gap('b', 'L1', 'second', 24)];
    const elsewhere = only('bores', 'pistons', 'clocking', 'assembly');
    const judgement = judge(record(elsewhere, ...rings));
    expect(first(judgement).ready).toEqual({ is: true, missing: [] });
    expect(judgement.stages.find((s) => s.stage === 'bores')).toMatchObject({ done: 0, total: 0 });
    expect(lacks(judge(record(elsewhere, gap('a', 'L1', 'top', 22))))).toEqual(['rings: second ring: to do']);
  });

  it('what is accepted is not missing; the next reading is not what was accepted', () => {
    const rings = [gap('a', 'L1', 'top', 15), gap('b', 'L1', 'second', 24)];
    const accepted: Entry = { ...stamp('y'), kind: 'accepted', of: 'a', what: null, state: 'short', reason: 'trial' };
    const elsewhere = only('bores', 'pistons', 'clocking', 'assembly');
    expect(first(judge(record(elsewhere, ...rings))).ready.is).toBe(false);
    expect(first(judge(record(elsewhere, ...rings, accepted))).ready.is).toBe(true);
    expect(first(judge(record(elsewhere, ...rings, accepted, gap('c', 'L1', 'top', 15)))).ready.is).toBe(false);
  });

  it('a ring that was filed since is not what was accepted', () => {
    const rings = [gap('a', 'L1', 'top', 15), gap('b', 'L1', 'second', 24)];
    const accepted: Entry = { ...stamp('y'), kind: 'accepted', of: 'a', what: null, state: 'short', reason: 'trial' };
    const cut: Entry = { ...stamp('c'), kind: 'cut', cylinder: 'L1', ring: 'top', filer: null, count: 2 };
    const judgement = judge(record(only('bores', 'pistons', 'clocking', 'assembly'), ...rings, accepted, cut));
    expect(first(judgement).rings.top).toMatchObject({ accepted: null, done: false });
    expect(lacks(judgement)).toEqual(['rings: top ring: cut since it was read']);
  });

  it('a ring put into another cylinder, and a piston into another bore, are not what was accepted', () => {
    const bores = ['L1', 'R1'].map((c) => reading(`bore ${c}`, c, 'bore', fromInches(4.065)));
    const two = [...bores, gap('a', 'L1', 'top', 15), gap('b', 'R1', 'top', 15)];
    const accepted: Entry = { ...stamp('y'), kind: 'accepted', of: 'a', what: null, state: 'short', reason: 'trial' };
    const swapped = (id: string, ...pairs: [string, string][]): Entry => ({
      ...stamp(id),
      kind: 'placing',
      replaces: null,
      value: {
        ...STARTING_PLACING,
        top: { ...STARTING_PLACING.top, pairs: pairs.map(([cylinder, ring]) => ({ cylinder, ring })) },
      },
    });
    const across = swapped('s', ['L1', 'R1'], ['R1', 'L1']);
    const ringOf = (judgement: Judgement): JudgedRing | undefined =>
      judgement.cylinders.map((c) => c.rings.top).find((ring) => ring.number === 'L1');
    expect(ringOf(judge(record(...two, accepted)))?.accepted).not.toBeNull();
    const moved = ringOf(judge(record(...two, accepted, across)));
    expect(moved).toMatchObject({ state: 'short', accepted: null, done: false });
    expect(ringOf(judge(record(...two, accepted, across, swapped('t'))))?.accepted).not.toBeNull();
    // accepted where it was put, and brought home
    expect(ringOf(judge(record(...two, across, accepted)))?.accepted).not.toBeNull();
    expect(ringOf(judge(record(...two, across, accepted, swapped('t'))))?.accepted).toBeNull();
  });

  it.each(['bore', 'piston'] as const)('a clearance whose %s was read last lapses with another piston', (last) => {
    const size = (id: string, cylinder: string, subject: 'bore' | 'piston', inches: number, minute: number): Entry => ({
      ...reading(id, cylinder, subject, fromInches(inches)),
      at: `2026-05-04T09:0${minute}:00.000Z`,
    });
    const sizes = [
      size('b1', 'L1', 'bore', 4.065, last === 'bore' ? 5 : 1),
      size('p1', 'L1', 'piston', 4.0625, last === 'piston' ? 5 : 1),
      size('b2', 'R1', 'bore', 4.065, 2),
      size('p2', 'R1', 'piston', 4.0625, 2),
    ];
    const of = last === 'bore' ? 'b1' : 'p1';
    const accepted: Entry = { ...stamp('y'), kind: 'accepted', of, what: 'clearance', state: 'tight', reason: 'x' };
    const across: Entry = {
      ...stamp('s'),
      kind: 'pairing',
      replaces: null,
      value: {
        ...STARTING_PAIRING,
        pairs: [
          { cylinder: 'L1', piston: 'R1' },
          { cylinder: 'R1', piston: 'L1' },
        ],
      },
    };
    const all = (judgement: Judgement): (string | undefined)[] =>
      judgement.cylinders.slice(0, 8).map((c) => c.clearance.accepted?.id);
    expect(all(judge(record(...sizes, accepted)))).toContain('y');
    expect(all(judge(record(...sizes, accepted, across)))).not.toContain('y');
    expect(all(judge(record(...sizes, across, accepted)))).toContain('y');
  });

  it('a tight clearance, a bore and a pin are accepted by their own names', () => {
    const sizes = [reading('b', 'L1', 'bore', fromInches(4.065)), reading('p', 'L1', 'piston', fromInches(4.0625))];
    const tight = judge(record(...sizes));
    expect(first(tight).clearance).toMatchObject({ state: 'tight', done: false, acceptId: 'p' });
    const yes = (what: 'clearance' | 'bore'): Entry => ({
      ...stamp(`y-${what}`),
      kind: 'accepted',
      of: 'p',
      what,
      state: 'tight',
      reason: 'plated skirt',
    });
    expect(first(judge(record(...sizes, yes('bore')))).clearance.accepted).toBeNull();
    const accepted = judge(record(...sizes, yes('clearance')));
    expect(first(accepted).clearance).toMatchObject({
      state: 'tight',
      done: true,
      accepted: { reason: 'plated skirt' },
    });
    expect(findingsOf(accepted).filter((f) => f.severity === 'stop')).toEqual([]);
    // bored since: the bore is to be read anew, and nothing is accepted of it
    const honed: Entry = { ...stamp('h'), kind: 'renewed', part: 'bore', cylinder: 'L1' };
    expect(first(judge(record(...sizes, yes('clearance'), honed))).clearance.accepted).toBeNull();
  });
});

describe('hung on its rod', () => {
  it('rings on, and front mark or rod not noted before: told once they are on, and not before', () => {
    const late = (...entries: Entry[]): string[] =>
      findingsOf(judge(record(...entries)))
        .map((f) => sayingText(f.says, 'imperial'))
        .filter((says) => says.includes('when the piston was hung'));
    const { clocking } = first(judge(record()));
    const looked = (check: 'ringsFree' | 'frontMark' | 'rod'): Entry => ({
      ...stamp(check),
      kind: 'check',
      cylinder: 'L1',
      check,
      planned: null,
      found: {},
      expected: againstOf(check, clocking),
    });
    const [on, mark, rod] = [looked('ringsFree'), looked('frontMark'), looked('rod')];
    expect(late()).toEqual([]);
    expect(late(on)).toEqual([expect.stringContaining('nobody noted front mark and rod')]);
    expect(late(on, mark)).toEqual([expect.stringContaining('nobody noted the rod')]);
    expect(late(mark, rod, on)).toEqual([]);
  });
});

describe('second ring against top, under any source', () => {
  const choices = startingChoices('imperial');
  const range = (min: number, max: number) => ({
    sheet: { form: 'range' as const, min: min * 25_400, max: max * 25_400, hardTop: false, aim: null, from: 'sheet' },
    manual: null,
    own: null,
  });
  const told = (top: [number, number] | null, second: [number, number]): boolean => {
    const targets: Entry = {
      ...stamp('t'),
      kind: 'targets',
      replaces: null,
      value: {
        ...choices,
        gaps: { ...choices.gaps, top: top ? range(...top) : choices.gaps.top, second: range(...second) },
      },
    };
    return findingsOf(judge(record(targets, gap('a', 'L1', 'top', 18), gap('b', 'L1', 'second', 14)))).some((f) =>
      /second ring: 14 thou is tighter than the top ring/.test(sayingText(f.says, 'imperial')),
    );
  };

  it('14 under 18 is told under a range of 13 to 30 for both, and not where the sheet’s own figures say so', () => {
    expect(told([13, 30], [13, 30])).toBe(true);
    expect(told([16, 20], [12, 16])).toBe(false);
    // the top by the chart, the second by a sheet of its own: no paper says that one is to be tighter
    expect(told(null, [12, 16])).toBe(true);
  });
});
