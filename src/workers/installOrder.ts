/** Works out in which order pistons go in off the main thread. */
import { type OrderAsk, installOrder } from '@/core/stages/assembly/installOrder';

self.onmessage = ({ data }: MessageEvent<OrderAsk | null>): void => {
  const begun = performance.now();
  const result = data && installOrder(data);
  self.postMessage({ result, took: performance.now() - begun });
};
