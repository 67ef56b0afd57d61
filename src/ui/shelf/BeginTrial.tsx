'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { beginTrial } from '@/actions';
import { Button } from '../shared/Button';

/** A small invented engine to find one's way on, that can be thrown away. */
export function BeginTrial() {
  const router = useRouter();
  const [begun, setBegun] = useState(false);
  const begin = async (): Promise<void> => {
    setBegun(true);
    try {
      const id = await beginTrial();
      router.push(`/builds/${id}/targets`);
    } catch {
      setBegun(false);
    }
  };
  return (
    <Button kind="accent" disabled={begun} onClick={() => void begin()}>
      Try it on a small invented engine
    </Button>
  );
}
