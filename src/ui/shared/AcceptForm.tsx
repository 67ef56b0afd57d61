'use client';

import { useState } from 'react';
import { useInitials } from '../openBuild/contexts';
import { Button } from './Button';

/** Why a verdict may stay as it is, and whose word that is. */
export function AcceptForm({ onAccept }: { onAccept: (reason: string) => void }) {
  const { by, setBy } = useInitials();
  const [isUnknown] = useState(by === '');
  const [reason, setReason] = useState('');
  const isWhole = reason.trim() !== '' && by.trim() !== '';
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (isWhole) onAccept(reason.trim());
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
      {isUnknown && (
        <label className="grid gap-1 font-bold">
          Your initials
          <input
            className="field figures w-24! uppercase"
            value={by}
            maxLength={12}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => setBy(event.target.value)}
          />
        </label>
      )}
      <p className="text-sm text-soft">
        Kept on record with your initials. A new reading, a worse figure or a stricter limit ends it.
      </p>
      <div>
        <Button type="submit" kind="accent" disabled={!isWhole}>
          Accept
        </Button>
      </div>
    </form>
  );
}
