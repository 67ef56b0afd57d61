'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { SimulationAsk, SimulationResult } from '@/core/models/heat/simulate';
import type { ChanceAsk, ChanceNews } from '@/workers/gapChance';

export type Chance =
  | { state: 'running'; done: number; total: number }
  | { state: 'done'; results: SimulationResult[]; took: number }
  | { state: 'stopped' }
  | { state: 'failed'; why: string };

/** Typing settles for so long before a run begins, ms. */
const SETTLE = 150;

/**
 * Runs the simulations asked for in a worker of their own: anew whenever they change, the run before being
 * ended first. `stop` ends a run, `again` begins it anew.
 */
export function useGapChance(asks: SimulationAsk[]): { chance: Chance; stop: () => void; again: () => void } {
  const [chance, setChance] = useState<Chance>({ state: 'stopped' });
  const worker = useRef<Worker | null>(null);
  const begun = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [round, setRound] = useState(0);
  const key = JSON.stringify(asks);
  /** Ends a run, begun or about to be: what its worker says from then on, that it failed too, is not heard. */
  const end = useCallback(() => {
    clearTimeout(begun.current);
    const running = worker.current;
    worker.current = null;
    if (!running) return;
    running.onmessage = null;
    running.onerror = null;
    running.terminate();
  }, []);

  useEffect(() => {
    const asked = JSON.parse(key) as SimulationAsk[];
    const total = asked.reduce((sum, ask) => sum + ask.draws, 0);
    if (total === 0) return;
    begun.current = setTimeout(() => {
      setChance({ state: 'running', done: 0, total });
      const running = new Worker(new URL('../../workers/gapChance.ts', import.meta.url), { type: 'module' });
      worker.current = running;
      running.onmessage = ({ data }: MessageEvent<ChanceNews>): void => {
        if (data.kind === 'progress') setChance({ state: 'running', done: data.done, total: data.total });
        else
          setChance(
            data.kind === 'done'
              ? { state: 'done', results: data.results, took: data.took }
              : { state: 'failed', why: data.why },
          );
        if (data.kind !== 'progress') running.terminate();
      };
      running.onerror = () => setChance({ state: 'failed', why: 'The run could not be begun in this browser.' });
      running.postMessage({ asks: asked } satisfies ChanceAsk);
    }, SETTLE);
    return end;
  }, [key, round, end]);

  const stop = useCallback(() => {
    end();
    setChance({ state: 'stopped' });
  }, [end]);
  const again = useCallback(() => setRound((n) => n + 1), []);
  return { chance, stop, again };
}
