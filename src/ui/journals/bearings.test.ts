import { describe, expect, it } from 'vitest';
import { NO_LIMITS, STARTING_JOURNALS } from '@/core/stages/journals/choices';
import { judge } from '@/core/judge/judge';
import type { Entry } from '@/core/judge/buildRecord';
import { jobEntry } from '@/fixtures/records';
import { startingCursor } from '../openBuild/cursor';
import { END_PLAY, playAt } from './bearings';

const withOthers = (...ids: string[]) => {
  const others = ids.map((id) => ({ id, words: id, limits: NO_LIMITS }));
  const choice: Entry = {
    ...{ id: 'j', at: '2026-05-04T09:00:00.000Z', by: 'AB', kind: 'journals', replaces: null },
    value: { ...STARTING_JOURNALS, others },
  };
  return judge({ id: 'below', entries: [jobEntry({ also: ['journals'] }), choice] });
};

describe('where the line of named clearances stands', () => {
  it('is on one that there is: no reading goes to one that was taken off the list', () => {
    const judgement = withOthers('X2', 'X3');
    const cursor = startingCursor(judgement);
    expect(playAt(judgement, cursor, 'other').cylinder).toBe('X2');
    expect(playAt(judgement, { ...cursor, place: 'X3' }, 'other').cylinder).toBe('X3');
    expect(playAt(judgement, { ...cursor, place: 'X1' }, 'other').cylinder).toBe('X2');
    const none = withOthers();
    expect(playAt(none, { ...startingCursor(none), place: 'X2' }, 'other')).toEqual(END_PLAY);
  });
});
