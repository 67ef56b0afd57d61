/** Works out how parts are mixed so that sets are most even, off the main thread. */
import { type MixAsk, matchWeights } from '@/core/stages/assembly/weights/matchWeights';

self.onmessage = ({ data }: MessageEvent<MixAsk | null>): void => {
  const begun = performance.now();
  const result = data && matchWeights(data);
  self.postMessage({ result, took: performance.now() - begun });
};
