'use client';

import { useState } from 'react';
import { Button } from '../shared/Button';
import { runCommand, whyNot } from '../shared/runCommand';
import { SecretField } from './SecretField';
import { Fault } from '../shared/Fault';

/** A PIN or password of one's own choosing, with the one that holds now. */
export function OwnSecret({ onDone }: { onDone: () => void }) {
  const [typed, setTyped] = useState({ old: '', fresh: '' });
  const [said, setSaid] = useState('');
  const change = async (): Promise<void> => {
    try {
      const done = await runCommand('changeOwnSecret', typed.old, typed.fresh);
      if (done.ok) onDone();
      else setSaid(done.faults.join(' '));
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <form
      aria-label="A new PIN of one’s own"
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void change();
      }}
    >
      <SecretField label="PIN now" value={typed.old} onChange={(old) => setTyped({ ...typed, old })} />
      <SecretField label="New PIN" isNew value={typed.fresh} onChange={(fresh) => setTyped({ ...typed, fresh })} />
      <Fault>{said}</Fault>
      <Button type="submit" kind="strong" disabled={typed.old === '' || typed.fresh === ''}>
        Change it
      </Button>
    </form>
  );
}
