'use client';

import type { TrialWords } from '../stages/trialWords';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { sameSpot } from '@/core/foundation/parts/spots';
import { boreAdvice } from '@/core/stages/bores/verdict';
import type { At } from '@/core/stages/contract/tasks';
import type { Nm } from '@/core/foundation/quantity/length';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { ReadingLine } from '../line/ReadingLine';
import { Accepting } from '../shared/Accepting';
import { StateMark } from '../shared/StateMark';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { MeasuringGrid } from './MeasuringGrid';
import { Section } from './Section';
import { onDemand } from '../shared/onDemand';

const BoresSidebar = onDemand(() => import('./BoresSidebar').then((m) => m.BoresSidebar), 'at rest');
const AllBores = onDemand(() => import('./AllBores').then((m) => m.AllBores), 'at rest');
const BoreShapes = onDemand(() => import('./BoreShapes').then((m) => m.BoreShapes));
const Oversize = onDemand(() => import('./Oversize').then((m) => m.Oversize));
const GaugeSetup = onDemand(() => import('./GaugeSetup').then((m) => m.GaugeSetup));
const Supplied = onDemand(() => import('../supplied/Supplied').then((m) => m.Supplied));
const MeasuringPlanForm = onDemand(() => import('./MeasuringPlanForm').then((m) => m.MeasuringPlanForm));

const VIEWS = ['readings', 'shapes', 'size', 'gauge', 'grid', 'supplied'] as const;

/** What to try here with the trial engine, with figures to type. */
export const TRIAL: TrialWords = {
  imperial:
    'Type what the gauge says and Enter: 3.0002, then 3.0003 and so on; the line leads from spot to spot. Or only type 3.0002 a few times.',
  metric: 'Type what the gauge says and Enter: 76.005, then 76.007 and so on; the line leads from spot to spot.',
};

/** The bores: read spot by spot, what they come to, and what to do with them. */
export function BoresStage() {
  const { cylinder, cursor } = useMoving();
  const [view, setView] = useView(VIEWS);
  const [typed, setTyped] = useState<Nm | null>(null);
  if (!cylinder) return null;
  const { bore } = cylinder;
  const at = (spot: At['spot']): At<'bore'> => ({ cylinder: cylinder.id, subject: 'bore', spot });
  const spot = bore.spots.find((s) => sameSpot(s, cursor.spot)) ?? bore.spots[0];
  if (!spot) return null;
  const here = at({ depth: spot.depth, angle: spot.angle });
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <Heading />
          <Views
            label="Bore views"
            value={view}
            onChange={setView}
            views={[
              [
                'readings',
                'Readings',
                <div key="readings" className="flex h-full flex-col">
                  <div className="mt-3 flex flex-wrap items-start gap-x-5 gap-y-3">
                    <MeasuringGrid cylinder={cylinder} here={spot} />
                    <Section cylinder={cylinder} />
                  </div>
                  <AllBores />
                </div>,
              ],
              ['shapes', 'Bore shape', <BoreShapes key="shapes" />],
              ['size', 'Oversize', <Oversize key="size" />],
              ['gauge', 'Gauge set-up', <GaugeSetup key="gauge" />],
              ['grid', 'Measuring plan', <MeasuringPlanForm key="grid" />],
              ['supplied', 'Supplied sizes', <Supplied key="supplied" of="bores" />],
            ]}
          />
        </div>
      }
      aside={<BoresSidebar cylinder={cylinder} spot={spot} typed={typed} />}
      foot={
        <div className={view === 'readings' ? 'contents' : 'hidden'}>
          <ReadingLine
            work="bores"
            here={here}
            beside={bore.spots.map(({ depth, angle }) => at({ depth, angle }))}
            besideWords="spot"
            onCall={() => view !== 'readings' && flushSync(() => setView('readings'))}
            onMeaning={setTyped}
          />
        </div>
      }
    />
  );
}

/** The cylinder, its verdict, and why. */
function Heading() {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { text, length } = useWords();
  if (!cylinder) return null;
  const { verdict, read, total, accepted } = cylinder.bore;
  const { reported, here } = cylinder.boreSupplied;
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <h1>Bore {cylinder.label}</h1>
      <p className="text-xl">
        <StateMark state={verdict.state} />
      </p>
      <p className="min-w-56 flex-1 text-[1.0625rem]">
        {verdict.state === 'part read' && total > 0 ? `${read} of ${total} spots. ` : ''}
        {!here &&
          verdict.state === 'to do' &&
          (reported === null ? 'Not measured here. ' : `Not measured here; reported as ${length(reported, 'size')}. `)}
        {(here || verdict.state !== 'to do') &&
          verdict.state !== 'part read' &&
          `${boreAdvice(verdict.state, judgement.choices.bores.basis)} `}
        <span className="text-sm text-soft">{verdict.reasons.map(text).join('; ')}</span>
      </p>
      {(accepted !== null || !['to do', 'part read', 'within'].includes(verdict.state)) && (
        <Accepting words="this bore" what="bore" state={verdict.state} answer={cylinder.bore} />
      )}
    </div>
  );
}
