'use client';

import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button, buttonLook, LinkButton } from '../shared/Button';
import { PassLog } from '../shared/PassLog';
import { Popup } from '../shared/Popup';
import { GapTravel } from './GapTravel';
import { RingEnds } from './RingEnds';
import { Term } from '../shared/Term';

/** Below the verdict: every reading and cut of the ring, what its gap is along the bore, and its ends. */
export function RingPast({ ring }: { ring: JudgedRing }) {
  return (
    <div className="mt-4 flex flex-wrap gap-x-8 gap-y-4">
      <section aria-label="Readings of this ring" className="min-w-[min(24rem,100%)] flex-1">
        <h2 className="mb-1">
          Readings and <Term word="cut">cuts</Term>
        </h2>
        <History ring={ring} />
        <AnotherRing ring={ring} />
      </section>
      <div className="grid content-start gap-4">
        <GapTravel ring={ring} />
        <RingEnds ring={ring} />
      </div>
    </div>
  );
}

/** Every pass and cut of this ring, and of one it replaced. */
function History({ ring }: { ring: JudgedRing }) {
  const judgement = useJudgement();
  const { length } = useWords();
  const labelOf = (id: string): string => judgement.cylinders.find((c) => c.id === id)?.label ?? id;
  return (
    <PassLog
      passes={ring.history}
      style="fine"
      note={(item) => {
        if (item.kind === 'cut') {
          const taken = ring.taken.find((t) => t.id === item.id);
          return taken ? ` · took ${length(taken.removed)}` : null;
        }
        return [
          item.cylinder !== ring.number && ` · in cylinder ${labelOf(item.cylinder)}`,
          ring.unlogged.includes(item.id) && ' · cut before it, not logged',
          ring.unprepared.includes(item.id) && ' · neither deburred nor squared noted',
          ring.accepted && item.id === ring.reading?.id && ` · accepted: ${ring.accepted.reason}`,
        ]
          .filter(Boolean)
          .join('');
      }}
      action={(item) =>
        item.kind === 'reading' && item.id === ring.reading?.id ? <ReadElsewhere ring={ring} /> : null
      }
    />
  );
}

/** A reading that was made in the wrong bore is noted there, without measuring again. */
function ReadElsewhere({ ring }: { ring: JudgedRing }) {
  const judgement = useJudgement();
  const { reassign } = useLogging();
  const { reading } = ring;
  if (!reading) return null;
  return (
    <Popup
      label="Read in another bore"
      trigger="Move to another bore"
      look={`${buttonLook('quiet')} text-sm whitespace-nowrap`}
      width="w-72"
    >
      {(close) => (
        <>
          <p className="mb-2">
            <b>In which cylinder’s bore was it read?</b> The gap here is then worked out from the two bores.
          </p>
          <div className="flex flex-wrap gap-2">
            {judgement.cylinders
              .filter((c) => c.id !== reading.cylinder)
              .map((c) => (
                <Button
                  key={c.id}
                  onClick={() => {
                    reassign(reading, c.id);
                    close();
                  }}
                >
                  {c.label}
                </Button>
              ))}
          </div>
        </>
      )}
    </Popup>
  );
}

/** A ring that was replaced is taken back in one step. */
function AnotherRing({ ring }: { ring: JudgedRing }) {
  const judgement = useJudgement();
  const { strike } = useLogging();
  const last = judgement.cylinders.find((c) => c.id === ring.number)?.renewals.find((r) => r.part === ring.ring);
  if (!last) return null;
  return (
    <p className="mt-2 text-soft">
      Another ring was taken, {last.by || 'no initials'}. What was read of the one before is kept.{' '}
      <LinkButton onClick={() => strike(last.id, 'taken back')}>Take back</LinkButton>
    </p>
  );
}
