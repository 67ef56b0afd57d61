'use client';

import { useEffect } from 'react';
import { useKept } from '../shared/kept';
import { onDemand } from '../shared/onDemand';

const PersonChip = onDemand(() => import('./PersonChip').then((m) => m.PersonChip));

/** What is known of who is signed in is asked for once the page is at rest for so long, ms. */
const ASK_AFTER = 1_000;

/** Who is at this device, where people are set up. */
export function Who() {
  const [me] = useKept('spatium-me', '');
  useEffect(() => {
    const later = setTimeout(() => void import('./me').then((m) => m.watchMe()), ASK_AFTER);
    return () => clearTimeout(later);
  }, []);
  return me === '' ? null : <PersonChip />;
}
