/** Works out pairings off the main thread. */
import type { PairingAsk } from '@/core/stages/pistons/standing';
import { pairingOf } from '@/core/stages/pistons/pairing';

self.onmessage = ({ data }: MessageEvent<PairingAsk>): void => {
  const begun = performance.now();
  const result = pairingOf(data);
  self.postMessage({ result, took: performance.now() - begun });
};
