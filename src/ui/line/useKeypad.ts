'use client';

import { useSyncExternalStore } from 'react';
import { usePersisted } from '../shared/persisted';

const COARSE = '(pointer: coarse)';

/** Whether there is a finger and no mouse: then taking the focus would bring up the device's own keyboard. */
export const hasFingersOnly = (): boolean => window.matchMedia(COARSE).matches;

function subscribe(changed: () => void): () => void {
  const query = window.matchMedia(COARSE);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** Whether the keypad shows: as chosen, else where there is a finger and no mouse. */
export function useKeypad(): [boolean, () => void] {
  const coarse = useSyncExternalStore(subscribe, hasFingersOnly, () => false);
  const [kept, setKept] = usePersisted('spatium-keypad', '');
  const shown = kept === '' ? coarse : kept === 'on';
  return [shown, () => setKept(shown ? 'off' : 'on')];
}
