'use client';

/** Sends entries of a build to the server, and tells what came of it. */
import type { EntriesAnswer } from '@/server/answers';
import type { Entry } from '@/core/judge/buildRecord';

/**
 * How the server stands: `up`; `down`, it does not answer; `failing`, it answers with an error of its own; `full`, its
 * disk is; `gone`, it has no such build; `out`, nobody is signed in; `barred`, who is signed in may only look.
 */
export type Link = 'up' | 'down' | 'failing' | 'full' | 'gone' | 'out' | 'barred';

const LINKS: Record<number, Link | undefined> = { 401: 'out', 403: 'barred', 404: 'gone', 507: 'full' };
export const linkOf = ({ status }: Pick<Response, 'status'>): Link => LINKS[status] ?? 'failing';

/** So long an answer is waited for, ms: a server that takes the call and says nothing is as good as gone. */
export const ANSWER = 4_000;
/**
 * Answers that no second try would change: the entry itself is wrong, too large, or another one has its id. After any
 * other it goes on waiting.
 */
const FINAL = new Set([400, 409, 413, 422]);
/** As many entries as one request carries. */
export const AT_ONCE = 200;

/** What came of sending. */
export type Sent =
  | { kind: 'taken'; answer: EntriesAnswer }
  | { kind: 'refused'; faults: string[] }
  | { kind: 'unreached'; link: Link };

const TOO_LARGE = 'It is larger than the server takes in one piece. Enter it with fewer words.';

/** Sends some; never throws. */
export async function send(buildId: string, entries: Entry[], since: number): Promise<Sent> {
  try {
    const response = await fetch(`/api/builds/${buildId}/entries?since=${since}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
      signal: AbortSignal.timeout(ANSWER),
    });
    if (response.ok) return { kind: 'taken', answer: (await response.json()) as EntriesAnswer };
    if (!FINAL.has(response.status)) return { kind: 'unreached', link: linkOf(response) };
    if (response.status === 413) return { kind: 'refused', faults: [TOO_LARGE] };
    const body = (await response.json()) as { faults?: string[] };
    return { kind: 'refused', faults: body.faults ?? [`refused with ${response.status}`] };
  } catch {
    return { kind: 'unreached', link: 'down' };
  }
}
