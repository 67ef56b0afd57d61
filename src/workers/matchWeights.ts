/** Works out how parts are mixed so that sets are most even, off the main thread. */
import { type MixAsk, mixOf } from '@/core/stages/assembly/weights/matchWeights';

self.onmessage = ({ data }: MessageEvent<MixAsk | null>): void => {
  const begun = performance.now();
  const result = data && mixOf(data);
  self.postMessage({ result, took: performance.now() - begun });
};
