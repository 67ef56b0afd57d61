'use client';

import { useState } from 'react';
import { Button } from './Button';

const REASONS = ['misread', 'wrong cylinder', 'not squared', 'noted wrong'];

/** Why something is struck out: one of the usual reasons, or another. */
export function StrikeOutForm({ onStrike, what }: { onStrike: (reason: string) => void; what: string }) {
  const [reason, setReason] = useState('');
  return (
    <>
      <p className="mb-2 font-bold">Strike out {what}: why?</p>
      <div className="flex flex-wrap gap-2">
        {REASONS.map((r, i) => (
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
