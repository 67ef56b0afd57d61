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
