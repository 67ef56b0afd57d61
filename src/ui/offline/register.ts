'use client';

/** The service worker of this page: asked for, and what is known of it told to who wants to say so. */
import { PAGES, TAKE_IT, pageKey } from '@/offline/names';

/** Whether this device has the program for when the server is gone: not yet, whole, or a newer one beside the one that runs. */
export type Copy = 'none' | 'whole' | 'newer';

const CHANGED = 'spatium-copy';
let copy: Copy = 'none';
let waiting: ServiceWorker | null = null;

function tell(next: Copy): void {
  copy = next;
  window.dispatchEvent(new Event(CHANGED));
}

export const copyNow = (): Copy => copy;

export function onCopy(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  return () => window.removeEventListener(CHANGED, changed);
}

/** This very page was there before its worker was: it is kept now, as any later one is. */
async function keepThisPage(): Promise<void> {
  const cache = await caches.open(PAGES);
  const response = await fetch(window.location.href, { headers: { accept: 'text/html' } });
  if (response.ok && !response.redirected) await cache.put(pageKey(new URL(window.location.href)), response);
}

function watch(registration: ServiceWorkerRegistration): void {
  const look = (): void => {
    waiting = registration.waiting;
    if (waiting && navigator.serviceWorker.controller) tell('newer');
    else if (registration.active) tell('whole');
  };
  look();
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', look);
  });
}

/** Asks for the worker; says nothing where the browser will not have one. */
export async function register(): Promise<void> {
  const isFirst = navigator.serviceWorker.controller === null;
  try {
    const registration = await navigator.serviceWorker.register('/sw.js');
    await navigator.serviceWorker.ready;
    if (isFirst) await keepThisPage();
    watch(registration);
  } catch {
    // Without one the bench goes on as long as the page is open; the header says so when it matters.
  }
}

/** Takes the newer program: what waits is in this browser's storage, and goes on waiting. */
export function takeNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true });
  waiting?.postMessage(TAKE_IT);
}
