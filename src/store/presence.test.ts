import { describe, expect, it } from 'vitest';
import { presentAt } from './presence';

describe('who is on a build', () => {
  it('is told to each window but itself, for as long as it goes on asking', () => {
    expect(presentAt('one', 'a', { by: 'AB', at: '3.top', mine: [] }, 0)).toEqual([]);
    expect(presentAt('one', 'b', { by: 'CD', at: '4.top', mine: [] }, 1_000)).toEqual([
      { by: 'AB', at: '3.top', mine: [] },
    ]);
    expect(presentAt('one', 'a', { by: 'AB', at: '3.second', mine: [] }, 2_000)).toEqual([
      { by: 'CD', at: '4.top', mine: [] },
    ]);
    expect(presentAt('other', 'a', { by: 'AB', at: '3.top', mine: [] }, 2_000)).toEqual([]);
    // b has not asked for more than five seconds
    expect(presentAt('one', 'a', { by: 'AB', at: '3.second', mine: [] }, 6_001)).toEqual([]);
  });

  it('remembers no more windows of a build than it can, the latest first', () => {
    for (let i = 0; i < 100; i += 1) presentAt('full', `w${i}`, { by: String(i), at: '', mine: [] }, i);
    const others = presentAt('full', 'me', { by: '', at: '', mine: [] }, 100);
    expect(others).toHaveLength(39);
    expect(others.at(-1)?.by).toBe('99');
  });

  it('what a bench took is its own, the first one’s where two took it, and stays so while it is away for a while', () => {
    const at = (bench: string, mine: string[], now: number) =>
      presentAt('taken', bench, { by: bench, at: '1.top', mine }, now);
    at('a', ['rings.L1'], 0);
    expect(at('b', ['rings.L1', 'rings.L2'], 1_000)).toMatchObject([{ by: 'a', mine: ['rings.L1'] }]);
    // it was a's first, whoever asks
    expect(at('a', ['rings.L1', 'rings.L2'], 1_500)).toMatchObject([{ by: 'b', mine: ['rings.L2'] }]);
    expect(at('c', [], 2_000)).toMatchObject([
      { by: 'b', mine: ['rings.L2'] },
      { by: 'a', mine: ['rings.L1'] },
    ]);
    // a sleeps: it is away, and what it took is still its own
    expect(at('c', [], 60_000).find((o) => o.by === 'a')).toEqual({ by: 'a', at: null, mine: ['rings.L1'] });
    expect(at('c', [], 700_000)).toEqual([]);
    // let go of, and taken anew by another
    at('a', [], 700_001);
    at('b', ['rings.L1'], 700_002);
    expect(at('a', ['rings.L1'], 700_003)).toMatchObject([
      { by: 'c', mine: [] },
      { by: 'b', mine: ['rings.L1'] },
    ]);
    expect(
      at(
        'c',
        Array.from({ length: 200 }, (_, i) => `rings.${i}`),
        700_004,
      ),
    ).toHaveLength(2);
    expect(at('d', [], 700_005).find((o) => o.by === 'c')?.mine).toHaveLength(64);
  });
});
