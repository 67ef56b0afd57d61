import { describe, expect, it } from 'vitest';
import { job, jobEntry } from '@/fixtures/records';
import { WHOLE_WALK } from '../walkChoices';
import { judge } from '../../../judge/judge';
import { shortBlockOf } from '../../../judge/shortBlock';
import { messageText } from '../../../foundation/quantity/message';
import { bothTorques, fromPoundFeet, parseTorque, parseTorques, torqueText } from '../../../foundation/quantity/torque';
import type { TurnedEntry } from '../../../record/benchWork';
import type { Entry } from '../../../judge/buildRecord';
import { nextTurn, parseTurning, pistonsSince, turnsOf } from './parseTurning';
import { type PastTurning, stepsIn, taught, rotatingTorqueOf } from './rotatingTorque';

let n = 0;
const turned = (after: TurnedEntry['after'], cylinder: string, lbft: number, pistons = 1): TurnedEntry => {
  n += 1;
  return {
    id: `t-${n}`,
    at: new Date(Date.UTC(2026, 4, 4, 9) + n * 1000).toISOString(),
    by: 'AB',
    kind: 'turned',
    after,
    cylinder,
    pistons: after === 'piston' ? pistons : 0,
    value: fromPoundFeet(lbft),
    starts: null,
    typed: String(lbft),
  };
};
const of = (entries: Entry[], past: PastTurning[] = []) =>
  rotatingTorqueOf(judge({ id: 't', entries: [jobEntry(), ...entries] }), past);
const lbft = (torque: number | null | undefined): number | null =>
  torque == null ? null : Math.round(torque / 135.58179483314) / 10;

