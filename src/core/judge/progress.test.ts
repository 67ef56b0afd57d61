import { describe, expect, it } from 'vitest';
import { gap, jobEntry, reading, record } from '@/fixtures/records';
import { startingChoices } from '../models/targets/papers';
import { fromInches, fromThou } from '../foundation/quantity/length';
import type { Entry } from './buildRecord';
import { judge } from './judge';
import type { StageId } from './registry';

const AT = '2026-05-04T09:00:00.000Z';
const of = (stage: StageId, ...entries: Entry[]) => judge(record(...entries)).stages.find((s) => s.stage === stage);
const elsewhere = (stages: StageId[]): Entry => jobEntry({ elsewhere: stages }, 'job-2', 'job-1');

describe('progress', () => {
  it('counts what stands open whatever was asked: a tight clearance of a stage left to others is 0 of 1', () => {
    const left = elsewhere(['pistons', 'bores']);
    const read = [reading('b', 'L1', 'bore', fromInches(4.065)), reading('p', 'L1', 'piston', fromInches(4.064))];
    expect(of('pistons', left)).toMatchObject({ done: 0, total: 0 });
    expect(of('pistons', left, ...read)).toMatchObject({ done: 0, total: 1 });
  });

  it('an own figure under a sheet leaves the targets open until it is accepted', () => {
    const choices = startingChoices('imperial');
    const minimum = (thou: number) => ({ form: 'minimum' as const, min: fromThou(thou), from: 'sheet' });
    const targets: Entry = {
      ...{ kind: 'targets', id: 't', at: AT, by: '', replaces: null },
      value: {
        ...choices,
        gaps: { ...choices.gaps, top: { sheet: minimum(24), manual: null, own: { given: minimum(20), over: true } } },
      },
    };
    const all = (s: { done: number; total: number } | undefined) =>
      s !== undefined && s.done === s.total && s.total > 0;
    expect(all(of('targets'))).toBe(true);
    expect(all(of('targets', targets))).toBe(false);
    const held = { figure: fromThou(20), limit: fromThou(24), side: 'least' as const };
    const yes: Entry = {
      ...{
        kind: 'accepted',
        id: 'y',
        at: AT,
        by: 'KM',
        of: 't',
        what: 'ownTop',
        state: 'least',
        reason: 'known',
        held,
      },
    };
    expect(all(of('targets', targets, yes))).toBe(true);
  });

  it('rings that are all in their windows are not all done while one of their cylinder contradicts itself', () => {
    const rings = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'].flatMap((id) => [
      gap(`t${id}`, id, 'top', 22),
      gap(`s${id}`, id, 'second', 24),
    ]);
    expect(of('rings', ...rings)).toMatchObject({ done: 16, total: 16 });
    // the set stands and so do all rings: repeats of a groove that lie apart are a fix on the cylinder
    const apart = [
      reading('g1', 'L1', 'topSide', fromThou(1.2), fromThou(1.5)),
      reading('g2', 'L1', 'topSide', fromThou(4), fromThou(4.5)),
    ];
    expect(of('rings', ...rings, ...apart)?.done).toBeLessThan(16);
    const tight = reading('g', 'L1', 'topSide', fromThou(0.2), fromThou(0.3));
    expect(of('rings', ...rings, tight)?.done).toBeLessThan(16);
  });
});
