/** A judgement as one bench works through it. */
import { describe, expect, it } from 'vitest';
import { gap, record } from '@/fixtures/records';
import { nextTask } from '../stages/contract/tasks';
import { atBench, claimOf } from './route';
import { judge } from './judge';
import { stepOn } from './nextTask';

const judged = judge(record(gap('a', 'L1', 'top', 22)));
const OWN = { rings: null, bores: null, taken: [] } as const;
const top = (cylinder: string) => ({ cylinder, subject: 'top', spot: null }) as const;

describe('at one bench', () => {
  it('is the same object where nothing is its own, and the same findings and verdicts where something is', () => {
    expect(atBench(judged, OWN)).toBe(judged);
    const own = atBench(judged, { ...OWN, rings: 'byRing' });
    expect(own.cylinders).toBe(judged.cylinders);
    expect(own.choices).toBe(judged.choices);
    expect(own.stages).toBe(judged.stages);
  });

  it('takes rings and bores in its own order', () => {
    expect(stepOn(judged, 'rings', top('L1')).subject).toBe('second');
    const own = atBench(judged, { ...OWN, rings: 'byRing', bores: 'byDepth' });
    expect(stepOn(own, 'rings', top('L1'))).toMatchObject({ cylinder: 'R1', subject: 'top' });
    expect(own.tasks.bores.slice(0, 8).every((t) => t.spot?.depth === own.tasks.bores[0]?.spot?.depth)).toBe(true);
    expect(stepOn(atBench(judged, { ...OWN, rings: 'free' }), 'rings', top('L1'))).toMatchObject(top('L1'));
  });

  it('is led past what others took, of that kind of work alone, and counts nothing of it as done', () => {
    const own = atBench(judged, { ...OWN, rings: 'byRing', taken: [claimOf('rings', 'R1'), claimOf('rings', 'L2')] });
    expect(stepOn(own, 'rings', top('L1')).cylinder).toBe('R2');
    expect(nextTask(own.tasks.rings, top('R1'))?.cylinder).toBe('R2');
    expect(own.tasks.bores).toEqual(judged.tasks.bores);
    expect(own.progress).toEqual(judged.progress);
    expect(own.tasks.rings).toHaveLength(judged.tasks.rings.length);
  });
});
