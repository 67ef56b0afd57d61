import { describe, expect, it } from 'vitest';
import { type Evidence, agreed } from './evidence';

const of = (id: string, low: number, high: number, change: Partial<Evidence> = {}): Evidence => ({
  id,
  low,
  high,
  standard: 0,
  freedom: Infinity,
  direct: true,
  place: null,
  ...change,
});
const up = (to: number) => () => ({ tools: 0, all: to });
const none = up(0);

describe('readings of one figure', () => {
  it('that overlap leave what all of them leave; the lower end names the reading it is from', () => {
    const found = agreed([of('a', 20, 24), of('b', 21, 23), of('c', 19, Infinity)], none);
    expect(found).toMatchObject({ low: 21, high: 23, by: 'b', aside: [], disagreement: null });
  });

  it('are known as well as the worse of the two that bound them', () => {
    const direct = of('a', 21, 22);
    const moved = of('b', 20.7, 21.7, { standard: 0.18, freedom: 5, direct: false });
    expect(agreed([direct, moved], none)).toMatchObject({
      low: 21,
      high: 21.7,
      standard: 0.18,
      freedom: 5,
      direct: true,
    });
    expect(agreed([of('a', 21, 22), of('b', 19, 23, { standard: 2 })], none)).toMatchObject({ standard: 0 });
  });

  it('that do not overlap leave the narrower, and are named where the tools do not explain it', () => {
    const [narrow, wide] = [of('a', 20, 21), of('b', 22, 23)];
    expect(agreed([wide, narrow], up(1))).toMatchObject({ low: 20, high: 21, disagreement: null });
    expect(agreed([wide, narrow], none)).toMatchObject({ low: 20, high: 21, disagreement: { narrow, wide, apart: 1 } });
  });

  it('are settled by two later ones that agree, and not by one, nor by two earlier', () => {
    const [odd, a, b] = [of('odd', 25, 26), of('a', 20, 21), of('b', 20.5, 21.5)];
    expect(agreed([odd, a, b], none)).toMatchObject({ aside: ['odd'], disagreement: null, low: 20.5, high: 21 });
    expect(agreed([odd, a], none).disagreement).not.toBeNull();
    expect(agreed([a, b, odd], none).disagreement).not.toBeNull();
  });
});
