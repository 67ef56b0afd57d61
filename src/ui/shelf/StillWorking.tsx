'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** How often the list is asked for again, ms. */
const AGAIN = 3_000;

/** After an update or an import: what the list lacks for a moment. The page is shown again until it lacks nothing. */
export function StillWorking({ behind }: { behind: number }) {
  const router = useRouter();
  useEffect(() => {
    const timer = setTimeout(() => router.refresh(), AGAIN);
    return () => clearTimeout(timer);
  }, [router, behind]);
  return (
    <p role="status" className="mb-3 text-soft">
      {behind === 1 ? '1 build is' : `${behind} builds are`} being worked out. Search and order are complete once that
      is done; every build can be opened now.
    </p>
  );
}
