'use client';

import { onDemand } from '../shared/onDemand';
import { useMe } from './me';

const PersonChip = onDemand(() => import('./PersonChip').then((m) => m.PersonChip));

/** Who is at this device, where people are set up. */
export function Who() {
  const me = useMe();
  return me.hasPeople ? <PersonChip me={me} /> : null;
}
