import { describe, expect, it } from 'vitest';
import { presentAt } from './presence';

describe('who is on a build', () => {
  it('is told to each window but itself, for as long as it goes on asking', () => {
    expect(presentAt('one', 'a', { by: 'AB', at: '3.top' }, 0)).toEqual([]);
    expect(presentAt('one', 'b', { by: 'CD', at: '4.top' }, 1_000)).toEqual([{ by: 'AB', at: '3.top' }]);
    expect(presentAt('one', 'a', { by: 'AB', at: '3.second' }, 2_000)).toEqual([{ by: 'CD', at: '4.top' }]);
    expect(presentAt('other', 'a', { by: 'AB', at: '3.top' }, 2_000)).toEqual([]);
    // b has not asked for more than five seconds
    expect(presentAt('one', 'a', { by: 'AB', at: '3.second' }, 6_001)).toEqual([]);
  });

  it('remembers no more windows of a build than it can, the latest first', () => {
    for (let i = 0; i < 100; i += 1) presentAt('full', `w${i}`, { by: String(i), at: '' }, i);
    const others = presentAt('full', 'me', { by: '', at: '' }, 100);
    expect(others).toHaveLength(39);
    expect(others.at(-1)?.by).toBe('99');
  });
});
