import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pauseAfter, poll } from './poll';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('a bench that asks once a second', () => {
  it('asks as often as it can without asking twice at once, whatever the answers take', async () => {
    for (const takes of [0, 300, 1_500, 20_000]) {
      let [open, most, asked] = [0, 0, 0];
      const end = poll(async () => {
        asked += 1;
        most = Math.max(most, (open += 1));
        await new Promise((resolve) => setTimeout(resolve, takes));
        open -= 1;
        return false;
      }, 1_000);
      await vi.advanceTimersByTimeAsync(60_000);
      end();
      expect(most).toBe(1);
      // a second apart; of slow answers no more than half the time is asked in
      expect(asked).toBeGreaterThanOrEqual(Math.floor(60_000 / (takes + pauseAfter(takes, 1_000))) - 1);
      expect(asked).toBeLessThanOrEqual(Math.ceil(60_000 / Math.max(1_000, takes + Math.min(takes, 8_000))));
    }
  });

  it('goes on after a question that failed, at once where there is more, and not after it was ended', async () => {
    let asked = 0;
    const end = poll(() => {
      asked += 1;
      return asked === 1 ? Promise.reject(new Error('gone')) : Promise.resolve(asked < 5);
    }, 1_000);
    await vi.advanceTimersByTimeAsync(1_999);
    expect(asked).toBe(1);
    await vi.advanceTimersByTimeAsync(10);
    expect(asked).toBe(5);
    end();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(asked).toBe(5);
  });
});
