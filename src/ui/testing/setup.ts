/** What a browser has and jsdom has not, and what is cleared after each test. */
import { configure, cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';
import { InlineWorker } from './InlineWorker';

// what is seen is Chromium’s to say: here no style is loaded. An error says what is missing, without the whole page
configure({ asyncUtilTimeout: 10_000, defaultHidden: true, getElementError: (message) => new Error(message ?? '') });

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
/** No style is loaded, and working one out is most of what finding by name costs. */
const PLAIN = Object.assign(document.createElement('div').style, { display: 'block', visibility: 'visible' });
window.getComputedStyle = () => PLAIN;
/** The labels of a field; jsdom looks through the whole page for them. */
function labels(this: HTMLElement): Element[] {
  const around = this.closest('label');
  const named = this.id === '' ? [] : [...document.querySelectorAll(`label[for=${JSON.stringify(this.id)}]`)];
  return around ? [around, ...named] : named;
}
for (const field of [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement, HTMLButtonElement])
  Object.defineProperty(field.prototype, 'labels', { get: labels });
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.hasPointerCapture = () => false;
Element.prototype.setPointerCapture = () => undefined;
Element.prototype.releasePointerCapture = () => undefined;

afterEach(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
});
