/** What a bench asks over and over, and never twice at once. */

/** A server that is slow is asked less often, down to this, ms. */
const SLOWEST = 8_000;

/**
 * How long to wait after an answer: so that questions begin a period apart, and for as long as the answer took where
 * that is more, so that a server under load is not asked faster than it answers; ms.
 *
 * @example pauseAfter(20, 1000) // 980
 * @example pauseAfter(3000, 1000) // 3000
 */
export const pauseAfter = (took: number, every: number): number => Math.min(SLOWEST, Math.max(every - took, took));

/**
 * Asks until it is ended. A question that fails is over like one that is answered.
 *
 * @param ask whether there is more to be had at once
 * @param every the period, ms
 * @returns what ends it
 */
export function poll(ask: () => Promise<boolean>, every: number): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;
  const next = async (): Promise<void> => {
    const began = performance.now();
    const isMore = await ask().catch(() => false);
    if (!isOver) timer = setTimeout(() => void next(), isMore ? 0 : pauseAfter(performance.now() - began, every));
  };
  timer = setTimeout(() => void next(), every);
  return () => {
    isOver = true;
    clearTimeout(timer);
  };
}
