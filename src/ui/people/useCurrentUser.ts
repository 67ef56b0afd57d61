'use client';

/** Who is signed in on this device, as the server said last: kept, so that a page without the server knows too. */
import type { MeAnswer } from '@/server/answers';
import { persist, persisted, usePersisted } from '../shared/persisted';

const KEY = 'spatium-me';
const NOBODY: MeAnswer = { hasPeople: false, person: null, device: [], barred: null };

let read = { text: '', me: NOBODY };

function meIn(text: string): MeAnswer {
  if (text !== read.text) {
    let me = NOBODY;
    try {
      me = JSON.parse(text) as MeAnswer;
    } catch {
      // nothing was kept
    }
    read = { text, me };
  }
  return read.me;
}

/** Who is signed in here, as far as this device knows. */
export const currentUserNow = (): MeAnswer => meIn(persisted(KEY) ?? '');

/** Asks the server who is signed in. What is entered from then on is noted with their initials. */
export async function fetchCurrentUser(): Promise<void> {
  const response = await fetch('/api/me', { signal: AbortSignal.timeout(5_000) }).catch(() => null);
  if (!response?.ok) return;
  const me = (await response.json()) as MeAnswer;
  const text = me.hasPeople ? JSON.stringify(me) : '';
  const left = currentUserNow().device.filter((before) => !me.device.some(({ id }) => id === before.id));
  // signed out here, from afar or by leaving the shop
  if (left.length > 0)
    await import('./forgetHere').then(({ forgetHere }) => forgetHere(me.device)).catch(() => undefined);
  if (text !== (persisted(KEY) ?? '')) persist(KEY, text);
  // a build that is opened knows it from here, before the server has said so again
  if (me.barred !== (persisted('spatium-barred') || null)) persist('spatium-barred', me.barred ?? '');
  if (me.hasPeople && (persisted('spatium-by') ?? '') !== (me.person?.initials ?? ''))
    persist('spatium-by', me.person?.initials ?? '');
}

let isWatched = false;

/** Asks now, and again whenever the page is come back to: another window may have signed somebody else in. */
export function watchCurrentUser(): void {
  const look = (): void => {
    if (!document.hidden) void fetchCurrentUser();
  };
  look();
  if (isWatched) return;
  isWatched = true;
  document.addEventListener('visibilitychange', look);
  window.addEventListener('focus', look);
}

/** Who is signed in here. */
export function useCurrentUser(): MeAnswer {
  const [text] = usePersisted(KEY, '');
  return meIn(text);
}
