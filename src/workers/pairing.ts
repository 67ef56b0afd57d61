/** Works out pairings off the main thread. */
import type { PairingAsk } from '@/core/pistons/standing';
import { pairingOf } from '@/core/pistons/pairing';

self.onmessage = ({ data }: MessageEvent<PairingAsk>): void => {
  const begun = performance.now();
  const result = pairingOf(data);
  self.postMessage({ result, took: performance.now() - begun });
};
