/** Works out the gas between the rings through a cycle, off the main thread. */
import { type StudyAsk, studyOf } from '@/core/judge/gasCycleStudy';

self.onmessage = ({ data }: MessageEvent<StudyAsk | null>): void => {
  const begun = performance.now();
  const result = data && studyOf(data);
  self.postMessage({ result, took: performance.now() - begun });
};
