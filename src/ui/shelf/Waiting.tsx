'use client';

import { useEffect, useState } from 'react';
import { allWaiting } from '../openBuild/allWaiting';

/** How many entries of a build wait in this browser to be sent; nothing where none does. */
export function Waiting({ buildId }: { buildId: string }) {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    const look = (): void => setWaiting(allWaiting().get(buildId) ?? 0);
    look();
    const timer = setInterval(look, 1_000);
    return () => clearInterval(timer);
  }, [buildId]);
  return waiting === 0 ? null : (
    <span role="status" className="block text-sm font-bold text-short">
      {waiting} {waiting === 1 ? 'entry waits' : 'entries wait'} in this browser
    </span>
  );
}
