/** Works out which shells to buy off the main thread. */
import { type ShellAsk, shellAdvice } from '@/core/stages/journals/shellAdvice';

self.onmessage = ({ data }: MessageEvent<ShellAsk>): void => {
  const begun = performance.now();
  const result = shellAdvice(data);
  self.postMessage({ result, took: performance.now() - begun });
};
