/** The figures of one run of the benchmark, and how times are put together. */
import { Figures, at } from './figures';

export const figures = new Figures();
export const add = figures.add.bind(figures);

/** What is held to a time is held to frames of the screen, ms. */
export const FRAME = 1_000 / 60;

export interface Spread {
  median: number;
  p95: number;
}

export function spread(times: number[]): Spread {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: at(sorted, 0.5), p95: at(sorted, 0.95) };
}

export const ms = ({ median, p95 }: Spread): string =>
  `${median.toFixed(3)} ms median, ${p95.toFixed(3)} ms 95th percentile`;
