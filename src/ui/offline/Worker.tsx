'use client';

import { useEffect } from 'react';

/** Asks for the service worker once the page is at rest, where the browser has one: over https, or on this machine. */
export function Worker() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const begin = (): void => void import('./register').then(({ register }) => register());
    if (document.readyState === 'complete') begin();
    else window.addEventListener('load', begin, { once: true });
    return () => window.removeEventListener('load', begin);
  }, []);
  return null;
}
