'use client';

import { useRouter } from 'next/navigation';
import { restoreBuilds } from '@/actions';
import { Button } from '../shared/Button';

/** Puts back what was just taken off. */
export function RestoreBuild({ id }: { id: string }) {
  const router = useRouter();
  return (
    <p role="status" className="mb-4 flex flex-wrap items-center gap-4 border-y border-line bg-steel px-4 py-2">
      The build is off the shelf.
      <Button
        kind="accent"
        onClick={() => {
          void restoreBuilds([id]).then(() => router.push('/'));
        }}
      >
        Put it back
      </Button>
    </p>
  );
}
