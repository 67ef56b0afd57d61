'use client';

import { useEffect, useState } from 'react';
import type { FittedGaps } from '@/store/gapHistory';

/** What the shop has fitted so far; nothing until it is known, or where the server cannot be asked. */
export function useGapHistory(): readonly FittedGaps[] {
  const [builds, setBuilds] = useState<readonly FittedGaps[]>([]);
  useEffect(() => {
    let gone = false;
    fetch('/api/gap-history')
      .then(async (response) => {
        if (!response.ok) return;
        const answer = (await response.json()) as { builds: FittedGaps[] };
        if (!gone) setBuilds(answer.builds);
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return builds;
}
