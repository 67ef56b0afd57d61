import { describe, expect, it } from 'vitest';
import { type Check, CHECKS } from '../record/stepIds';
import { type ClockingChoices, STARTING_CLOCKING } from '../stages/clocking/choices';
import type { Joints } from '../foundation/parts/joints';
import { messageText } from '../foundation/quantity/message';
import { judgementDiff } from './diff';
import { judge } from './judge';
import { job, jobEntry, record, voiding } from '@/fixtures/records';
import { againstOf } from '../stages/assembly/cylinderSteps';
import { STARTING_PAIRING } from '../stages/pistons/choices';
import { STARTING_PLACING } from '../stages/rings/choices';
import type { Entry } from './buildRecord';
import type { JudgedCylinder } from './judgement';

const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
const clock = (id: string, change: Partial<ClockingChoices> = {}): Entry => ({
  ...stamp,
  id,
  kind: 'clocking',
  replaces: null,
  value: { ...STARTING_CLOCKING, ...change },
});

function at(entries: Entry[], id = 'R1'): JudgedCylinder {
  const found = judge(record(...entries)).cylinders.find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found;
}

/** A check as the bench notes it: against what is planned and expected then. */
function checked(before: Entry[], id: string, check: Check, found: Partial<Joints> = {}, cylinder = 'R1'): Entry {
  const judged = at(before, cylinder);
  const isJoints = check === 'jointsBefore' || check === 'jointsAfter';
  return {
    ...stamp,
    id,
    kind: 'check',
    cylinder,
    check,
    planned: isJoints ? (judged.clocking.plan?.joints ?? null) : null,
    found,
    expected: againstOf(check, judged.clocking),
  };
}

const allChecked = (before: Entry[]): Entry[] =>
  CHECKS.reduce<Entry[]>((all, check) => [...all, checked(all, `k-${check}`, check)], before);
const stateOf = (entries: Entry[], check: Check): string | undefined =>
  at(entries).block.checks.find((c) => c.check === check)?.state;
const stage = (entries: Entry[], name: string): number | undefined =>
  judge(record(...entries)).stages.find((s) => s.stage === name)?.done;

describe('the clocking of a build', () => {
  it('is proposed until someone chooses it, and settled while it breaks no rule', () => {
    expect(stage([], 'clocking')).toBe(0);
    expect(at([]).clocking.plan?.joints.top).toBe(45);
    expect(stage([clock('c')], 'clocking')).toBe(8);
    const broken = [clock('c', { own: [{ cylinder: 'R1', joints: { second: 50 } }] })];
    expect(stage(broken, 'clocking')).toBe(7);
    const said = judge(record(...broken)).findings.filter((f) => f.stage === 'clocking');
    expect(said).toMatchObject([{ severity: 'stop', cylinder: 'R1' }]);
    expect(said.map((f) => messageText(f.says, 'metric'))[0]).toMatch(
      /^Cylinder 2: Top ring gap and second ring gap are 5° apart\..*Turn the (top|second) ring gap to \d+° \(\d+° (anti)?clockwise\)\.$/,
    );
  });

  it('asks for what a school needs once it is chosen', () => {
    const findings = judge(record(clock('c', { school: 'sheet' }))).findings.filter((f) => f.stage === 'clocking');
    expect(findings).toHaveLength(8);
    expect(findings[0]).toMatchObject({ severity: 'mend' });
  });

  it('the forward bank is the one that is drawn further forward', () => {
    const y = (entries: Entry[], id: string): number | undefined => at(entries, id).deck.y;
    expect(y([], 'L1')).toBeLessThan(y([], 'R1') ?? 0);
    const right = [clock('c', { rods: { ...STARTING_CLOCKING.rods, forwardBank: 'right' } })];
    expect(y(right, 'R1')).toBeLessThan(y(right, 'L1') ?? 0);
  });
});

