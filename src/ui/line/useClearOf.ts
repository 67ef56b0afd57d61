import { type RefObject, useEffect } from 'react';

/** Puts the focus on something of the line. Where the line sticks that is in sight, and the page stays where it is. */
export const focusIn = (element: HTMLElement | null | undefined): void =>
  element?.focus({ preventScroll: document.documentElement.style.scrollPaddingBottom !== '' });

/** What gets the focus is scrolled clear of the line, however high it is. */
export function useClearOf(region: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const line = region.current;
    if (!line) return;
    const { style } = document.documentElement;
    const watch = new ResizeObserver(() => {
      const sticks = getComputedStyle(line).position === 'sticky';
      style.scrollPaddingBottom = sticks ? `${line.offsetHeight + 8}px` : '';
    });
    watch.observe(line);
    return () => {
      watch.disconnect();
      style.scrollPaddingBottom = '';
    };
  }, [region]);
}
