'use client';

import { type Acceptable, type Acceptance, acceptedWords } from '@/core/record/reading';
import type { Held } from '@/core/verdict/held';
import { useLogging } from '../openBuild/contexts';
import { Button } from './Button';
import { Popup } from './Popup';
import { onDemand } from './onDemand';

/** Loaded when something is accepted. */
const AcceptForm = onDemand(() => import('./AcceptForm').then((m) => m.AcceptForm));

interface Props {
  /** What is accepted, in words: `this gap`. */
  words: string;
  /** The last reading it rests on; null where there is none yet. */
  of: string | null;
  what: Acceptable | null;
  /** The verdict as it is. */
  state: string;
  /** The figure and the limit it is accepted at, where it is one figure. */
  held?: Held | null;
  accepted: Acceptance | null;
}

/** A verdict is accepted as it is, with a reason, or the acceptance is taken back. */
export function Accepting({ words, of, what, state, held = null, accepted }: Props) {
  const { accept, strike } = useLogging();
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
        <AcceptForm
          state={state}
          onAccept={(reason) => {
            accept({ of, what, state, held }, reason);
            close();
          }}
        />
      )}
    </Popup>
  );
}
