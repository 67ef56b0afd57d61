'use client';

import { useSelectedLayoutSegment } from 'next/navigation';
import type { ReactNode } from 'react';
import { engineWords } from '@/core/engine/engine';
import { useChanges, useInitials, useJudgement, useLive, useWords } from '../openBuild/contexts';
import { Deck } from '../deck/Deck';
import { Button } from '../shared/Button';
import { Header } from '../shared/Header';
import { Segmented } from '../shared/Segmented';
import { Initials } from '../shared/Initials';
import { usePath } from '../shared/address';
import { Screen } from './Screen';
import { StageRule } from './StageRule';
import { STAGES, STAGE_IDS } from '@/core/stages';
import type { Link } from '../openBuild/useRecord';

const UNIT_OPTIONS = [
  ['imperial', 'thou'],
  ['metric', 'mm'],
] as const;

/** The bench of one build: what is on the stand, the stages, the deck, and the stage in hand. */
export function Workspace({ children }: { children: ReactNode }) {
  const segment = useSelectedLayoutSegment();
  const path = usePath();
  const stage = STAGE_IDS.find((id) => id === (path?.split('/')[3] ?? segment)) ?? 'job';
  const judgement = useJudgement();
  const { units, setUnits, length } = useWords();
  const { by, setBy } = useInitials();
  const { job } = judgement;
  const spec = job
    ? [
        engineWords(job.engine),
        job.plannedBore === null ? null : `bore ${length(job.plannedBore, 'size')}`,
        judgement.duty.row?.words,
        judgement.piston?.words,
      ].filter(Boolean)
    : [];
  return (
    <div className="flex h-dvh flex-col print:block print:h-auto max-lg:h-auto max-lg:min-h-dvh">
      <Header>
        <span className="hidden h-6 w-px bg-line sm:block" />
        <b className="max-w-64 truncate max-sm:max-w-28">{job?.name}</b>
        <span className="min-w-0 flex-1 basis-48 truncate text-soft max-md:hidden">{spec.join(' · ')}</span>
        <span className="flex-1 md:hidden" />
        <Segmented label="Units shown and spoken" value={units} options={UNIT_OPTIONS} onChange={setUnits} />
        <Initials by={by} onChange={setBy} />
      </Header>
      <StageRule stage={stage} />
      <LinkState />
      <Changed />
      <div className="flex min-h-0 flex-1 max-md:flex-col print:block">
        {STAGES[stage].deck && (
          <div className="no-print w-[286px] shrink-0 border-r border-line max-lg:w-[210px] max-md:h-48 max-md:w-full max-md:border-r-0 max-md:border-b">
            <div className="h-full max-lg:sticky max-lg:top-0 max-lg:h-[78dvh] max-md:static max-md:h-full">
              <Deck stage={stage} />
            </div>
          </div>
        )}
        <div className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
          {children}
          <Screen stage={stage} />
        </div>
      </div>
    </div>
  );
}

/** As many changes as are shown before the rest are counted. */
const SHOWN = 3;

/** What the last readings changed elsewhere: targets that moved, verdicts that turned. */
function Changed() {
  const { changes, seenChanges } = useChanges();
  const { text } = useWords();
  return (
    <div role="status" className="no-print">
      {changes.length > 0 && (
        <div className="flex items-center gap-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>Changed by this:</b> {changes.slice(0, SHOWN).map(text).join(' · ')}
            {changes.length > SHOWN && ` · and ${changes.length - SHOWN} more`}
          </p>
          <Button onClick={seenChanges}>Seen</Button>
        </div>
      )}
    </div>
  );
}

/** How the server stands, and what to do about it. */
const LINK_WORDS: Record<Link, string> = {
  up: 'Sending.',
  down: 'The server does not answer.',
  failing: 'The server answers with an error of its own: whoever looks after it should see what it printed.',
  gone: 'The server has no such build any more. Look whether it still uses the same database.',
};

/** What waits to be sent, and what the server would not have. Nothing shows while all is well. */
function LinkState() {
  const judgement = useJudgement();
  const live = useLive();
  const { length } = useWords();
  const { waiting, link, troubles, dismiss } = live;
  const labelOf = (id: string): string => judgement.cylinders.find((c) => c.id === id)?.label ?? id;
  return (
    <div role="status" className="no-print">
      {(link !== 'up' || waiting > 20) && (
        <p className="border-b border-line bg-steel px-5 py-2">
          <b>{LINK_WORDS[link]}</b>{' '}
          {waiting > 0
            ? `${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} in this browser and will be sent once each.`
            : link !== 'up' && 'Go on: readings are kept in this browser until it is back.'}
        </p>
      )}
      {troubles.length > 0 && (
        <div className="flex items-start gap-4 border-b border-line bg-steel px-5 py-2">
          <ul className="flex-1">
            {troubles.map(({ entry, why }) => (
              <li key={entry.id}>
                <b className="text-over">Not recorded:</b>{' '}
                {entry.kind === 'reading'
                  ? `${entry.subject} of cylinder ${labelOf(entry.cylinder)}, “${entry.typed}” (${length(entry.value)})`
                  : `a ${entry.kind} entry`}
                . {why}
              </li>
            ))}
          </ul>
          <Button onClick={dismiss}>Seen</Button>
        </div>
      )}
    </div>
  );
}
