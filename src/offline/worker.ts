/// <reference lib="webworker" />
/**
 * The service worker: the program as it was built, and every page as it was last seen, for when the server does not
 * answer. Of a build any stage stands for all of them: which one is shown, the page reads from its address. Entries are
 * not its business: the page keeps what waits, and sends it.
 */
import { type PrecacheEntry, cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { registerRoute, setCatchHandler } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { OFFLINE_PAGE, PAGES, SHOP, SHOP_ROUTES, TAKE_IT, pageKey } from './names';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] };

/** A server that has not answered by then is taken to be gone; s. */
const PATIENCE = 4;

// A worker of the page finds what it is begun with in the fragment of its address. An answer that was kept has an address
// of its own, without it; one that is made here has none, so that the one asked for stands.
registerRoute(
  ({ request }) => request.destination === 'worker' || request.destination === 'sharedworker',
  async ({ request }) => {
    const { origin, pathname, search } = new URL(request.url);
    const script = (await matchPrecache(origin + pathname + search)) ?? (await fetch(request));
    return new Response(script.body, { status: script.status, headers: script.headers });
  },
);

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

/** Only a page that is there, at its own address, is kept. */
const whole = {
  cacheWillUpdate: ({ response }: { response: Response }) =>
    Promise.resolve(response.status === 200 && !response.redirected ? response : null),
};

registerRoute(
  ({ request }) => request.mode === 'navigate',
  new NetworkFirst({
    cacheName: PAGES,
    networkTimeoutSeconds: PATIENCE,
    plugins: [
      whole,
      { cacheKeyWillBeUsed: ({ request }: { request: Request }) => Promise.resolve(pageKey(new URL(request.url))) },
    ],
  }),
);

registerRoute(
  ({ url, request }) => request.method === 'GET' && SHOP_ROUTES.includes(url.pathname),
  new NetworkFirst({ cacheName: SHOP, networkTimeoutSeconds: PATIENCE, plugins: [whole] }),
);

setCatchHandler(async ({ request }) => {
  const page = request.mode === 'navigate' ? await matchPrecache(OFFLINE_PAGE) : undefined;
  return page ?? Response.error();
});

self.addEventListener('message', (event) => {
  if (event.data === TAKE_IT) void self.skipWaiting();
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
