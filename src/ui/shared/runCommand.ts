import type { ArgsOf, ResultOf } from '@/commands/command';
import type { Commands } from '@/commands/commands';
import { persisted } from './persisted';

/** The server did not do what was asked of it: it does not answer, or says why not. */
class NotDone extends Error {
  override name = 'NotDone';
  constructor(
    /** Null where it did not answer. */
    readonly status: number | null,
    message: string,
  ) {
    super(message);
  }
}

/** How long an answer is waited for, ms; a copy of everything takes its time. */
const patienceFor = (name: keyof Commands): number => (name === 'copyNow' ? 30 * 60_000 : 15_000);

/**
 * Asks the server to do something, by its name.
 *
 * @throws NotDone
 */
export async function runCommand<N extends keyof Commands>(
  name: N,
  ...args: ArgsOf<Commands[N]>
): Promise<ResultOf<Commands[N]>> {
  let response: Response;
  try {
    response = await fetch(`/api/commands/${name}`, {
      method: 'POST',
      body: JSON.stringify({ by: persisted('spatium-by') ?? '', args }),
      signal: AbortSignal.timeout(patienceFor(name)),
    });
  } catch {
    throw new NotDone(null, 'The server does not answer.');
  }
  const answer = (await response.json().catch(() => ({}))) as { result?: ResultOf<Commands[N]>; faults?: string[] };
  if (!response.ok)
    throw new NotDone(response.status, answer.faults?.join(' ') ?? `The server answered ${response.status}.`);
  return answer.result as ResultOf<Commands[N]>;
}

/** Why something was not done, as a sentence. */
export const whyNot = (error: unknown): string => (error instanceof NotDone ? error.message : 'It could not be done.');
