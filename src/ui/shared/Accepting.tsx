'use client';

import { type Acceptable, type Answer, acceptedWords } from '@/core/record/reading';
import { useLogging } from '../openBuild/contexts';
import { Button } from './Button';
import { Popup } from './Popup';
import { onDemand } from './onDemand';

/** Loaded when something is accepted. */
const AcceptForm = onDemand(() => import('./AcceptForm').then((m) => m.AcceptForm));

interface Props {
  /** What is accepted, in words: `this gap`. */
  words: string;
  what: Acceptable | null;
  /** The verdict as it is. */
  state: string;
  answer: Pick<Answer, 'acceptId' | 'held' | 'accepted'>;
}

/** A verdict is accepted as it is, with a reason, or the acceptance is taken back. */
export function Accepting({ words, what, state, answer: { acceptId, held, accepted } }: Props) {
  const { accept, strike } = useLogging();
  if (acceptId === null) return null;
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
          onAccept={(reason) => {
            accept({ of: acceptId, what, state, held }, reason);
            close();
          }}
        />
      )}
    </Popup>
  );
}
