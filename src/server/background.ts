/** Heavy work is done by a thread of its own: whoever else asks is answered meanwhile. The thread is `worker.ts`. */
import type { Worker } from 'node:worker_threads';
import type { Inputs, Results, TaskName } from './tasks';

/** What the thread is told. */
export type ToThread =
  | { id: number; task: TaskName; input: unknown }
  | { id: number; isAskedForMore: true }
  /** Whoever wanted it went away. */
  | { id: number; isOver: true };
/** What the thread tells of a task: a piece of what it makes, its result, or why it failed. */
export type FromThread =
  | { id: number; piece: Uint8Array }
  | { id: number; result: unknown }
  | { id: number; failure: { message: string; name: string; code: string } };

interface Job {
  onPiece: (piece: Uint8Array) => void;
  onResult: (result: unknown) => void;
  onFailure: (error: Error) => void;
}

interface Thread {
  worker: Worker;
  jobs: Map<number, Job>;
  last: number;
}

/** Held by the process, not by the module: the server in front and the routes behind it are two copies of this one. */
const held = globalThis as { spatiumThread?: Thread | undefined; spatiumBeginThread?: () => Worker };

/** How a thread is begun; told by the server, since the framework's build would look for the thread's file. */
export const threadsBeginBy = (beginThread: () => Worker): void => {
  held.spatiumBeginThread = beginThread;
};

function begin(): Thread {
  const worker = held.spatiumBeginThread?.();
  if (!worker) throw new Error('Heavy work is done by a thread of the server. Start Spatium with npm start.');
  const thread: Thread = { worker, jobs: new Map(), last: 0 };
  const end = (error: Error): void => {
    if (held.spatiumThread === thread) held.spatiumThread = undefined;
    for (const job of thread.jobs.values()) job.onFailure(error);
    thread.jobs.clear();
  };
  worker.unref();
  worker.on('message', (message: FromThread) => {
    const job = thread.jobs.get(message.id);
    if ('piece' in message) job?.onPiece(message.piece);
    else {
      thread.jobs.delete(message.id);
      if ('result' in message) job?.onResult(message.result);
      else job?.onFailure(Object.assign(new Error(message.failure.message), message.failure));
    }
  });
  worker.on('error', (error) => end(error instanceof Error ? error : new Error(String(error))));
  worker.on('exit', () => end(new Error('the thread for heavy work ended')));
  return thread;
}

const tell = (thread: Thread, message: ToThread): void => thread.worker.postMessage(message);

function give<N extends TaskName>(name: N, input: Inputs[N], job: Job): { thread: Thread; id: number } {
  const thread = (held.spatiumThread ??= begin());
  const id = (thread.last += 1);
  thread.jobs.set(id, job);
  tell(thread, { id, task: name, input });
  return { thread, id };
}

/**
 * Has a task done; its result.
 *
 * @throws Error with the `code` that it failed with in the thread
 */
export const inBackground = <N extends TaskName>(name: N, input: Inputs[N]): Promise<Results[N]> =>
  new Promise((resolve, reject) => {
    give(name, input, {
      onPiece: () => undefined,
      onResult: (result) => resolve(result as Results[N]),
      onFailure: reject,
    });
  });

/**
 * Has a task done that makes something piece by piece, no faster than it is taken. Given once there is a first piece, so
 * that what fails at the start is answered as a failure.
 *
 * @throws Error with the `code` that it failed with in the thread
 */
export function streamFromBackground<N extends TaskName>(
  name: N,
  input: Inputs[N],
): Promise<ReadableStream<Uint8Array>> {
  return new Promise((resolve, reject) => {
    let ask: () => void = () => undefined;
    let end: () => void = () => undefined;
    const stream = new ReadableStream<Uint8Array>(
      {
        start: (controller) => {
          const { thread, id } = give(name, input, {
            onPiece: (piece) => {
              controller.enqueue(piece);
              resolve(stream);
            },
            onResult: () => {
              controller.close();
              resolve(stream);
            },
            onFailure: (error) => {
              reject(error);
              controller.error(error);
            },
          });
          ask = () => tell(thread, { id, isAskedForMore: true });
          end = () => {
            thread.jobs.delete(id);
            tell(thread, { id, isOver: true });
          };
        },
        pull: () => ask(),
        cancel: () => end(),
      },
      { highWaterMark: 2 },
    );
  });
}

/** Works out the cards of builds that are behind their logs. */
export const freshenInBackground = (): Promise<null> => inBackground('freshenCards', null);
