import { describe, expect, it } from 'vitest';
import type { BuildRecord } from '../../src/core/judge/buildRecord';
import { COMMON, emptyBuild, heldAgainst, ownOf, sentAs } from './sent';

/** What a writer of ten entries leaves behind when all goes well. */
function written(): BuildRecord[] {
  const builds = [emptyBuild(COMMON), emptyBuild(ownOf('a'))];
  for (let n = 0; n < 10; n += 1) {
    const { build, entry } = sentAs('a', n);
    builds.find(({ id }) => id === build)?.entries.push(entry);
  }
  return builds;
}
const held = (builds: BuildRecord[], next = 10) => heldAgainst(builds, new Map([['a', next]]));

describe('what stands on record, held against what was acknowledged', () => {
  it('all of it there, once', () => {
    expect(held(written())).toEqual({ acknowledged: 10, lost: 0, doubled: 0, wrong: 0 });
  });

  it('the one that was on its way may be there or not', () => {
    expect(held(written(), 9)).toMatchObject({ acknowledged: 9, lost: 0, wrong: 0 });
    expect(held(written(), 8)).toMatchObject({ wrong: 1 });
    expect(held(written(), 11)).toMatchObject({ lost: 1 });
  });

  it('what is missing, there twice under two ids, changed, or in another build is found', () => {
    const without = written();
    without[0]?.entries.splice(3, 1);
    expect(held(without)).toMatchObject({ lost: 1, doubled: 0 });
    const twice = written();
    const [, again] = twice[0]?.entries ?? [];
    if (again) twice[0]?.entries.push({ ...again, id: 'another' });
    expect(held(twice)).toMatchObject({ lost: 0, doubled: 1, wrong: 1 });
    const changed = written();
    changed[0]?.entries.splice(1, 1, { ...sentAs('a', 0).entry, by: 'XX' });
    expect(held(changed)).toMatchObject({ wrong: 1 });
    const astray = written();
    astray[1]?.entries.push(...(astray[0]?.entries.splice(2, 1) ?? []));
    expect(held(astray)).toMatchObject({ lost: 0, wrong: 1 });
  });
});
