/** Runs simulations off the main thread, in parts, telling how far it is. Stopped by ending the worker. */
import { type SimulationAsk, type SimulationResult, simulation } from '@/core/models/heat/simulate';

/** What is sent in: one ask a gap. */
export interface ChanceAsk {
  asks: SimulationAsk[];
}

/** What comes back: how far it is, and at the end all results in the order asked. */
export type ChanceNews =
  | { kind: 'progress'; done: number; total: number }
  | { kind: 'done'; results: SimulationResult[]; took: number }
  | { kind: 'failed'; why: string };

/** Draws between two words of progress. */
const PART = 10_000;

const tell = (news: ChanceNews): void => self.postMessage(news);

self.onmessage = ({ data: { asks } }: MessageEvent<ChanceAsk>): void => {
  const begun = performance.now();
  const total = asks.reduce((sum, ask) => sum + ask.draws, 0);
  let before = 0;
  try {
    const results = asks.map((ask) => {
      const run = simulation(ask);
      while (run.done() < ask.draws) {
        run.step(PART);
        tell({ kind: 'progress', done: before + run.done(), total });
      }
      before += ask.draws;
      return run.result();
    });
    tell({ kind: 'done', results, took: performance.now() - begun });
  } catch (error) {
    tell({ kind: 'failed', why: error instanceof Error ? error.message : String(error) });
  }
};
