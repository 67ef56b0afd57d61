'use client';

import { useState } from 'react';
import { type Acceptable, type Acceptance, acceptedWords } from '@/core/record/reading';
import { useLogging } from '../openBuild/contexts';
import { Button } from './Button';
import { Popup } from './Popup';

interface Props {
  /** What is accepted, in words: `this gap`. */
  words: string;
  /** The last reading it rests on; null where there is none yet. */
  of: string | null;
  what: Acceptable | null;
  /** The verdict as it is. */
  state: string;
  accepted: Acceptance | null;
}

/** A verdict is accepted as it is, with a reason, or the acceptance is taken back. */
export function Accepting({ words, of, what, state, accepted }: Props) {
  const { accept, strike } = useLogging();
  const [reason, setReason] = useState('');
  if (of === null) return null;
  if (accepted)
    return (
      <p className="flex flex-wrap items-center gap-x-3">
        <span className="text-soft">{acceptedWords(accepted).replace(/^a/, 'A')}.</span>
        <Button onClick={() => strike(accepted.id, 'taken back')}>Take the acceptance back</Button>
      </p>
    );
  return (
    <Popup label={`Accept ${words} with a reason`} trigger="Accept with a reason">
      {(close) => (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (!reason.trim()) return;
            accept({ of, what, state }, reason.trim());
            setReason('');
            close();
          }}
        >
          <label className="grid gap-1 font-bold">
            Why it may stay
            <input
              className="field"
              value={reason}
              maxLength={200}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
          <p className="mt-1 text-sm text-soft">
            It stays on record as {state}, with your initials, until it is read again.
          </p>
          <Button type="submit" kind="accent" disabled={!reason.trim()} className="mt-2">
            Accept
          </Button>
        </form>
      )}
    </Popup>
  );
}
