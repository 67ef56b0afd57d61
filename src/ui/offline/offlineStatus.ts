/** What is known of this device's copy of the program. Apart from the worker, so that no page waits for that. */

/** Whether this device has the program for when the server is gone: not yet, whole, or a newer one beside the one that runs. */
export type OfflineStatus = 'none' | 'whole' | 'newer';

const CHANGED = 'spatium-copy';
let copy: OfflineStatus = 'none';

/** Tells all who show it. */
export function setOfflineStatus(next: OfflineStatus): void {
  copy = next;
  window.dispatchEvent(new Event(CHANGED));
}

export const offlineStatus = (): OfflineStatus => copy;

export function onOfflineStatus(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  return () => window.removeEventListener(CHANGED, changed);
}
