import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { takeNewer } from './takeNewer';

const reload = vi.fn();
const unregister = vi.fn(() => Promise.resolve(true));
const asked: unknown[] = [];
let told: (() => void) | null = null;
let answers: () => Promise<unknown>;
const waiting = { postMessage: (message: unknown) => void asked.push(message) };
const registration: { waiting: typeof waiting | null; unregister: typeof unregister } = { waiting, unregister };

beforeEach(() => {
  vi.useFakeTimers();
  reload.mockClear();
  unregister.mockClear();
  asked.length = 0;
  registration.waiting = waiting;
  answers = () => Promise.resolve({ ok: true });
  vi.stubGlobal('navigator', {
    serviceWorker: {
      getRegistration: () => Promise.resolve(registration),
      addEventListener: (_: string, then: () => void) => (told = then),
    },
  });
  vi.stubGlobal('window', { location: { reload } });
  vi.stubGlobal('fetch', () => answers());
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('taking a newer program', () => {
  it('asks the one that waits, and begins the page anew once it is in charge', async () => {
    await takeNewer();
    expect(asked).toHaveLength(1);
    expect(reload).not.toHaveBeenCalled();
    registration.waiting = null;
    told?.();
    expect(reload).toHaveBeenCalledTimes(1);
    await vi.runAllTimersAsync();
    expect(unregister).not.toHaveBeenCalled();
  });

  it('begins the page without the older one where that does not go', async () => {
    await takeNewer();
    await vi.runAllTimersAsync();
    expect(unregister).toHaveBeenCalledTimes(1);
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it.each([
    ['does not answer', () => Promise.reject(new Error('gone'))],
    ['answers with a fault', () => Promise.resolve({ ok: false })],
  ])('leaves it as it is where the server %s: nothing else brings the page', async (_, how) => {
    answers = how;
    await takeNewer();
    await vi.runAllTimersAsync();
    expect(unregister).not.toHaveBeenCalled();
    expect(reload).not.toHaveBeenCalled();
  });
});
