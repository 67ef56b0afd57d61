/** Places joints off the main thread: one ask a cylinder. */
import { type SolveAsk, type Solved, solve } from '@/core/stages/clocking/clockingSolver';

self.onmessage = ({ data }: MessageEvent<SolveAsk[]>): void => {
  const begun = performance.now();
  const known = new Map<string, Solved>();
  const result = data.map((ask): Solved => {
    const key = JSON.stringify(ask);
    const solved = known.get(key) ?? solve(ask);
    known.set(key, solved);
    return solved;
  });
  self.postMessage({ result, took: performance.now() - begun });
};
