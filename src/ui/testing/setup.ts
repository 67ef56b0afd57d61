/** What a browser has and jsdom has not, and what is cleared after each test. */
import { configure, cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';
import { InlineWorker } from './InlineWorker';

// what is seen is Chromium’s to say: here no style is loaded
configure({ asyncUtilTimeout: 10_000, defaultHidden: true });

class Observer {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(globalThis, { ResizeObserver: Observer, IntersectionObserver: Observer, Worker: InlineWorker });
Object.assign(window, {
  matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
  scrollTo: () => undefined,
});
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.hasPointerCapture = () => false;
Element.prototype.setPointerCapture = () => undefined;
Element.prototype.releasePointerCapture = () => undefined;

afterEach(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
});
