/** What the service worker and the pages call things by. */

/** Caches of pages as they were last seen, and of what the shop has. */
export const PAGES = 'spatium-pages';
export const SHOP = 'spatium-shop';
/** Of the shop: what the pages of a build ask for and is kept as it was last answered. */
export const SHOP_ROUTES: readonly string[] = ['charts', 'instruments', 'gap-history', 'torque-history'].map(
  (name) => `/api/${name}`,
);
/** Shown in place of a page that was never seen. */
export const OFFLINE_PAGE = '/offline.html';
/** Told to a worker that waits: the program is taken as it is now. */
export const TAKE_IT = 'take-it';

const BUILD = /^\/builds\/[^/]+/;

/**
 * What a page is kept under: of a build one for all its stages, whatever is in hand; else its address.
 *
 * @example pageKey(new URL('http://127.0.0.1/builds/one/rings?at=1.top')) // 'http://127.0.0.1/builds/one'
 */
export const pageKey = ({ origin, pathname, search }: URL): string =>
  origin + (BUILD.exec(pathname)?.[0] ?? pathname + search);
