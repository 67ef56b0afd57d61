'use client';

import { inEither } from '../stages/trialWords';
import { flushSync } from 'react-dom';
import { CRANK } from '@/core/foundation/engine/places';
import type { JudgedBearing } from '@/core/stages/journals/types';
import type { At } from '@/core/stages/contract/tasks';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import { taskLabel } from '@/core/judge/labels';
import { placeAt } from '@/core/judge/judgement';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { ReadingLine } from '../line/ReadingLine';
import { useView } from '../shared/address';
import { onDemand } from '../shared/onDemand';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { JOURNAL_VIEWS, alongCrank, bearingAt, bearingInHand, besideAt, playAt, areBearingsShown } from './bearings';
import { BearingFigure } from './BearingFigure';

const JournalsSidebar = onDemand(() => import('./JournalsSidebar').then((m) => m.JournalsSidebar), 'at rest');
const AllBearings = onDemand(() => import('./AllBearings').then((m) => m.AllBearings), 'at rest');
const EndPlayTable = onDemand(() => import('./EndPlayTable').then((m) => m.EndPlayTable), 'at rest');
const ShellsView = onDemand(() => import('./ShellsView').then((m) => m.ShellsView));
const EndPlay = onDemand(() => import('./EndPlay').then((m) => m.EndPlay));
const Inspection = onDemand(() => import('./Inspection').then((m) => m.Inspection));
const NotCovered = onDemand(() => import('./NotCovered').then((m) => m.NotCovered));
const LimitsForm = onDemand(() => import('./LimitsForm').then((m) => m.LimitsForm));

const HEADINGS: Partial<Record<(typeof JOURNAL_VIEWS)[number], string>> = {
  shells: 'Bearing shells',
  manual: 'What the manual gives, and how it is read',
};

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'Bearings are not covered by this job. On the job card they can be: then their clearances are read here.',
);

/** The bottom end: bearings measured and held against the manual, and the shells that cure them. */
export function JournalsStage() {
  const judgement = useJudgement();
  const { cursor } = useMoving();
  const [view, setView] = useView(JOURNAL_VIEWS);
  if (!areBearingsShown(judgement)) return <NotCovered />;
  const isPlay = view === 'play';
  const here = isPlay ? playAt(judgement, cursor, cursor.inHand.play) : bearingInHand(judgement, cursor);
  const bearing = bearingAt(judgement, here.cylinder);
  const lookedAt = cursor.place === CRANK ? 'Crank' : bearing?.words;
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <h1>
            {HEADINGS[view] ?? (view === 'looks' ? lookedAt : taskLabel(placeAt(judgement, here.cylinder), here))}
          </h1>
          <Views
            label="What of the bottom end"
            value={view}
            onChange={setView}
            views={[
              [
                'readings',
                'Clearances',
                <Readings key="readings" bearing={bearing} subject={here.subject} onManual={() => setView('manual')} />,
              ],
              ['shells', 'Bearing shells', <ShellsView key="shells" />],
              [
                'play',
                judgement.others.length > 0 ? 'End play, other' : 'End play, sides',
                <EndPlay key="play" here={here} />,
              ],
              ['looks', 'Inspection', <Inspection key="looks" />],
              ['manual', 'Limits and method', <LimitsForm key="manual" />],
            ]}
          />
        </div>
      }
      aside={<JournalsSidebar here={here} isRead={view === 'readings' || isPlay} />}
      foot={
        <div className={view === 'readings' || isPlay ? 'contents' : 'hidden'}>
          <JournalLine
            key={isPlay ? 'play' : 'journals'}
            here={here}
            isPlay={isPlay}
            onCall={() => view !== 'readings' && !isPlay && flushSync(() => setView('readings'))}
          />
        </div>
      }
    />
  );
}

interface JournalLineProps {
  here: At<JournalSubject>;
  isPlay: boolean;
  onCall: () => void;
}

/** The reading line: over the bearings, or over end play, sides and other clearances. */
function JournalLine({ here, isPlay, onCall }: JournalLineProps) {
  const judgement = useJudgement();
  const { cursor } = useMoving();
  const playSubjects = ['endPlay', 'side', ...(judgement.others.length > 0 ? (['other'] as const) : [])] as const;
  return (
    <ReadingLine
      work={isPlay ? 'play' : 'journals'}
      here={here}
      beside={
        isPlay ? playSubjects.map((subject) => playAt(judgement, cursor, subject)) : besideAt(judgement, here.cylinder)
      }
      besideWords={isPlay ? 'end play, side, other' : 'journal, housing'}
      along={
        isPlay
          ? here.subject === 'other'
            ? { words: 'clearance', places: judgement.others.map((o) => o.id) }
            : { words: 'rod', places: here.subject === 'endPlay' ? [CRANK] : judgement.cylinders.map((c) => c.id) }
          : { words: 'bearing', places: alongCrank(judgement) }
      }
      onCall={onCall}
    />
  );
}

interface ReadingsProps {
  bearing: JudgedBearing | undefined;
  subject: JournalSubject;
  onManual: () => void;
}

/** What is in hand, its clearance against the manual's window, and all of them below. */
function Readings({ bearing, subject, onManual }: ReadingsProps) {
  const { cylinders, choices } = useJudgement();
  if (!bearing) return null;
  const { clearance, words } = bearing;
  const smallEnd = subject === 'smallEnd' ? cylinders.find((c) => c.id === bearing.id)?.smallEnd : undefined;
  if (smallEnd)
    return (
      <div className="flex h-full flex-col pt-3">
        <BearingFigure
          what="smallEnd"
          words={`the pin in the small end of ${words.toLowerCase()}`}
          held={smallEnd}
          accepts="smallEnd"
          how={subject}
          onManual={onManual}
        />
        <EndPlayTable here={{ cylinder: bearing.id, subject }} />
      </div>
    );
  return (
    <div className="flex h-full flex-col pt-3">
      <BearingFigure
        what="clearance"
        words={`the clearance of ${words.toLowerCase()}`}
        held={clearance}
        accepts="bearing"
        how={subject}
        tightened={choices.journals.bearings[bearing.kind].tightened}
        onManual={onManual}
      />
      <AllBearings />
    </div>
  );
}
