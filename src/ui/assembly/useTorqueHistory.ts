'use client';

import { useEffect, useState } from 'react';
import type { PastTurning } from '@/core/stages/assembly/rotating/rotatingTorque';

/** What the shop’s other builds of the same kind took to turn; nothing until it is known, or where the server cannot be asked. */
export function useTorqueHistory(build: string): readonly PastTurning[] {
  const [builds, setBuilds] = useState<readonly PastTurning[]>([]);
  useEffect(() => {
    let gone = false;
    fetch(`/api/torque-history?build=${encodeURIComponent(build)}`)
      .then(async (response) => {
        if (!response.ok) return;
        const answer = (await response.json()) as { builds: PastTurning[] };
        if (!gone) setBuilds(answer.builds);
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [build]);
  return builds;
}
