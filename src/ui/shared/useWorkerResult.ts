'use client';

import { useEffect, useRef, useState } from 'react';

/** What a worker answers, and how long it took in ms. */
export interface Answer<Result> {
  result: Result;
  took: number;
}

export type Worked<Result> = { state: 'running' } | ({ state: 'done' } & Answer<Result>) | { state: 'failed' };

/**
 * What a worker makes of an ask: anew whenever the ask changes. It is sent as it is, since as JSON it would lose its
 * infinities: of a leaf beyond which none was tried, of a scatter that is taken as known.
 *
 * @param begin makes the worker; the same function at every call, or null while nothing is asked
 */
export function useWorkerResult<Result>(ask: unknown, begin: (() => Worker) | null): Worked<Result> {
  const key = JSON.stringify(ask);
  const [found, setFound] = useState<{ key: string; worked: Worked<Result> }>({ key, worked: { state: 'running' } });
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  useEffect(() => {
    if (!begin) return;
    const worker = begin();
    worker.onmessage = ({ data }: MessageEvent<Answer<Result>>): void =>
      setFound({ key, worked: { state: 'done', ...data } });
    worker.onerror = () => setFound({ key, worked: { state: 'failed' } });
    worker.postMessage(latest.current);
    return () => worker.terminate();
  }, [key, begin]);
  return found.key === key ? found.worked : { state: 'running' };
}
