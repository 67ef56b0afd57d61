import { describe, expect, it } from 'vitest';
import { boreReading, jobEntry, reading } from '@/fixtures/records';
import { STARTING_BORES } from '../stages/bores/measuringPlan';
import { STARTING_JOURNALS } from '../stages/journals/choices';
import { STARTING_BALANCE } from '../stages/assembly/weights/choices';
import { weightsOf } from '../stages/assembly/weights/weights';
import { STARTING_PISTONS } from '../stages/pistons/piston';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import type { Acceptable, Answer } from '../record/reading';
import type { Entry } from './buildRecord';
import { STARTING_RING_SET } from '../stages/rings/set';
import { torqueRecordOf } from '../stages/assembly/torque/torqueRecord';
import { judge } from './judge';
import type { Judgement } from './judgement';

let n = 0;
const stamp = () => {
  n += 1;
  return { id: `e-${n}`, at: new Date(Date.UTC(2026, 4, 4, 9) + n * 1000).toISOString(), by: 'KM' };
};
const judged = (...entries: Entry[]): Judgement => judge({ id: 'x', entries: [jobEntry(), ...entries] });
const first = (judgement: Judgement) => {
  const [cylinder] = judgement.cylinders;
  if (!cylinder) throw new Error('no cylinder');
  return cylinder;
};
type Answered = (Answer & { state: string }) | null | undefined;

interface Case {
  name: string;
  what: Acceptable | null;
  readings: Entry[];
  /** Chooses the limit so much tighter than one that what is read fails. */
  limit: (thou: number) => Entry;
  of: (judgement: Judgement) => Answered;
  /** A limit that it fails, a stricter one, and a laxer one that it fails too. */
  at: [accepted: number, stricter: number, laxer: number];
  lapses: RegExp;
}

const bolt: Entry = {
  ...stamp(),
  ...{ kind: 'tightened', group: 'rods', cylinder: 'L1', fastener: 1, what: 'stretch' },
  ...{ torque: null, angle: null, length: fromThou(8), typed: '8', instrument: null },
};

