'use client';

import { useState } from 'react';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { act, whyNot } from '../shared/act';

/** A PIN or password of one's own choosing, with the one that holds now. */
export function OwnSecret({ onDone }: { onDone: () => void }) {
  const [typed, setTyped] = useState({ old: '', fresh: '' });
  const [said, setSaid] = useState('');
  const change = async (): Promise<void> => {
    try {
      const done = await act('changeOwnSecret', typed.old, typed.fresh);
      if (done.ok) onDone();
      else setSaid(done.faults.join(' '));
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  const field = (key: 'old' | 'fresh', label: string) => (
    <Field label={label}>
      {(props) => (
        <input
          {...props}
          className="field figures"
          type="password"
          autoComplete={key === 'old' ? 'current-password' : 'new-password'}
          maxLength={128}
          value={typed[key]}
          onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <form
      aria-label="A new PIN of one’s own"
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void change();
      }}
    >
      {field('old', 'PIN now')}
      {field('fresh', 'New PIN')}
      {said && (
        <p role="alert" className="font-bold text-over">
          {said}
        </p>
      )}
      <Button type="submit" kind="strong" disabled={typed.old === '' || typed.fresh === ''}>
        Change it
      </Button>
    </form>
  );
}
