'use client';

import type { TrialWords } from '../stages/trialWords';
import { flushSync } from 'react-dom';
import type { Subject } from '@/core/judge/registry';
import type { At } from '@/core/stages/contract/tasks';
import { RING_WORDS, RINGS } from '@/core/foundation/parts/rings';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { ReadingLine } from '../line/ReadingLine';
import { useView } from '../shared/address';
import { usePersisted } from '../shared/persisted';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { RingBench } from './RingBench';
import { GROOVE_SUBJECTS } from '@/core/stages/rings/grooves';
import { ringsOnRoute } from '@/core/stages/rings/stage';
import { onDemand } from '../shared/onDemand';

const RingsSidebar = onDemand(() => import('./RingsSidebar').then((m) => m.RingsSidebar), 'at rest');
const Gaps = onDemand(() => import('./Gaps').then((m) => m.Gaps));
const RingPlacement = onDemand(() => import('./RingPlacement').then((m) => m.RingPlacement));
const RingSetView = onDemand(() => import('./RingSetView').then((m) => m.RingSetView));
const Grooves = onDemand(() => import('./Grooves').then((m) => m.Grooves));
const Setup = onDemand(() => import('./Setup').then((m) => m.Setup));

const VIEWS = ['bench', 'gaps', 'swap', 'set', 'grooves', 'setup'] as const;

/** What to try here with the trial engine, with figures to type. */
export const TRIAL: TrialWords = {
  imperial:
    'Type 12 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 15 Enter: it goes on to the next ring. Z takes back.',
  metric:
    'Type 30 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 38 Enter: it goes on to the next ring. Z takes back.',
};

/** The ring bench: one ring in hand, what it reads, how far to go; all of them; where they go best; what they are. */
export function RingsStage() {
  const judgement = useJudgement();
  const { cylinder, cursor } = useMoving();
  const [view, setView] = useView(VIEWS);
  const [large, setLarge] = usePersisted('spatium-large', 'off');
  if (!cylinder) return null;
  const ring = cylinder.rings[cursor.inHand.rings];
  const subjects = RINGS.filter((r) => ringsOnRoute(judgement.choices).includes(r) || r === cursor.inHand.rings);
  const at = (subject: Subject): At<Subject> => ({ cylinder: cylinder.id, subject, spot: null });
  const isLarge = large === 'on' && view === 'bench';
  return (
    <Frame
      main={
        <div className={`flex h-full flex-col ${isLarge ? 'large' : ''}`}>
          <div className="flex flex-wrap items-baseline justify-between gap-x-4">
            <h1 className={isLarge ? 'text-[3.5rem]! leading-none!' : ''}>
              Cylinder {cylinder.label}, {RING_WORDS[ring.ring]}
            </h1>
            <LargeFigures isOn={large === 'on'} onChange={(isOn) => setLarge(isOn ? 'on' : 'off')} />
          </div>
          <Views
            label="Ring views"
            value={view}
            onChange={setView}
            views={[
              ['bench', 'Bench', <RingBench key="bench" ring={ring} large={isLarge} onSwap={() => setView('swap')} />],
              ['gaps', 'All gaps', <Gaps key="gaps" />],
              ['swap', 'Swap', <RingPlacement key="swap" />],
              ['set', 'Ring set', <RingSetView key="set" />],
              ['grooves', 'Grooves', <Grooves key="grooves" />],
              ['setup', 'Set-up', <Setup key="setup" />],
            ]}
          />
        </div>
      }
      aside={<RingsSidebar ring={ring} />}
      foot={
        view === 'grooves' ? (
          <ReadingLine
            key="grooves"
            work="grooves"
            here={at(cursor.inHand.grooves)}
            beside={GROOVE_SUBJECTS.map(at)}
            besideWords="groove"
          />
        ) : (
          <div className={view === 'bench' ? 'contents' : 'hidden'}>
            <ReadingLine
              work="rings"
              here={at(ring.ring)}
              beside={subjects.map(at)}
              besideWords="ring"
              onCall={() => view !== 'bench' && flushSync(() => setView('bench'))}
            />
          </div>
        )
      }
    />
  );
}

/** Figures that are read from two metres away. */
function LargeFigures({ isOn, onChange }: { isOn: boolean; onChange: (isOn: boolean) => void }) {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      onClick={() => onChange(!isOn)}
      className="min-h-11 rounded border border-edge px-3 text-sm aria-pressed:bg-ink aria-pressed:text-sheet"
    >
      Large
    </button>
  );
}