describe('what it takes to turn', () => {
  const calm = [
    turned('crank', 'block', 2),
    turned('piston', 'L1', 4.5),
    turned('piston', 'R1', 7.2),
    turned('piston', 'L2', 9.6),
  ];

  it('each step has its own share over the one before', () => {
    const { turns } = of(calm);
    expect(turns.map((t) => lbft(t.share))).toEqual([null, 2.5, 2.7, 2.4]);
    expect(turns.map((t) => t.label)).toEqual(['', '1', '2', '3']);
    expect(turns.some((t) => t.isJump)).toBe(false);
  });

  it('a piston that adds far more than the others is called out, and only that one', () => {
    const { turns } = of([...calm, turned('piston', 'R2', 18), turned('piston', 'L3', 20.5)]);
    expect(turns.map((t) => t.isJump)).toEqual([false, false, false, false, true, false]);
  });

  it('is held against what the others added, itself left out, and does not widen what is expected next', () => {
    const [two, three] = [turned('piston', 'L1', 4), turned('piston', 'R1', 7)];
    // 5.5 is over twice the middle of 2 and 3, and not over twice the middle of all three
    const steps = [turned('crank', 'block', 2), two, three, turned('piston', 'L2', 12.5)];
    const { turns, next } = of(steps);
    expect(turns.map((t) => t.isJump)).toEqual([false, false, false, true]);
    expect([lbft(next?.range.least), lbft(next?.range.most)]).toEqual([14.5, 15.5]);
  });

  it('a jump holds the short block until it is accepted with a reason', () => {
    const jump = turned('piston', 'R2', 18);
    const entries = [...calm, jump];
    const says = (...more: Entry[]) =>
      shortBlockOf(judge({ id: 't', entries: [jobEntry(), ...entries, ...more] }))
        .open.map((o) => messageText(o.says, 'imperial'))
        .filter((text) => text.startsWith('Rotating torque'));
    expect(says()).toEqual(['Rotating torque: a jump with cylinder 4']);
    const accepted = { of: jump.id, what: 'turn', state: 'over', reason: 'new seals' } as const;
    expect(says({ id: 'ok', at: jump.at, by: 'AB', kind: 'accepted', ...accepted })).toEqual([]);
  });

  it('over what it may take it is a stop, until accepted; the acceptance lapses when it takes more', () => {
    const limit = (crank: number | null, all: number | null): Entry => ({
      ...{ id: 'walk', at: '2026-05-04T08:00:00.000Z', by: 'AB', kind: 'walk', replaces: null },
      value: { ...WHOLE_WALK, turnMost: { crank: crank && fromPoundFeet(crank), all: all && fromPoundFeet(all) } },
    });
    const says = (...entries: Entry[]) => {
      const judgement = judge({ id: 't', entries: [jobEntry({ units: 'imperial' }), ...entries] });
      const stops = judgement.findings.filter((f) => f.severity === 'stop').map((f) => messageText(f.says, 'imperial'));
      const short = shortBlockOf(judgement).open.map((o) => messageText(o.says, 'imperial'));
      return { stops, short: short.filter((s) => s.startsWith('Rotating torque')) };
    };
    const [crank, first] = [turned('crank', 'block', 4), turned('piston', 'L1', 9)];
    expect(says(limit(null, null), crank, first).stops).toEqual([]);
    expect(says(limit(4, 9), crank, first).stops).toEqual([]);
    const over = says(limit(3, 8), crank, first);
    expect(over.stops).toEqual([
      'Rotating torque, crank alone: 4 lb·ft (5.4 N·m) is over the 3 lb·ft (4.1 N·m) it may take. Something binds.',
      'Rotating torque, after piston 1: 9 lb·ft (12.2 N·m) is over the 8 lb·ft (10.8 N·m) it may take. Something binds.',
    ]);
    expect(over.short).toEqual([
      'Rotating torque: crank alone, over what it may take',
      'Rotating torque: after piston 1, over what it may take',
    ]);
    const held = { figure: crank.value, limit: fromPoundFeet(3), side: 'most', of: 'torque' } as const;
    const accepted: Entry = {
      ...{ id: 'ok', at: crank.at, by: 'AB', kind: 'accepted', of: crank.id, what: 'turn', state: 'over' },
      ...{ reason: 'new seals', held },
    };
    expect(says(limit(3, null), crank, accepted).stops).toEqual([]);
    expect(says(limit(2, null), crank, accepted).stops.join()).toMatch(/over the 2 lb·ft.*accepted/);
  });

  it('is told of the first piston too, once others are in', () => {
    const first = [turned('crank', 'block', 2), turned('piston', 'L1', 11), turned('piston', 'R1', 13.5)];
    expect(of(first).turns.some((t) => t.isJump)).toBe(false);
    expect(of([...first, turned('piston', 'L2', 16)]).turns.map((t) => t.isJump)).toEqual([false, true, false, false]);
  });

  it('what a wrench can be misread by is no jump, however small the others are', () => {
    const light = [turned('piston', 'L1', 0.5), turned('piston', 'R1', 0.6), turned('piston', 'L2', 0.7)];
    expect(of([...light, turned('piston', 'R2', 1.6)]).turns.some((t) => t.isJump)).toBe(false);
  });

  it('of a pair each has half of the share', () => {
    const pairs = [turned('crank', 'block', 2), turned('piston', 'R1', 7, 2), turned('piston', 'R2', 12, 2)];
    expect(of(pairs).turns.map((t) => lbft(t.each))).toEqual([null, 2.5, 2.5]);
    expect(of([...pairs, turned('piston', 'L3', 18)]).turns[3]?.isJump).toBe(true);
  });

  it('the next is expected from this engine once two pistons told, before that from past builds, else from nothing', () => {
    const range = (entries: Entry[], past: PastTurning[] = []) => {
      const { next } = of(entries, past);
      return next && [next.from, lbft(next.range.least), lbft(next.range.most)];
    };
    const past = { id: 'p', name: 'Earlier', crank: null, all: null, shares: [2, 3].map(fromPoundFeet) };
    expect(range(calm.slice(0, 2))).toBeNull();
    expect(range(calm.slice(0, 2), [past])).toEqual(['past builds', 6.5, 7.5]);
    expect(range(calm, [past])).toEqual(['this engine', 12, 12.3]);
    expect(of([]).next).toBeNull();
  });

  it('past builds say what is expected and never what is a jump: it is the same on paper, where nobody asks them', () => {
    const past = { id: 'p', name: 'Earlier', crank: null, all: null, shares: [2, 2.5, 3].map(fromPoundFeet) };
    const jump = [...calm, turned('piston', 'R2', 18)];
    for (const entries of [[turned('crank', 'block', 2), turned('piston', 'L1', 12)], calm, jump])
      expect(of(entries, [past]).turns).toEqual(of(entries).turns);
  });

  it('turned again after the same step, the last holds; what was struck out does not count', () => {
    const again = turned('piston', 'L1', 4);
    expect(stepsIn([...calm, again]).map((s) => lbft(s.entry.value))).toEqual([2, 4, 7.2, 9.6]);
    const struck: Entry = { id: 'v', at: again.at, by: 'AB', kind: 'void', of: calm[1]?.id ?? '', reason: 'misread' };
    expect(of([...calm, struck]).turns.map((t) => lbft(t.share))).toEqual([null, 5.2, 2.4]);
  });

  it('teaches others what the crank alone took, each piston and all', () => {
    expect(taught({ id: 'a', name: 'A' }, [...calm, turned('all', 'block', 24)])).toMatchObject({
      crank: fromPoundFeet(2),
      all: fromPoundFeet(24),
    });
  });
});

