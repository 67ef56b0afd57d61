'use client';

/** The service worker of this page: asked for, and what is known of it told to who wants to say so. */
import { PAGES, SHOP, SHOP_ROUTES, pageKey } from '@/offline/names';
import { setOfflineStatus } from './offlineStatus';

/** Keeps what an address answers, unless it leads elsewhere or fails. */
async function keep(cacheName: string, key: string, href: string): Promise<void> {
  const cache = await caches.open(cacheName);
  const response = await fetch(href, { headers: { accept: 'text/html, application/json' } });
  if (response.ok && !response.redirected) await cache.put(key, response);
}

/** The first page was loaded before there was a worker: it and what it asked of the shop are put into the caches now. */
async function keepThisPage(): Promise<void> {
  const { href } = window.location;
  const asked = new Set(performance.getEntriesByType('resource').map((entry) => entry.name));
  const ofShop = [...asked].filter((url) => SHOP_ROUTES.includes(new URL(url).pathname));
  await Promise.all([keep(PAGES, pageKey(new URL(href)), href), ...ofShop.map((url) => keep(SHOP, url, url))]);
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
