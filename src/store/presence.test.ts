import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Presence } from './presence';

describe('who is on a build', () => {
  const here = new Presence();
  it('is told to each window but itself, for as long as it goes on asking', () => {
    expect(here.at('one', 'a', { by: 'AB', at: '3.top', mine: [] }, 0)).toEqual([]);
    expect(here.at('one', 'b', { by: 'CD', at: '4.top', mine: [] }, 1_000)).toEqual([
      { by: 'AB', at: '3.top', mine: [] },
    ]);
    expect(here.at('one', 'a', { by: 'AB', at: '3.second', mine: [] }, 2_000)).toEqual([
      { by: 'CD', at: '4.top', mine: [] },
    ]);
    expect(here.at('other', 'a', { by: 'AB', at: '3.top', mine: [] }, 2_000)).toEqual([]);
    // b has not asked for more than five seconds
    expect(here.at('one', 'a', { by: 'AB', at: '3.second', mine: [] }, 6_001)).toEqual([]);
  });

  it('remembers no more windows of a build than it can, the latest first', () => {
    for (let i = 0; i < 100; i += 1) here.at('full', `w${i}`, { by: String(i), at: '', mine: [] }, i);
    const others = here.at('full', 'me', { by: '', at: '', mine: [] }, 100);
    expect(others).toHaveLength(39);
    expect(others.at(-1)?.by).toBe('99');
  });

  it('remembers no more builds than it can, those asked for last', () => {
    const full = new Presence();
    for (let i = 0; i <= 1_000; i += 1) full.at(`b${i}`, 'a', { by: 'AB', at: '', mine: [] }, i);
    const others = (build: string) => full.at(build, 'me', { by: '', at: '', mine: [] }, 1_000);
    expect([others('b1'), others('b0')].map((found) => found.length)).toEqual([1, 0]);
  });

  it('what a bench took is its own, the first one’s where two took it, and stays so while it is away for a while', () => {
    const at = (bench: string, mine: string[], now: number) =>
      here.at('taken', bench, { by: bench, at: '1.top', mine }, now);
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

  it('what another server tells is known here too: the first one’s is whose it was taken by first, wherever', () => {
    const [one, other] = [new Presence(), new Presence()];
    one.at('b', 'a', { by: 'AA', at: '1.top', mine: ['rings.L1'] }, 1_000);
    other.at('b', 'z', { by: 'ZZ', at: '2.top', mine: ['rings.L1', 'rings.L2'] }, 2_000);
    one.hear(other.told(3_000), 3_000);
    other.hear(one.told(3_000), 3_000);
    expect(other.at('b', 'z', { by: 'ZZ', at: '2.top', mine: ['rings.L1', 'rings.L2'] }, 3_100)).toEqual([
      { by: 'AA', at: '1.top', mine: ['rings.L1'] },
    ]);
    expect(other.at('b', 'y', { by: 'YY', at: '3.top', mine: [] }, 3_100)).toEqual([
      { by: 'AA', at: '1.top', mine: ['rings.L1'] },
      { by: 'ZZ', at: '2.top', mine: ['rings.L2'] },
    ]);
    // what is told takes the place of what was told before
    other.hear([], 3_200);
    expect(other.at('b', 'y', { by: 'YY', at: '3.top', mine: [] }, 3_200)).toEqual([
      { by: 'ZZ', at: '2.top', mine: ['rings.L1', 'rings.L2'] },
    ]);
    expect(one.at('b', 'a', { by: 'AA', at: '1.top', mine: [] }, 3_100)).toEqual([
      { by: 'ZZ', at: '2.top', mine: ['rings.L1', 'rings.L2'] },
    ]);
  });

  it('a window that asks now here and now there is there once, with what it said last, and what it took since it took it', () => {
    const [one, other] = [new Presence(), new Presence()];
    one.at('b', 'a', { by: 'AA', at: '1.top', mine: ['rings.L1'] }, 1_000);
    other.hear(one.told(1_100), 1_100);
    // another took it meanwhile: it was a's first, though this server hears it of a now
    other.at('b', 'z', { by: 'ZZ', at: '2.top', mine: ['rings.L1'] }, 1_200);
    expect(other.at('b', 'a', { by: 'AA', at: '1.second', mine: ['rings.L1'] }, 1_300)).toEqual([
      { by: 'ZZ', at: '2.top', mine: [] },
    ]);
    one.hear(other.told(1_400), 1_400);
    expect(one.at('b', 'y', { by: 'YY', at: '', mine: [] }, 1_500)).toEqual([
      { by: 'ZZ', at: '2.top', mine: [] },
      { by: 'AA', at: '1.second', mine: ['rings.L1'] },
    ]);
    // it let go of it there
    other.at('b', 'a', { by: 'AA', at: '1.second', mine: [] }, 1_600);
    one.hear(other.told(1_700), 1_700);
    expect(one.at('b', 'y', { by: 'YY', at: '', mine: [] }, 1_800)).toContainEqual({
      by: 'ZZ',
      at: '2.top',
      mine: ['rings.L1'],
    });
    // heard of it twice, in whichever order: what it said last
    const third = new Presence();
    for (const told of [
      [...one.told(1_900), ...other.told(1_900)],
      [...other.told(1_900), ...one.told(1_900)],
    ]) {
      third.hear(told, 1_900);
      expect(third.at('b', 'q', { by: '', at: '', mine: [] }, 1_900)).toContainEqual({
        by: 'AA',
        at: '1.second',
        mine: [],
      });
    }
  });

  it('a window elsewhere that asks no more is away after a while, and then gone', () => {
    const here = new Presence();
    const told = { build: 'b', bench: 'a', by: 'AA', at: '1.top', asked: 1_000, mine: {} };
    here.hear([told, { ...told, bench: 'c', by: 'CC', mine: { 'rings.L1': 2_000 } }], 0);
    const seen = (now: number) => here.at('b', 'me', { by: '', at: '', mine: [] }, now);
    expect(seen(4_000).map((o) => [o.by, o.at])).toEqual([
      ['AA', '1.top'],
      ['CC', '1.top'],
    ]);
    expect(seen(4_001).map((o) => [o.by, o.at])).toEqual([['CC', null]]);
    expect(seen(599_000)).toHaveLength(1);
    expect(seen(599_001)).toEqual([]);
    // nobody here: nothing to tell
    expect(here.told(604_002)).toEqual([]);
  });

  it('of two that took the same at the same moment, at servers of their own, one has it: the same by both', () => {
    const [one, other] = [new Presence(), new Presence()];
    one.at('b', 'a', { by: 'AA', at: '1.top', mine: ['rings.L1'] }, 1_000);
    other.at('b', 'z', { by: 'ZZ', at: '1.top', mine: ['rings.L1'] }, 1_000);
    one.hear(other.told(2_000), 2_000);
    other.hear(one.told(2_000), 2_000);
    expect(one.at('b', 'a', { by: 'AA', at: '1.top', mine: ['rings.L1'] }, 2_000)).toMatchObject([{ mine: [] }]);
    expect(other.at('b', 'z', { by: 'ZZ', at: '1.top', mine: ['rings.L1'] }, 2_000)).toMatchObject([
      { mine: ['rings.L1'] },
    ]);
  });

  it('two servers whose clocks differ and whose answers come late agree on whose it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60_000, max: 60_000 }),
        fc.nat(900),
        fc.nat(900),
        fc.nat(900),
        (skew, a, b, late) => {
          const [one, other] = [new Presence(), new Presence()];
          const [atOne, atOther] = [1e6, 1e6 + skew];
          one.at('b', 'a', { by: 'AA', at: '', mine: ['rings.L1'] }, atOne + a);
          other.at('b', 'z', { by: 'ZZ', at: '', mine: ['rings.L1'] }, atOther + b);
          one.hear(other.told(atOther + 1_000), atOne + 1_000 + late);
          other.hear(one.told(atOne + 1_000), atOther + 1_000 + late);
          const [ofOther] = one.at('b', 'a', { by: 'AA', at: '', mine: ['rings.L1'] }, atOne + 2_000);
          const [ofOne] = other.at('b', 'z', { by: 'ZZ', at: '', mine: ['rings.L1'] }, atOther + 2_000);
          expect([...(ofOther?.mine ?? []), ...(ofOne?.mine ?? [])]).toEqual(['rings.L1']);
        },
      ),
    );
  });
});
