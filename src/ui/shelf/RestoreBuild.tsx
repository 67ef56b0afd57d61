'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '../shared/Button';
import { runCommand, whyNot } from '../shared/runCommand';

/** Puts back what was just taken off. */
export function RestoreBuild({ id }: { id: string }) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  return (
    <p role="status" className="mb-4 flex flex-wrap items-center gap-4 border-y border-line bg-steel px-4 py-2">
      {said ? <b className="text-over">{said}</b> : 'Build archived.'}
      <Button
        kind="accent"
        onClick={() => {
          void runCommand('restoreBuilds', [id]).then(
            () => router.push('/'),
            (error: unknown) => setSaid(whyNot(error)),
          );
        }}
      >
        Restore
      </Button>
    </p>
  );
}
