'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { whyNot } from '../shared/runCommand';

type Answer = { ok: true } | { ok: false; faults: string[] };

/** Does something and shows the page anew, or says why not. */
export function useDone(): {
  said: string;
  run: (work: () => Promise<Answer>, then?: () => void) => void;
  isBusy: boolean;
} {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const [isBusy, setBusy] = useState(false);
  const run = (work: () => Promise<Answer>, then?: () => void): void => {
    setBusy(true);
    work()
      .then(
        (done) => {
          setSaid(done.ok ? '' : done.faults.join(' '));
          if (!done.ok) return;
          then?.();
          router.refresh();
        },
        (error: unknown) => setSaid(whyNot(error)),
      )
      .finally(() => setBusy(false));
  };
  return { said, run, isBusy };
}
