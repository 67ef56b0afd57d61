'use client';

import { useEffect } from 'react';

/**
 * What is loaded later and adds a style element (a dialog that keeps the page behind it from scrolling) needs the page's
 * nonce, which it looks for under this name.
 */
function tellNonce(): void {
  Object.assign(globalThis, { __webpack_nonce__: document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce });
}

/** Asks for the service worker once the page is at rest, where the browser has one: over https, or on this machine. */
export function Worker() {
  useEffect(tellNonce, []);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const begin = (): void => void import('./register').then(({ register }) => register());
    if (document.readyState === 'complete') begin();
    else window.addEventListener('load', begin, { once: true });
    return () => window.removeEventListener('load', begin);
  }, []);
  return null;
}
