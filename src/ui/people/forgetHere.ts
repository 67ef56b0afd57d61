'use client';

/**
 * What this device keeps of a shop for when the server is gone, and what is removed once nobody on it may see it any
 * more. What waits to be sent stays: no reading is lost by signing out.
 */
import { delMany, keys } from 'idb-keyval';
import type { MeAnswer } from '@/server/answers';
import { PAGES, SHOP } from '@/offline/names';
import { may } from '@/people/permissions';
import { isRecordKey } from '../offline/persistedRecord';

/** Pages that not everybody who is signed in may see, by how their addresses begin. */
const GUARDED = [
  ['/shop', 'own'],
  ['/new', 'decide'],
] as const;

/** Deletes of the kept pages those that an address is of. */
async function deletePages(isGone: (path: string) => boolean): Promise<void> {
  if (!('caches' in globalThis)) return;
  const pages = await caches.open(PAGES);
  for (const request of await pages.keys()) if (isGone(new URL(request.url).pathname)) await pages.delete(request);
}

/**
 * Removes what nobody who is still signed in here may see.
 *
 * @param device who is signed in on it still
 */
export async function forgetHere(device: MeAnswer['device']): Promise<void> {
  const closed = GUARDED.filter(([, need]) => !device.some(({ role }) => may(role, need))).map(([path]) => path);
  await deletePages((path) => device.length === 0 || closed.some((start) => path.startsWith(start)));
  if (device.length > 0) return;
  if ('caches' in globalThis) await caches.delete(SHOP);
  await delMany((await keys()).filter(isRecordKey));
}
