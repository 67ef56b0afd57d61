'use client';

import { useState } from 'react';
import { shortBlockOf } from '@/core/judge/shortBlock';
import { BLOCK, isCylinderId } from '@/core/foundation/engine/places';
import { stageOf } from '@/core/judge/stageTables';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Link } from '../shared/Link';
import { PinForm } from './PinForm';
import { Pinned } from './Pinned';

/** The verdict on the short block, with everything that is open on it. */
export function ShortBlockView() {
  const judgement = useJudgement();
  const { text } = useWords();
  const { toCylinder } = useMoving();
  const [isPinning, setPinning] = useState(false);
  const { isReady, open } = shortBlockOf(judgement);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <p className={`text-2xl font-bold ${isReady ? 'text-ok' : 'text-short'}`} role="status">
        {isReady ? '● Short block ready' : `◣ Short block not ready: ${open.length} open`}
      </p>
      {open.length > 0 && (
        <ul aria-label="What is open" className="divide-y divide-line border-y border-line">
          {open.map(({ says, stage, place }, i) => (
            <li key={i}>
              <Link
                href={`/builds/${judgement.id}/${stage}`}
                onClick={() => isCylinderId(place) && toCylinder(place)}
                className="flex min-h-11 items-center justify-between gap-3 py-1"
              >
                <span className="text-blue underline underline-offset-4">{text(says)}</span>
                <span className="text-sm text-soft">{stageOf(stage).words}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <Pinned pins={judgement.blockPins} />
      {isPinning ? (
        <PinForm
          at={{ place: BLOCK, step: null }}
          label="What must not be forgotten on the engine"
          onEnd={() => setPinning(false)}
        />
      ) : (
        <div>
          <Button onClick={() => setPinning(true)}>Add reminder for the engine</Button>
        </div>
      )}
    </div>
  );
}
