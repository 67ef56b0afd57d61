'use client';

import { useEffect, useState } from 'react';
import type { KeptChart } from '@/store/charts';

/** The shop's charts in their latest versions, looked up again when the page comes back in sight; null until they are known. */
export function useShopCharts(): KeptChart[] | null {
  const [charts, setCharts] = useState<KeptChart[] | null>(null);
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      if (document.hidden) return;
      try {
        const response = await fetch('/api/charts');
        if (!response.ok) return;
        const answer = (await response.json()) as { charts: KeptChart[] };
        if (!gone) setCharts(answer.charts);
      } catch {
        // The bench goes on with the chart the build holds.
      }
    };
    void look();
    const again = (): void => void look();
    document.addEventListener('visibilitychange', again);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', again);
    };
  }, []);
  return charts;
}
