'use client';

import { useOfflineStatus } from '../offline/useOfflineStatus';
import { useLive } from '../openBuild/contexts';
import { usePersisted } from '../shared/persisted';
import { onDemand, useIsAllLoaded } from '../shared/onDemand';

const Troubles = onDemand(() => import('./Troubles').then((m) => m.Troubles));
const StorageFull = onDemand(() => import('./StorageFull').then((m) => m.StorageFull));

const ServerStatus = onDemand(() => import('./ServerStatus').then((m) => m.ServerStatus));

/** What waits to be sent, and what the server would not have. Nothing shows while all is well. */
export function LinkState() {
  const live = useLive();
  const { waiting, link } = live;
  const copy = useOfflineStatus();
  const isAllLoaded = useIsAllLoaded();
  const [storage] = usePersisted('spatium-storage', '');
  return (
    <div role="status" className="no-print">
      {storage !== '' && <StorageFull />}
      {(link !== 'up' || waiting > 20) && (
        <p className="border-b border-line bg-steel px-5 py-2">
          <b>
            {link === 'down' ? (
              'The server does not answer.'
            ) : link === 'up' ? (
              'Sending.'
            ) : (
              <ServerStatus link={link} />
            )}
          </b>{' '}
          {waiting > 0
            ? `${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} in this browser and will be sent once each.`
            : link === 'down' && 'Go on: readings are kept in this browser until it is back.'}{' '}
          {link === 'down' &&
            (copy === 'none'
              ? `This browser has no copy of the program: stay on this page, ${isAllLoaded ? 'all stages work' : 'what was not opened yet comes once the server answers'}; do not reload it.`
              : 'All of this build works meanwhile, over a reload too.')}
        </p>
      )}
      {live.troubles.length > 0 && <Troubles />}
    </div>
  );
}
