/** Scrolls the table a row stands in, and nothing around it, until the row shows. */
export function bringIntoSight(row: HTMLTableRowElement | null): void {
  const box = row?.closest<HTMLElement>('[role="region"]');
  if (row && box) box.scrollTop = row.offsetTop + row.offsetHeight * 2 - box.clientHeight;
}
