/** Whether keys typed there are text, or choose among others. */
export const takesKeys = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input, textarea, select, [role=radiogroup], [role=tablist], [role=dialog]') !== null;

/** Whether keys typed there are text. */
export const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input:not([type=checkbox]), textarea, select, [role=dialog]') !== null;
