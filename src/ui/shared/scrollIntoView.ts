import { type RefObject, useEffect } from 'react';

/** Scrolls the table a row stands in, and nothing around it, until the row shows. */
export function bringIntoSight(row: HTMLTableRowElement | null): void {
  const box = row?.closest<HTMLElement>('[role="region"]');
  if (row && box) box.scrollTop = row.offsetTop + row.offsetHeight * 2 - box.clientHeight;
}

/** Scrolls a strip of tabs sideways, and nothing around it, until the tab shows. */
export function tabIntoSight(tab: HTMLElement | null): void {
  const strip = tab?.parentElement;
  if (!tab || !strip) return;
  const [inner, outer] = [tab.getBoundingClientRect(), strip.getBoundingClientRect()];
  if (inner.right > outer.right) strip.scrollLeft += inner.right - outer.right;
  else if (inner.left < outer.left) strip.scrollLeft -= outer.left - inner.left;
}

/**
 * Keeps a part of a box in sight where what stands around the box scrolls, once the next frame is drawn: before, the page
 * would be laid out for this alone.
 *
 * @param part a selector of it
 */
export function useKeptInSight(box: RefObject<HTMLElement | null>, part: string): void {
  useEffect(() => {
    const scroll = (): void => {
      const at = box.current?.querySelector<HTMLElement>(part);
      const around = box.current?.parentElement;
      if (at && around && around.scrollHeight > around.clientHeight)
        around.scrollTop = at.offsetTop - around.clientHeight / 2;
    };
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => (timer = setTimeout(scroll)));
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [box, part]);
}
