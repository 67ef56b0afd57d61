import { describe, expect, it } from 'vitest';
import { noMemo, createMemo } from './memo';

describe('what is remembered', () => {
  it('is kept of each thing of each, while all it follows from is the same', () => {
    const memo = createMemo();
    const made = (what: string, whose: string, ...from: unknown[]): object => memo(what, whose, from, () => ({ from }));
    const first = made('bore', 'L1', 1, 'a');
    expect(made('bore', 'L1', 1, 'a')).toBe(first);
    expect(made('bore', 'L2', 1, 'a')).not.toBe(first);
    expect(made('ring', 'L1', 1, 'a')).not.toBe(first);
    expect(made('bore', 'L1', 1, 'a')).toBe(first);
  });

  it.each([
    ['another figure', [2, 'a']],
    ['one less', [1]],
    ['one more', [1, 'a', undefined]],
    ['an equal object that is not the same', [1, {}]],
  ])('is made anew from %s', (_what, from) => {
    const memo = createMemo();
    const first = memo('bore', 'L1', [1, 'a'], () => 'first');
    expect(first).toBe('first');
    expect(memo('bore', 'L1', from, () => 'anew')).toBe('anew');
  });

  it('knows a figure that is none from itself', () => {
    const memo = createMemo();
    memo('bore', 'L1', [NaN], () => 'first');
    expect(memo('bore', 'L1', [NaN], () => 'anew')).toBe('first');
  });

  it('is nothing to one that forgets', () => {
    noMemo('bore', 'L1', [1], () => 'first');
    expect(noMemo('bore', 'L1', [1], () => 'anew')).toBe('anew');
  });
});
