'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '../shared/Button';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

/** A small invented engine to find one's way on, that can be thrown away. */
export function BeginTrial() {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const [begun, setBegun] = useState(false);
  const begin = async (): Promise<void> => {
    setBegun(true);
    try {
      const id = await runCommand('beginTrial');
      router.push(`/builds/${id}/targets`);
    } catch (error) {
      setBegun(false);
      setSaid(whyNot(error));
    }
  };
  return (
    <>
      <Button kind="accent" disabled={begun} onClick={() => void begin()}>
        Try it on a small invented engine
      </Button>
      <Fault>{said}</Fault>
    </>
  );
}
