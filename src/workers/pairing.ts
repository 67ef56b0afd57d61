/** Works out pairings off the main thread. */
import { type PairingAsk, type PairingResult, pairingOf } from '@/core/piston/pairing';

/** What comes back: the pairing, and how long it took in ms. */
export interface PairingNews {
  result: PairingResult;
  took: number;
}

self.onmessage = ({ data }: MessageEvent<PairingAsk>): void => {
  const begun = performance.now();
  const result = pairingOf(data);
  self.postMessage({ result, took: performance.now() - begun } satisfies PairingNews);
};
