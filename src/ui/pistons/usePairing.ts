'use client';

import { useEffect, useState } from 'react';
import type { PairingAsk } from '@/core/piston/pairing';
import type { PairingNews } from '@/workers/pairing';

export type Pairing = { state: 'running' } | ({ state: 'done' } & PairingNews) | { state: 'failed' };

/** The best pairing for an ask, worked out in a worker: anew whenever the ask changes. */
export function usePairing(ask: PairingAsk): Pairing {
  const key = JSON.stringify(ask);
  const [found, setFound] = useState<{ key: string; pairing: Pairing }>({ key, pairing: { state: 'running' } });
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/pairing.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PairingNews>): void => setFound({ key, pairing: { state: 'done', ...data } });
    worker.onerror = () => setFound({ key, pairing: { state: 'failed' } });
    worker.postMessage(JSON.parse(key));
    return () => worker.terminate();
  }, [key]);
  return found.key === key ? found.pairing : { state: 'running' };
}