describe('the checks at the block', () => {
  const base = [clock('c')];
  const done = allChecked(base);

  it('make a cylinder ready, and each can be taken back', () => {
    expect(stage(done, 'assembly')).toBe(1);
    expect(at(done).block).toMatchObject({
      done: 6,
      checks: CHECKS.map((check) => ({ check, state: 'right', tick: { by: 'AB' } })),
    });
    expect(stage([...done, voiding('v', 'k-rod')], 'assembly')).toBe(0);
    expect(stateOf([...done, voiding('v', 'k-rod')], 'rod')).toBe('to do');
  });

  it('joints found elsewhere are noted with their angle: right within the rules, to mend against them', () => {
    const near = [...base, checked(base, 'm', 'jointsAfter', { second: 240 })];
    expect(stateOf(near, 'jointsAfter')).toBe('moved');
    expect(at(near).block.asFound).toMatchObject({ top: 45, second: 240 });
    const inLine = [...base, checked(base, 'm', 'jointsAfter', { second: 60 })];
    expect(stateOf(inLine, 'jointsAfter')).toBe('against');
    const finding = judge(record(...inLine)).findings.find((f) => f.stage === 'assembly');
    expect(finding && messageText(finding.says, 'metric')).toMatch(
      /^Cylinder 2: .*second ring gap at 60°, 165° from its plan\. Top ring gap and second ring gap are 15° apart/,
    );
    expect(stateOf([...inLine, checked(inLine, 'n', 'jointsAfter')], 'jointsAfter')).toBe('right');
  });

  it('ask to be made again once the plan of that cylinder changes, and not for another’s', () => {
    const other = [...done, clock('d', { own: [{ cylinder: 'L1', joints: { top: 300 } }] })];
    expect(stage(other, 'assembly')).toBe(1);
    const own = [...done, clock('d', { own: [{ cylinder: 'R1', joints: { top: 60 } }] })];
    expect([stateOf(own, 'jointsBefore'), stateOf(own, 'jointsAfter'), stateOf(own, 'rod')]).toEqual([
      'again',
      'again',
      'right',
    ]);
    expect(stage([...own, clock('e')], 'assembly')).toBe(1);
  });

  it.each(['bore', 'piston', 'top', 'second', 'upperRail', 'lowerRail'])(
    'ask to be made again once the %s in that cylinder is machined or replaced',
    (part) => {
      const renewed = (cylinder: string): Entry => ({ ...stamp, id: 'n', kind: 'renewed', part, cylinder });
      expect(stateOf([...done, renewed('R1')], 'rod')).toBe('again');
      expect(stateOf([...done, renewed('L1')], 'rod')).toBe('right');
    },
  );

  it('hold when the engine is only numbered anew', () => {
    const numbered = jobEntry(
      { engine: { ...job.engine, numbering: { scheme: 'bankByBank', start: 'front', firstBank: 'left' } } },
      'job-2',
    );
    expect(stage([...done, numbered], 'assembly')).toBe(1);
  });

  it('tell of what is to be made again, once', () => {
    const cut: Entry = { ...stamp, id: 'x', kind: 'cut', cylinder: 'R1', ring: 'top', filer: null, count: 3 };
    const [before, after] = [judge(record(...done)), judge(record(...done, cut))];
    expect(judgementDiff(before, after).map((s) => messageText(s, 'metric'))).toEqual([
      'Cylinder 2: check again at the block',
    ]);
    expect(judgementDiff(after, after)).toEqual([]);
  });

  it('ask to be made again once the rod or the mark is to face another way', () => {
    const mark = [
      ...done,
      clock('d', { facts: { ...STARTING_CLOCKING.facts, frontMark: { what: 'dot', points: 'rear' } } }),
    ];
    expect([stateOf(mark, 'frontMark'), stateOf(mark, 'rod')]).toEqual(['again', 'right']);
    const rods = [...done, clock('d', { rods: { ...STARTING_CLOCKING.rods, forwardBank: 'right' } })];
    expect([stateOf(rods, 'frontMark'), stateOf(rods, 'rod')]).toEqual(['right', 'again']);
  });

  it('ask to be made again once a part is swapped, renewed or filed, and hold when that is taken back', () => {
    const later: Entry[][] = [
      [{ ...stamp, id: 'x', kind: 'renewed', part: 'piston', cylinder: 'R1' }],
      [{ ...stamp, id: 'x', kind: 'renewed', part: 'upperRail', cylinder: 'R1' }],
      [{ ...stamp, id: 'x', kind: 'cut', cylinder: 'R1', ring: 'top', filer: null, count: 3 }],
    ];
    for (const entries of later) {
      expect(stateOf([...done, ...entries], 'ringsFree')).toBe('again');
      expect(stage([...done, ...entries, voiding('v', 'x')], 'assembly')).toBe(1);
      expect(stage([...done, ...entries.map((e) => ({ ...e, cylinder: 'L1' }) as Entry)], 'assembly')).toBe(1);
    }
    const swapped: Entry = {
      ...stamp,
      id: 'x',
      kind: 'pairing',
      replaces: null,
      value: {
        ...STARTING_PAIRING,
        pairs: [
          { cylinder: 'R1', piston: 'L1' },
          { cylinder: 'L1', piston: 'R1' },
        ],
      },
    };
    expect(stateOf([...done, swapped], 'frontMark')).toBe('again');
    const rings: Entry = {
      ...stamp,
      id: 'x',
      kind: 'placing',
      replaces: null,
      value: {
        ...STARTING_PLACING,
        second: {
          pairs: [
            { cylinder: 'R1', ring: 'L1' },
            { cylinder: 'L1', ring: 'R1' },
          ],
          locked: [],
        },
      },
    };
    expect(stateOf([...done, rings], 'jointsAfter')).toBe('again');
    expect(stage([...done, rings, { ...rings, id: 'y', value: STARTING_PLACING }], 'assembly')).toBe(1);
  });
});
