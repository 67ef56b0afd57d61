'use client';

/** What a page does once it is at rest: whether this browser can keep anything, and what waits of other builds is sent. */
import { allWaiting } from '../openBuild/allWaiting';
import { addTroubles, dropWaiting, waitingFor } from '../openBuild/outbox';
import { AT_ONCE, send } from '../openBuild/send';
import { CONFLICT } from '../openBuild/rejectedEntry';
import { holdForPage } from '../shared/persisted';

/** More than some readings come to. */
const PROBE = 64 * 1024;

/** Tries whether this browser keeps what is to wait, before anything has to; says so where it does not. */
export function tryStorage(): void {
  try {
    localStorage.setItem('spatium-probe', 'x'.repeat(PROBE));
    localStorage.removeItem('spatium-probe');
  } catch {
    holdForPage('spatium-storage', 'full');
  }
}

/** Sends what waits of one build; whether all of it is settled. A batch that is refused goes one by one. */
async function sendFor(buildId: string): Promise<boolean> {
  for (let at = AT_ONCE; ;) {
    const some = (await waitingFor(buildId)).slice(0, at);
    if (some.length === 0) return true;
    const sent = await send(buildId, some, 0);
    if (sent.kind === 'unreached') return false;
    if (sent.kind === 'refused' && some.length > 1) {
      at = 1;
      continue;
    }
    dropWaiting(buildId, new Set(some.map((e) => e.id)));
    if (sent.kind === 'refused')
      addTroubles(
        buildId,
        some.map((entry) => ({ entry, why: sent.faults.join(' ') })),
      );
    else
      addTroubles(
        buildId,
        sent.answer.conflicts.map((entry) => ({ entry, why: CONFLICT })),
      );
  }
}

/**
 * Sends what waits in this browser, whichever page is open. Each entry carries its own id: sent twice, it is there once.
 *
 * @param except the build that is open here, which sends its own
 * @returns whether anything still waits
 */
export async function sendAllWaiting(except: string | null): Promise<boolean> {
  let isAll = true;
  for (const [buildId, n] of allWaiting()) if (n > 0 && buildId !== except && !(await sendFor(buildId))) isAll = false;
  return isAll;
}
