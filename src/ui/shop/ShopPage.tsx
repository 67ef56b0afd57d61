'use client';

import { useState } from 'react';
import type { Audited } from '@/store/audit';
import type { Kept } from '@/store/backup';
import { Views } from '../shared/Views';
import { useListens } from '../shared/useInBrowser';
import { Audit } from './Audit';
import { Backups } from './Backups';
import { type DevicesProps, Devices } from './Devices';
import { People } from './People';

interface Props extends DevicesProps {
  audit: Audited[];
  copies: Kept[];
}

/** What is the shop's as a whole: who works in it, where it is reached, what was done. */
export function ShopPage({ hasPeople, people, places, reached, fingerprint, certificate, audit, copies }: Props) {
  const listens = useListens();
  const [view, setView] = useState<'people' | 'devices' | 'copies' | 'audit'>('people');
  return (
    <div inert={!listens}>
      <h1 className="mb-2">Shop</h1>
      <Views
        label="What of the shop"
        value={view}
        onChange={setView}
        views={[
          [
            'people',
            'People',
            <People key="people" hasPeople={hasPeople} people={people} network={reached[0]?.url ?? null} />,
          ],
          [
            'devices',
            'Devices',
            <Devices key="devices" {...{ hasPeople, people, places, reached, fingerprint, certificate }} />,
          ],
          ['copies', 'Backups', <Backups key="copies" copies={copies} />],
          ['audit', 'Audit log', <Audit key="audit" latest={audit} people={people} />],
        ]}
      />
    </div>
  );
}
