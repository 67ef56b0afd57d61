/** Works out placings of rings off the main thread. */
import type { PlacingAsk } from '@/core/stages/rings/placement';
import { bestPlacement } from '@/core/stages/rings/bestPlacement';

self.onmessage = ({ data }: MessageEvent<PlacingAsk>): void => {
  const begun = performance.now();
  const result = bestPlacement(data);
  self.postMessage({ result, took: performance.now() - begun });
};
