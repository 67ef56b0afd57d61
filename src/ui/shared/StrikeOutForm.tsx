'use client';

import { useState } from 'react';
import { Button } from './Button';

interface Props {
  /** What is asked. */
  ask: string;
  /** The usual reasons; those of a reading unless said. */
  reasons?: readonly string[];
  onStrike: (reason: string) => void;
}

const OF_A_READING = ['misread', 'wrong cylinder', 'not squared', 'noted wrong'];

/** Why something is struck out: one of the usual reasons, or another. */
export function StrikeOutForm({ ask, reasons = OF_A_READING, onStrike }: Props) {
  const [reason, setReason] = useState('');
  return (
    <>
      <p className="mb-2 font-bold">{ask}</p>
      <div className="flex flex-wrap gap-2">
        {reasons.map((r, i) => (
          <Button
            key={r}
            autoFocus={i === 0}
            onClick={() => {
              onStrike(r);
            }}
          >
            {r}
          </Button>
        ))}
      </div>
      <form
        className="mt-3 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!reason.trim()) return;
          onStrike(reason.trim());
        }}
      >
        <input
          aria-label="Another reason"
          placeholder="another reason"
          className="field"
          value={reason}
          maxLength={200}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button type="submit" kind="accent" disabled={!reason.trim()}>
          Strike
        </Button>
      </form>
    </>
  );
}