describe('torques', () => {
  it('45 lb·ft are 61.0 N·m (check value: NIST SP 811, recalled)', () => {
    expect(fromPoundFeet(45)).toBe(61_012);
    expect(bothTorques(61_012, 'imperial')).toBe('45 lb·ft (61 N·m)');
    expect(torqueText(61_012, 'metric')).toBe('61 N·m');
  });

  it.each([
    ['45', 'imperial', 61_012],
    ['61', 'metric', 61_000],
    ['61 Nm', 'imperial', 61_000],
    ['61 n·m', 'imperial', 61_000],
    ['45 lb-ft', 'metric', 61_012],
    ['45 ft lb', 'metric', 61_012],
    ['120 lb in', 'imperial', 13_558],
    ['120 in·lb', 'metric', 13_558],
    ['6,2 kgm', 'metric', 60_801],
  ] as const)('%s in a shop of %s', (text, units, value) => {
    expect(parseTorque(text, units)).toEqual({ kind: 'understood', value });
  });

  it.each(['', '  '])('nothing: %j', (text) => expect(parseTorque(text, 'metric').kind).toBe('empty'));
  it.each(['0', '-4', 'abc', '45 mm', '9999', '1e3'])('%s is refused', (text) =>
    expect(parseTorque(text, 'imperial').kind).toBe('refused'),
  );

  it('several at once, with their unit after the last', () => {
    expect(parseTorques('30 60/90', 'metric')).toEqual({ ok: true, values: [30_000, 60_000, 90_000] });
    expect(parseTorques('30; 60 lb·ft', 'metric')).toEqual({ ok: true, values: [40_675, 81_349] });
    expect(parseTorques('', 'metric')).toEqual({ ok: true, values: [] });
    expect(parseTorques('30 x 60', 'metric').ok).toBe(false);
    expect(parseTorques('30 0', 'metric').ok).toBe(false);
  });
});

describe('what the crank takes, as it is typed', () => {
  it.each([
    ['21', { kind: 'understood', value: { value: fromPoundFeet(21), starts: null } }],
    ['25/21', { kind: 'understood', says: '25 lb·ft to start, 21 lb·ft (28.5 N·m) to keep turning' }],
    ['21/25', { kind: 'refused', why: /^To start takes no less/ }],
    ['21/', { kind: 'empty' }],
    ['/21', { kind: 'understood', value: { value: fromPoundFeet(21), starts: null } }],
    ['hard', { kind: 'refused', why: /no torque/ }],
    ['hard/21', { kind: 'refused', why: /no torque/ }],
  ])('%s', (text, { why, ...found }: { kind: string; why?: RegExp }) => {
    const heard = parseTurning(text, null, 'imperial');
    expect(heard).toMatchObject(found);
    if (why && heard.kind === 'refused') expect(heard.why).toMatch(why);
  });

  it('far more than before is asked about, and more than any crank takes', () => {
    const before = 10_000;
    expect(parseTurning('80 N·m', before, 'metric')).toMatchObject({ kind: 'understood' });
    expect(parseTurning('80.1 N·m', before, 'metric')).toMatchObject({
      kind: 'question',
      ask: '80.1 N·m (59.1 lb·ft) after 10 N·m: is it right?',
    });
    expect(parseTurning('400.1', 300_000, 'metric')).toMatchObject({ kind: 'question' });
  });
});

describe('after what the crank is turned', () => {
  const ticked = (cylinder: string, second: number): Entry => ({
    ...{ kind: 'check', id: `in-${cylinder}`, by: 'AB', cylinder, check: 'pistonIn', planned: null, found: {} },
    ...{ at: new Date(Date.UTC(2026, 4, 5, 9, 0, second)).toISOString(), expected: null },
  });
  const two = jobEntry({
    engine: {
      ...job.engine,
      layout: 'inline',
      cylinders: 2,
      bankAngle: 0,
      numbering: { ...job.engine.numbering, scheme: 'sequence' },
    },
  });
  const whole: Entry = { kind: 'walk', id: 'walk', at: '', by: '', replaces: null, value: WHOLE_WALK };
  const at = (...entries: Entry[]) => {
    const judgement = judge({ id: 't', entries: [two, whole, ...entries] });
    const { turns } = rotatingTorqueOf(judgement, []);
    return { turns, cylinders: judgement.cylinders, next: nextTurn(turns, judgement.cylinders) };
  };

  it('the crank alone, each piston as it goes in, and all of them', () => {
    expect(at().next).toEqual({ after: 'crank', cylinder: 'block' });
    expect(turnsOf(at().cylinders).map((t) => t.after)).toEqual(['crank', 'piston', 'piston', 'all']);
    expect(at(ticked('1', 1)).next).toEqual({ after: 'piston', cylinder: '1' });
    expect(at(ticked('1', 1), turned('piston', '1', 4)).next).toEqual({ after: 'crank', cylinder: 'block' });
    const all = [ticked('1', 1), ticked('2', 2), turned('piston', '2', 6)];
    expect(at(...all).next).toEqual({ after: 'all', cylinder: 'block' });
  });

  it('counts the pistons that went in since it was turned last, one at the least', () => {
    const { turns, cylinders } = at(ticked('1', 1), ticked('2', 2));
    const piston = { after: 'piston', cylinder: '2' } as const;
    expect(pistonsSince(piston, turns, cylinders)).toBe(2);
    expect(pistonsSince({ after: 'all', cylinder: 'block' }, turns, cylinders)).toBe(0);
    const since = { ...turned('piston', '1', 4), at: new Date(Date.UTC(2026, 4, 5, 9, 0, 1)).toISOString() };
    const later = at(ticked('1', 1), since, ticked('2', 2));
    expect(pistonsSince(piston, later.turns, later.cylinders)).toBe(1);
    const done = { ...since, at: new Date(Date.UTC(2026, 4, 6)).toISOString() };
    const none = at(ticked('1', 1), ticked('2', 2), done);
    expect(pistonsSince(piston, none.turns, none.cylinders)).toBe(1);
  });
});
