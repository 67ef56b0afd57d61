'use client';

import { useEffect } from 'react';
import { usePersisted } from '../shared/persisted';
import { onDemand } from '../shared/onDemand';

const PersonChip = onDemand(() => import('./PersonChip').then((m) => m.PersonChip));

/** What can wait is done once the page is at rest for so long, ms, and what could not be done again after so long. */
const [REST, AGAIN] = [1_000, 10_000];

const openBuild = (): string | null => /^\/builds\/([^/]+)/.exec(location.pathname)?.[1] ?? null;

/** Who is at this device, where people are set up. Beside it what every page does at rest. */
export function CurrentUser() {
  const [me] = usePersisted('spatium-me', '');
  useEffect(() => {
    const atRest = async (): Promise<void> => {
      const [{ watchCurrentUser: watchMe }, { tryStorage, sendAllWaiting }] = await Promise.all([
        import('./useCurrentUser'),
        import('../offline/idleSync'),
      ]);
      watchMe();
      tryStorage();
      if (!(await sendAllWaiting(openBuild()))) timer = setTimeout(later, AGAIN);
    };
    const later = (): void => void atRest().catch(() => undefined);
    let timer = setTimeout(later, REST);
    return () => clearTimeout(timer);
  }, []);
  return me === '' ? null : <PersonChip />;
}