const CASES: Case[] = [
  {
    name: 'a bore',
    what: 'bore',
    readings: (['top', 'middle', 'bottom'] as const).flatMap((depth, i) =>
      [90, 0].map((angle) => boreReading(`b${depth}${angle}`, 'L1', depth, angle, fromInches(4.065) - fromThou(3 * i))),
    ),
    limit: (thou) => {
      const { honed } = STARTING_BORES.limits;
      const limits = { ...honed, within: { ...honed.within, taper: fromThou(thou) } };
      const wide = { ...limits, hone: { taper: fromThou(20), outOfRound: fromThou(20) } };
      return {
        ...{ ...stamp(), kind: 'bores', replaces: null },
        value: { ...STARTING_BORES, basis: 'honed', limits: { ...STARTING_BORES.limits, honed: wide } },
      };
    },
    of: (judgement) => ({ ...first(judgement).bore, state: first(judgement).bore.verdict.state }),
    at: [1, 0.5, 1.5],
    lapses: /KM accepted 6 thou against 1 thou/,
  },
  {
    name: 'a pin',
    what: 'pin',
    readings: [
      reading('p', 'L1', 'pin', fromInches(0.927)),
      reading('pb', 'L1', 'pinBore', fromInches(0.927) + fromThou(3)),
    ],
    limit: (thou) => ({
      ...{ ...stamp(), kind: 'pistons', replaces: null },
      value: { ...STARTING_PISTONS, pins: true, pin: { least: fromThou(0.1), most: fromThou(thou) } },
    }),
    of: (judgement) => first(judgement).piston.pin.clearance,
    at: [2, 1.5, 2.5],
    lapses: /KM accepted 3 thou against 2 thou/,
  },
  {
    name: 'a groove',
    what: null,
    readings: [reading('g', 'L1', 'topSide', fromThou(1), fromThou(1.5))],
    limit: (thou) => ({
      ...{ ...stamp(), kind: 'ringSet', replaces: null },
      value: { ...STARTING_RING_SET, side: { least: fromThou(thou), most: fromThou(20) } },
    }),
    of: (judgement) => first(judgement).grooves.grooves.find((g) => g.groove === 'top')?.side,
    at: [3, 4, 2.5],
    lapses: /KM accepted 1 thou against 3 thou/,
  },
  {
    name: 'a journal’s form',
    what: 'form',
    readings: [
      { ...reading('j1', 'M1', 'journal', fromInches(2.5)), place: { depth: 'front', angle: 90 } },
      { ...reading('j2', 'M1', 'journal', fromInches(2.5) - fromThou(2)), place: { depth: 'front', angle: 0 } },
    ],
    limit: (thou) => ({
      ...{ ...stamp(), kind: 'journals', replaces: null },
      value: { ...STARTING_JOURNALS, directions: 2, form: { outOfRound: fromThou(thou), taper: null } },
    }),
    of: (judgement) => judgement.mains[0]?.journal,
    at: [1, 0.5, 1.5],
    lapses: /KM accepted 2 thou against 1 thou/,
  },
  {
    name: 'a bolt',
    what: 'bolt',
    readings: [bolt],
    limit: (thou) => ({
      ...{ ...stamp(), kind: 'fasteners', replaces: null },
      value: [
        {
          ...{ id: 'rods', words: 'Rods', on: 'rods', count: 1, lubricant: 'oil', source: 'manual', steps: [] },
          ...{ angle: null, stretch: { from: fromThou(5), to: fromThou(thou) }, order: null, measured: false },
        },
      ],
    }),
    of: (judgement) => torqueRecordOf(judgement, judgement.cylinders)[0]?.fasteners[0],
    at: [7, 6, 7.5],
    lapses: /KM accepted 8 thou against 7 thou/,
  },
  {
    name: 'the weights of a cylinder',
    what: 'set',
    readings: ['L1', 'R1'].map((cylinder, i) => ({
      ...{ ...stamp(), kind: 'weighed', part: 'piston', cylinder, value: 600_000 + (1 - i) * 5_000, typed: '' },
    })),
    limit: (grams) => ({
      ...{ ...stamp(), kind: 'balance', replaces: null },
      value: { ...STARTING_BALANCE, within: grams * 1_000 },
    }),
    of: (judgement) => weightsOf(judgement).sets[0],
    at: [3, 2, 4],
    lapses: /KM accepted 5.0 g against 3.0 g/,
  },
];

describe('an acceptance names the figure and the limit', () => {
  it.each(CASES)('$name: it stands under a laxer limit, lapses under a stricter one and says so', (c) => {
    const [at, stricter, laxer] = c.at;
    const before = [...c.readings, c.limit(at)];
    const open = c.of(judged(...before));
    if (!open?.acceptId || !open.held) throw new Error('nothing to accept');
    expect(open.accepted).toBeNull();
    const yes: Entry = {
      ...{ ...stamp(), kind: 'accepted', of: open.acceptId, what: c.what, state: open.state, reason: 'a spare engine' },
      held: open.held,
    };
    expect(c.of(judged(...before, yes))?.accepted?.reason).toBe('a spare engine');
    expect(c.of(judged(...before, yes, c.limit(laxer)))?.accepted?.reason).toBe('a spare engine');
    const lapsed = judged(...before, yes, c.limit(stricter));
    expect(c.of(lapsed)).toMatchObject({ accepted: null, lapsed: { reason: 'a spare engine' } });
    expect(lapsed.findings.map((f) => messageText(f.says, 'imperial')).join('\n')).toMatch(c.lapses);
    // one of before figures were noted stands
    expect(c.of(judged(...before, { ...yes, held: null }, c.limit(stricter)))?.accepted?.reason).toBe('a spare engine');
  });
});
