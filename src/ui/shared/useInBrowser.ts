import { useSyncExternalStore } from 'react';

const never = (): (() => void) => () => undefined;

/** What only the browser can know; on the server, and until the page listens, `before`. */
export const useInBrowser = <T>(known: () => T, before: () => T): T => useSyncExternalStore(never, known, before);

/** Whether the page listens already. What shows before that swallows what is typed or pressed on it. */
export const useListens = (): boolean =>
  useInBrowser(
    () => true,
    () => false,
  );
