'use client';

import { useEffect, useState } from 'react';
import type { Fitted } from '@/store/fitted';

/** What the shop has fitted so far; nothing until it is known, or where the server cannot be asked. */
export function useFitted(): readonly Fitted[] {
  const [builds, setBuilds] = useState<readonly Fitted[]>([]);
  useEffect(() => {
    let gone = false;
    fetch('/api/fitted')
      .then(async (response) => {
        if (!response.ok) return;
        const answer = (await response.json()) as { builds: Fitted[] };
        if (!gone) setBuilds(answer.builds);
      })
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return builds;
}
