'use client';

import { WAITING, stored } from './outbox';

/** How many entries wait in this browser, by the build. */
export function allWaiting(): Map<string, number> {
  const all = new Map<string, number>();
  try {
    for (const key of Object.keys(localStorage))
      if (key.startsWith(WAITING)) all.set(key.slice(WAITING.length), stored(key).length);
  } catch {
    // nothing is kept where storage is forbidden
  }
  return all;
}
