'use client';

import { useSelectedLayoutSegment } from 'next/navigation';
import { type ReactNode, useEffect } from 'react';
import { isTrial } from '@/core/judge/trialId';
import { engineWords } from '@/core/foundation/engine/engine';
import { useChanges, useInitials, useJudgement, useLive, useWords } from '../openBuild/contexts';
import { Deck } from '../deck/Deck';
import { Bar } from '../shared/Bar';
import { Segmented } from '../shared/Segmented';
import { Initials } from '../shared/Initials';
import { useOfflineStatus } from '../offline/useOfflineStatus';
import { usePath } from '../shared/address';
import { loadAll, onDemand } from '../shared/onDemand';
import { useListens } from '../shared/useInBrowser';
import { Keys } from './Keys';
import { LinkState } from './LinkState';
import { SCREENS } from './screens';
import { StageRule } from './StageRule';
import { STAGES } from '@/core/judge/registry';
import { STAGE_IDS } from '@/core/judge/stageTables';

const TrialGuide = onDemand(() => import('./TrialGuide').then((m) => m.TrialGuide));
const Notices = onDemand(() => import('./Notices').then((m) => m.Notices));

const UNIT_OPTIONS = [
  ['imperial', 'thou'],
  ['metric', 'mm'],
] as const;

/** The rest of the program is loaded once the page is at rest for so long, ms. */
const LOAD_AFTER = 4_000;

/** The bench of one build: what is on the stand, the stages, the deck, and the stage in hand. */
export function Workspace({ children }: { children: ReactNode }) {
  const segment = useSelectedLayoutSegment();
  const path = usePath();
  const stage = STAGE_IDS.find((id) => id === (path?.split('/')[3] ?? segment)) ?? 'job';
  const judgement = useJudgement();
  const { units, setUnits, length } = useWords();
  const { by, setBy } = useInitials();
  const { others } = useLive();
  const { changes } = useChanges();
  const copy = useOfflineStatus();
  const listens = useListens();
  const isToldOf = others.length + changes.length > 0 || copy === 'newer';
  const { job } = judgement;
  const { Screen, Deck: OwnDeck } = SCREENS[stage];
  const spec = job
    ? [
        engineWords(job.engine),
        job.plannedBore === null ? null : `bore ${length(job.plannedBore, 'size')}`,
        judgement.duty.row?.words,
        judgement.piston?.words,
      ].filter(Boolean)
    : [];
  useEffect(() => {
    const later = setTimeout(() => void loadAll(), LOAD_AFTER);
    return () => clearTimeout(later);
  }, []);
  return (
    <div inert={!listens} className="flex h-dvh flex-col print:block print:h-auto max-lg:h-auto max-lg:min-h-dvh">
      <Bar isFull>
        <span className="hidden h-6 w-px bg-line sm:block" />
        <b className="max-w-64 truncate max-sm:max-w-28">{job?.name}</b>
        <span className="min-w-0 flex-1 basis-48 max-lg:basis-16 truncate text-soft max-md:hidden">
          {spec.join(' · ')}
        </span>
        <span className="flex-1 md:hidden" />
        <Segmented label="Units shown and spoken" value={units} options={UNIT_OPTIONS} onChange={setUnits} />
        <Initials by={by} onChange={setBy} />
        <Keys buildId={judgement.id} stage={stage} />
      </Bar>
      <StageRule stage={stage} />
      <LinkState />
      {isToldOf && <Notices />}
      {isTrial(judgement.id) && <TrialGuide buildId={judgement.id} stage={stage} />}
      <div className="flex min-h-0 flex-1 max-md:flex-col print:block">
        {STAGES[stage].deck && (
          <div className="no-print w-[286px] shrink-0 border-r border-line max-lg:w-[210px] max-md:h-48 max-sm:h-32 max-md:w-full max-md:border-r-0 max-md:border-b">
            <div className="h-full max-lg:sticky max-lg:top-0 max-lg:h-[78dvh] max-md:static max-md:h-full">
              {OwnDeck ? <OwnDeck /> : <Deck stage={stage} />}
            </div>
          </div>
        )}
        <div className="flex min-h-0 min-w-0 flex-1 flex-col print:block">
          {children}
          <Screen />
        </div>
      </div>
    </div>
  );
}
