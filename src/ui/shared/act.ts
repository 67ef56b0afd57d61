import type { ArgsOf, ResultOf } from '@/acts/act';
import type { Acts } from '@/acts/acts';
import { kept } from './kept';

/** The server did not do what was asked of it: it does not answer, or says why not. */
export class NotDone extends Error {
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
const patienceFor = (name: keyof Acts): number => (name === 'copyNow' ? 30 * 60_000 : 15_000);

/**
 * Asks the server to do something, by its name.
 *
 * @throws NotDone
 */
export async function act<N extends keyof Acts>(name: N, ...args: ArgsOf<Acts[N]>): Promise<ResultOf<Acts[N]>> {
  let response: Response;
  try {
    response = await fetch(`/api/do/${name}`, {
      method: 'POST',
      body: JSON.stringify({ by: kept('spatium-by') ?? '', args }),
      signal: AbortSignal.timeout(patienceFor(name)),
    });
  } catch {
    throw new NotDone(null, 'The server does not answer.');
  }
  const answer = (await response.json().catch(() => ({}))) as { result?: ResultOf<Acts[N]>; faults?: string[] };
  if (!response.ok)
    throw new NotDone(response.status, answer.faults?.join(' ') ?? `The server answered ${response.status}.`);
  return answer.result as ResultOf<Acts[N]>;
}

/** Why something was not done, as a sentence. */
export const whyNot = (error: unknown): string => (error instanceof NotDone ? error.message : 'It could not be done.');
