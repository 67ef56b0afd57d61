'use client';

import { useState } from 'react';
import { Button } from './Button';

/** Why a verdict may stay as it is. */
export function AcceptForm({ onAccept }: { onAccept: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim()) onAccept(reason.trim());
      }}
    >
      <label className="grid gap-1 font-bold">
        Why it may stay
        <input
          className="field"
          value={reason}
          maxLength={200}
          autoFocus
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <p className="mt-1 text-sm text-soft">
        Kept on record with your initials. A new reading, a worse figure or a stricter limit ends it.
      </p>
      <Button type="submit" kind="accent" disabled={!reason.trim()} className="mt-2">
        Accept
      </Button>
    </form>
  );
}
