import type { KeyboardEvent } from 'react';

const STEPS: Record<string, (at: number, count: number) => number> = {
  ArrowRight: (at, count) => (at + 1) % count,
  ArrowDown: (at, count) => (at + 1) % count,
  ArrowLeft: (at, count) => (at - 1 + count) % count,
  ArrowUp: (at, count) => (at - 1 + count) % count,
  Home: () => 0,
  End: (_at, count) => count - 1,
};

/** In a row of buttons of which one is chosen, the arrow keys, Home and End choose another and go to it. */
export function chooseByArrows(event: KeyboardEvent<HTMLElement>): void {
  const buttons = [...event.currentTarget.querySelectorAll<HTMLButtonElement>(':scope > button')];
  const at = buttons.findIndex((button) => button === event.target);
  const next = at < 0 ? undefined : STEPS[event.key]?.(at, buttons.length);
  if (next === undefined) return;
  event.preventDefault();
  buttons[next]?.focus();
  buttons[next]?.click();
}
