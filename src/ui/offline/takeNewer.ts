'use client';

/** A newer program is there: it takes the place of the one that is open. */
import { TAKE_IT } from '@/offline/names';

/** How long the worker that is there may take to go, once it is asked to; ms. */
const PATIENCE = 4_000;

/**
 * Where the worker that is there does not go, since something that it began has not ended, the page is begun without it
 * and takes the newer one then: while the server answers, since without a worker nothing else brings the page.
 */
async function insist(registration: ServiceWorkerRegistration): Promise<void> {
  if (!registration.waiting) return;
  const answer = await fetch('/api/builds', { cache: 'no-store' }).catch(() => null);
  if (!answer?.ok) return;
  await registration.unregister();
  window.location.reload();
}

/** Takes the newer program: what waits is in this browser's storage, and goes on waiting. */
export async function takeNewer(): Promise<void> {
  const registration = await navigator.serviceWorker.getRegistration();
  if (!registration) return;
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true });
  registration.waiting?.postMessage(TAKE_IT);
  setTimeout(() => void insist(registration), PATIENCE);
}
