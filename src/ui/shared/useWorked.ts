'use client';

import { useEffect, useState } from 'react';

/** What a worker answers, and how long it took in ms. */
export interface Answer<Result> {
  result: Result;
  took: number;
}

export type Worked<Result> = { state: 'running' } | ({ state: 'done' } & Answer<Result>) | { state: 'failed' };

/**
 * What a worker makes of an ask: anew whenever the ask changes.
 *
 * @param begin makes the worker; the same function at every call
 */
export function useWorked<Result>(ask: unknown, begin: () => Worker): Worked<Result> {
  const key = JSON.stringify(ask);
  const [found, setFound] = useState<{ key: string; worked: Worked<Result> }>({ key, worked: { state: 'running' } });
  useEffect(() => {
    const worker = begin();
    worker.onmessage = ({ data }: MessageEvent<Answer<Result>>): void =>
      setFound({ key, worked: { state: 'done', ...data } });
    worker.onerror = () => setFound({ key, worked: { state: 'failed' } });
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key, begin]);
  return found.key === key ? found.worked : { state: 'running' };
}
