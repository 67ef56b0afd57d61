import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../models/heat/random';
import { fromInches, fromThou, toInches } from '../../foundation/quantity/length';
import { ovalSquare, pairSquare, rangeSquare, withoutScatter } from './scatter';
import { type MeasuredSpot, shapeOf } from './shape';

const thou = (nm: number): number => toInches(nm) * 1000;
const { normal } = randomFrom(3);
const drawn = (count: number, of: () => number): number =>
  Array.from({ length: count }, of).reduce((sum, v) => sum + v * v, 0) / count;
const range = (values: number[]): number => Math.max(...values) - Math.min(...values);
const some = (count: number): number[] => Array.from({ length: count }, normal);

describe('what scatter alone makes of a perfect bore (drawn)', () => {
  it.each([2, 3, 4, 6, 7])('the range of %d readings', (count) => {
    expect(rangeSquare(count, 1) / drawn(40_000, () => range(some(count)))).toBeCloseTo(1, 1);
  });

  it.each([1, 2, 3, 4, 7])('the largest difference of two directions over %d depths', (depths) => {
    const largest = (): number => Math.max(...Array.from({ length: depths }, () => range(some(2))));
    expect(pairSquare(depths, 1) / drawn(40_000, largest)).toBeCloseTo(1, 1);
  });

  it('counts for nothing where the figure is far larger, and leaves nothing of one it would show by itself', () => {
    expect(withoutScatter(2, 5)).toBe(0);
    expect(withoutScatter(100, 5)).toBeCloseTo(99.97, 2);
  });
});

describe('a bore read at four depths in three directions', () => {
  const own = fromThou(0.1);
  const depths = ['top', 'upper', 'lower', 'bottom'] as const;
  const bore = (oval: number, taper: number): MeasuredSpot[] =>
    depths.flatMap((depth, i) =>
      [90, 150, 30].map((angle) => ({
        ...{ depth, angle, own, freedom: Infinity },
        value:
          fromInches(4) +
          (taper / 3) * (3 - i) +
          (oval / 2) * Math.cos((2 * Math.PI * (angle - 90)) / 180) +
          own * normal(),
      })),
    );
  const mean = (oval: number, taper: number, of: 'value' | 'judged', what: 'outOfRound' | 'taper'): number => {
    const found = Array.from({ length: 1_000 }, () => {
      const shape = shapeOf(bore(fromThou(oval), fromThou(taper)));
      return (what === 'taper' ? shape?.taper.thrust?.[of] : shape?.outOfRound?.[of]) ?? 0;
    });
    return thou(found.reduce((a, b) => a + b, 0) / found.length);
  };

  it('shows 2.7 σ of out-of-round where it is round, and most of that is not counted', () => {
    expect(mean(0, 0, 'value', 'outOfRound') / 0.1).toBeGreaterThan(2.6);
    expect(mean(0, 0, 'judged', 'outOfRound') / 0.1).toBeLessThan(1.3);
    expect(mean(0, 0, 'value', 'taper') / 0.1).toBeCloseTo(2.06, 1);
    expect(mean(0, 0, 'judged', 'taper') / 0.1).toBeLessThan(1.1);
  });

  it('is judged by what it is where it is oval or tapered, and never as less by more than half its scatter', () => {
    for (const true_ of [0.5, 1, 2]) {
      const [oval, taper] = [mean(true_, 0, 'judged', 'outOfRound'), mean(0, true_, 'judged', 'taper')];
      for (const found of [oval, taper]) {
        expect(found).toBeGreaterThan(true_ - 0.05);
        expect(found).toBeLessThan(true_ + 0.2);
      }
    }
  });

  it('is never judged worse than what was seen of it', () => {
    for (let i = 0; i < 500; i += 1) {
      const { outOfRound, taper } = shapeOf(bore(fromThou(0.2), 0)) ?? {};
      expect(outOfRound?.judged).toBeLessThanOrEqual(outOfRound?.value ?? 0);
      expect(taper?.thrust?.judged).toBeLessThanOrEqual(taper?.thrust?.value ?? 0);
    }
  });

  it('the mean square of fitted ovals of a round bore is what is taken off', () => {
    const found = drawn(4_000, () => {
      const shape = shapeOf(bore(0, 0).filter((s) => s.depth === 'top'));
      return thou(2 * (shape?.depths[0]?.oval?.amplitude ?? 0));
    });
    const { both } = shapeOf(bore(0, 0))?.depths[0]?.oval?.doubt ?? { both: 0 };
    expect(found / ovalSquare(1, both, 0.1)).toBeCloseTo(1, 1);
  });
});
