/** A worker of the program on the thread of the test: its module is run as it is, and answers in one go. */
import { vi } from 'vitest';

type Handler = (event: MessageEvent) => void;

const handlers = new Map<string, Promise<Handler>>();

async function handlerOf(path: string): Promise<Handler> {
  await import(/* @vite-ignore */ path);
  const handler = self.onmessage as Handler;
  self.onmessage = null;
  return handler;
}

export class InlineWorker {
  onmessage: Handler | null = null;
  onerror: ((event: unknown) => void) | null = null;
  private isEnded = false;
  private readonly path: string;

  constructor(url: URL) {
    this.path = decodeURIComponent(url.pathname);
    // one at a time: two modules set the same handler
    const before = Promise.all(handlers.values());
    if (!handlers.has(this.path)) {
      handlers.set(
        this.path,
        before.then(() => handlerOf(this.path)),
      );
    }
  }

  postMessage(data: unknown): void {
    void this.answer(structuredClone(data));
  }

  terminate(): void {
    this.isEnded = true;
  }

  private async answer(data: unknown): Promise<void> {
    const handler = await handlers.get(this.path);
    if (this.isEnded) return;
    const told = vi.spyOn(self, 'postMessage').mockImplementation((answer: unknown) => {
      if (!this.isEnded) this.onmessage?.({ data: structuredClone(answer) } as MessageEvent);
    });
    try {
      handler?.({ data } as MessageEvent);
    } catch (error) {
      this.onerror?.(error);
    } finally {
      told.mockRestore();
    }
  }
}
