import { describe, expect, it } from 'vitest';
import { gap, jobEntry } from '@/fixtures/records';
import { judge } from './judge';
import { fromInches } from '../foundation/quantity/length';
import { CHOICE_KINDS, STARTING } from './stageTables';
import { STARTING_CURVE } from '../models/charts/startingCurve';
import type { Entry } from './buildRecord';
import { sameAgain } from './copyBuild';

const stamp = { at: '2026-06-01T09:00:00.000Z', by: 'CD' };
const choice = (kind: Entry['kind'], value: unknown): Entry =>
  ({ id: `c-${kind}`, at: '2026-05-04T09:00:00.000Z', by: 'AB', kind, replaces: null, value }) as Entry;

describe('same again', () => {
  it('brings every choice but the job card and what is of the very parts, and nothing that was measured', () => {
    const entries = [
      jobEntry(),
      gap('a', 'L1', 'top', 22),
      ...CHOICE_KINDS.flatMap((kind) => {
        const value = STARTING[kind]('imperial');
        return kind === 'job' || value === null ? [] : [choice(kind, value)];
      }),
    ];
    const again = sameAgain({ id: 'one', entries }, stamp);
    expect(again.map((e) => e.kind)).toEqual(
      CHOICE_KINDS.filter(
        (k) => !['job', 'pairing', 'placing', 'supplied'].includes(k) && STARTING[k]('imperial') !== null,
      ),
    );
    expect(again.every((e) => e.by === 'CD' && e.at === stamp.at && 'replaces' in e && e.replaces === null)).toBe(true);
    expect(new Set(again.map((e) => e.id)).size).toBe(again.length);
  });

  it('what was said of single cylinders, and which way up the rings were found, stays behind', () => {
    const targets = {
      ...STARTING.targets('imperial'),
      gapWindow: 50_800,
      allowances: [{ cylinder: 'L1', gap: 25_400, clearance: 0, reason: 'hot' }],
    };
    const clocking = {
      ...STARTING.clocking('imperial'),
      mirrorLeft: false,
      own: [{ cylinder: 'L1', joints: { top: 90 } }],
    };
    const ringSet = STARTING.ringSet('imperial');
    const entries = [
      jobEntry({ plannedBore: fromInches(4) }),
      choice('targets', { ...targets, gapWindow: 99_999 }),
      { ...choice('targets', targets), id: 'later' },
      choice('clocking', clocking),
      choice('ringSet', { ...ringSet, name: 'as sold', top: { ...ringSet.top, mark: 'dot' } }),
      choice('chart', STARTING_CURVE),
    ];
    const again = sameAgain({ id: 'one', entries }, stamp);
    const { choices } = judge({ id: 'two', entries: [jobEntry({ name: 'Two' }), ...again] });
    expect(choices.targets).toMatchObject({ gapWindow: 50_800, allowances: [] });
    expect(choices.clocking).toMatchObject({ mirrorLeft: false, own: [] });
    expect(choices.ringSet).toMatchObject({ name: 'as sold', top: { mark: null } });
    expect(choices.chart.id).toBe('starting-curve');
  });
});
