'use client';

import { useState } from 'react';
import { flushSync } from 'react-dom';
import { DEPTH_WORDS, directionWords, sameSpot } from '@/core/bores/grid';
import { easySetting } from '@/core/bores/gauge';
import { boreAdvice } from '@/core/bores/verdict';
import { settingFor, settingOf } from '@/core/judge/context';
import type { At } from '@/core/stage/tasks';
import type { Nm } from '@/core/quantity/length';
import { printLength } from '@/core/quantity/print';
import { useHands, useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Hand } from '../hand/Hand';
import { ReadingLine } from '../line/ReadingLine';
import { PassLog } from '../shared/PassLog';
import { Accepting } from '../shared/Accepting';
import { StateMark } from '../shared/StateMark';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { AllBores } from './AllBores';
import { Dial } from './Dial';
import { Grid } from './Grid';
import { Renew } from './Renew';
import { Section } from './Section';
import { onDemand } from '../shared/onDemand';

const Shapes = onDemand(() => import('./Shapes').then((m) => m.Shapes));
const NextSize = onDemand(() => import('./NextSize').then((m) => m.NextSize));
const GaugeSetup = onDemand(() => import('./GaugeSetup').then((m) => m.GaugeSetup));
const GridForm = onDemand(() => import('./GridForm').then((m) => m.GridForm));

const VIEWS = ['readings', 'shapes', 'size', 'gauge', 'grid'] as const;

/** The bores: read spot by spot, what they come to, and what to do with them. */
export function BoresStage() {
  const judgement = useJudgement();
  const { cylinder, cursor } = useMoving();
  const { handFor, toolFor } = useHands();
  const { units } = useWords();
  const [view, setView] = useView(VIEWS);
  const [typed, setTyped] = useState<Nm | null>(null);
  if (!cylinder) return null;
  const { bore } = cylinder;
  const at = (spot: At['spot']): At<'bore'> => ({ cylinder: cylinder.id, subject: 'bore', spot });
  const spot = bore.spots.find((s) => sameSpot(s, cursor.spot)) ?? bore.spots[0];
  if (!spot) return null;
  const here = at({ depth: spot.depth, angle: spot.angle });
  const setting = settingFor(settingOf(judgement, handFor('bore').instrument), cylinder);
  const kit = toolFor('bore')?.kit ?? null;
  const atSpots = new Set(bore.spots.flatMap((s) => s.passes.map((p) => p.id)));
  const others = bore.passes.filter((p) => !atSpots.has(p.id));
  const shown = typed ?? spot.passes.findLast((p) => p.voided === null)?.value ?? null;
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <Heading />
          <Views
            label="What of the bores"
            value={view}
            onChange={setView}
            views={[
              [
                'readings',
                'Readings',
                <div key="readings" className="flex h-full flex-col">
                  <div className="mt-3 flex flex-wrap items-start gap-x-5 gap-y-3">
                    <Grid cylinder={cylinder} here={spot} />
                    <Section cylinder={cylinder} />
                  </div>
                  <AllBores />
                </div>,
              ],
              ['shapes', 'Shapes', <Shapes key="shapes" />],
              ['size', 'Next size', <NextSize key="size" />],
              ['gauge', 'Gauge set-up', <GaugeSetup key="gauge" />],
              ['grid', 'Grid and limits', <GridForm key="grid" />],
            ]}
          />
        </div>
      }
      aside={
        <>
          <Hand subject="bore" />
          {kit && setting !== null && (
            <Dial kit={kit} setting={setting} shown={shown} units={units} live={typed !== null} />
          )}
          {kit && setting === null && cylinder.targetBore && (
            <p className="mt-2 text-soft">
              Set the gauge in the micrometer and say so on the reading line:{' '}
              <b className="figures text-ink">
                set {printLength(easySetting(cylinder.targetBore.nm, units), units, 'size').number}
              </b>
              . Then the dial is read: <b className="figures text-ink">6</b>, <b className="figures text-ink">-1.5</b>.
            </p>
          )}
          <div className="mt-4">
            <Findings findings={findingsFor(judgement.findings, ['bores'], cylinder.id)} />
          </div>
          <h2 className="mt-5 mb-1">
            {DEPTH_WORDS[spot.depth]}, {directionWords(spot.angle)}
          </h2>
          <PassLog passes={spot.passes} style="size" />
          {others.length > 0 && (
            <>
              <h2 className="mt-4 mb-1">Kept, and of no spot here</h2>
              <PassLog passes={others} style="size" />
            </>
          )}
          <Renew part="bore" />
          <p className="mt-4 text-soft">
            Parts and gauges at one temperature. A calliper is not good enough for this. Solvents: fresh air and no
            flame.
          </p>
        </>
      }
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
  const { text } = useWords();
  if (!cylinder) return null;
  const { verdict, read, total, acceptId, accepted } = cylinder.bore;
  return (
    <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <h1>Bore {cylinder.label}</h1>
      <p className="text-xl">
        <StateMark state={verdict.state} />
      </p>
      <p className="min-w-56 flex-1 text-[1.0625rem]">
        {verdict.state === 'part read' && total > 0 ? `${read} of ${total} spots. ` : ''}
        {verdict.state !== 'part read' && `${boreAdvice(verdict.state, judgement.choices.bores.basis)} `}
        <span className="text-sm text-soft">{verdict.reasons.map(text).join('; ')}</span>
      </p>
      {(accepted !== null || !['to do', 'part read', 'within'].includes(verdict.state)) && (
        <Accepting words="this bore" of={acceptId} what="bore" state={verdict.state} accepted={accepted} />
      )}
    </div>
  );
}
