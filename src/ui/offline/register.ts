'use client';

/** The service worker of this page: asked for, and what is known of it told to who wants to say so. */
import { PAGES, pageKey } from '@/offline/names';
import { setOfflineStatus } from './offlineStatus';

/** This very page was there before its worker was: it is kept now, as any later one is. */
async function keepThisPage(): Promise<void> {
  const cache = await caches.open(PAGES);
  const response = await fetch(window.location.href, { headers: { accept: 'text/html' } });
  if (response.ok && !response.redirected) await cache.put(pageKey(new URL(window.location.href)), response);
}

function watch(registration: ServiceWorkerRegistration): void {
  const look = (): void => {
    if (registration.waiting && navigator.serviceWorker.controller) setOfflineStatus('newer');
    else if (registration.active) setOfflineStatus('whole');
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
