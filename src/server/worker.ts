/** The thread for heavy work: does the tasks of `tasks.ts` as it is told by `background.ts`. */
import { parentPort } from 'node:worker_threads';
import { causesOf } from '@/store/databaseErrors';
import type { FromThread, ToThread } from './background';
import { type TaskName, TASKS } from './tasks';

/** Who waits to be asked for the next piece, by task. */
const waiting = new Map<number, () => void>();
/** Pieces that were asked for before they were made. */
const asked = new Map<number, number>();

const tell = (message: FromThread): void => parentPort?.postMessage(message);

/** Tasks that are being done, and those of them that nobody wants any more. */
const running = new Set<number>();
const over = new Set<number>();

/** Done once another piece is asked for, or nobody wants it any more. */
function askedForMore(id: number): Promise<void> {
  const ahead = asked.get(id) ?? 0;
  if (ahead > 0) {
    asked.set(id, ahead - 1);
    return Promise.resolve();
  }
  return new Promise((resolve) => waiting.set(id, resolve));
}

async function run(id: number, name: TaskName, input: unknown): Promise<void> {
  try {
    // each of them takes what it is given by name
    const making = (TASKS[name] as (given: unknown) => AsyncGenerator<Uint8Array, unknown>)(input);
    for (;;) {
      const made = await making.next();
      if (made.done) {
        tell({ id, result: made.value });
        return;
      }
      await askedForMore(id);
      if (over.has(id)) {
        await making.return(null);
        return;
      }
      tell({ id, piece: made.value });
    }
  } catch (error) {
    const code = causesOf(error).find((cause) => cause.code !== '')?.code ?? '';
    const { message, name: kind } = error instanceof Error ? error : new Error(String(error));
    tell({ id, failure: { message, name: kind, code } });
  } finally {
    waiting.delete(id);
    asked.delete(id);
    over.delete(id);
    running.delete(id);
  }
}

parentPort?.on('message', (message: ToThread) => {
  const { id } = message;
  if ('task' in message) {
    running.add(id);
    void run(id, message.task, message.input);
  } else if (running.has(id)) {
    if ('isOver' in message) over.add(id);
    const resolve = waiting.get(id);
    waiting.delete(id);
    if (resolve) resolve();
    else asked.set(id, (asked.get(id) ?? 0) + 1);
  }
});
