'use client';

import type { TrialWords } from '../stages/trialWords';
import { flushSync } from 'react-dom';
import type { At } from '@/core/stages/contract/tasks';
import { clearanceAdvice } from '@/core/stages/pistons/clearanceAdvice';
import { gaugePoint } from '@/core/stages/pistons/piston';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { SUBJECTS } from '@/core/judge/stageTables';
import { ReadingLine } from '../line/ReadingLine';
import { Accepting } from '../shared/Accepting';
import { Scale } from '../shared/Scale';
import { StateMark, stateColour } from '../shared/StateMark';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { type PistonSubject, PISTON_SUBJECTS } from '@/core/stages/pistons/stage';
import { onDemand } from '../shared/onDemand';

const MissingTarget = onDemand(() => import('../stages/MissingTarget').then((m) => m.MissingTarget));
const PistonsSidebar = onDemand(() => import('./PistonsSidebar').then((m) => m.PistonsSidebar), 'at rest');
const AllPistons = onDemand(() => import('./AllPistons').then((m) => m.AllPistons), 'at rest');
const PairingView = onDemand(() => import('./PairingView').then((m) => m.PairingView));
const Supplied = onDemand(() => import('../supplied/Supplied').then((m) => m.Supplied));
const RodAndPin = onDemand(() => import('./RodAndPin').then((m) => m.RodAndPin));
const GaugePoint = onDemand(() => import('./GaugePoint').then((m) => m.GaugePoint));

const VIEWS = ['readings', 'pairing', 'gauge', 'rod', 'supplied'] as const;

const HOW: Partial<Record<PistonSubject, string>> = {
  pin: 'In the micrometer, in the middle of the pin.',
  pinBore: 'In the piston’s pin bore, both sides.',
  strip:
    'A feeler strip drawn up beside the piston in its bore: it reads about half a thou under the true clearance. A check, never the record.',
};

/** What to try here with the trial engine, with figures to type. */
export const TRIAL: TrialWords = {
  imperial: 'Type 2.9978 Enter, and 2.9979 Enter: the clearance follows from bore and piston.',
  metric: 'Type 75.945 Enter, and 75.947 Enter: the clearance follows from bore and piston.',
};

/** The pistons: measured, held against their bores, paired with them. */
export function PistonsStage() {
  const { cylinder, cursor } = useMoving();
  const [view, setView] = useView(VIEWS);
  if (!cylinder) return null;
  const at = (subject: PistonSubject): At<PistonSubject> => ({ cylinder: cylinder.id, subject, spot: null });
  const subject = cursor.inHand.pistons;
  const { piston } = cylinder;
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <h1>
            Cylinder {cylinder.label}, {SUBJECTS[subject].words}
            {piston.id !== cylinder.id && subject !== 'strip' && (
              <span className="text-xl font-normal text-soft"> piston {piston.label} is paired with it</span>
            )}
          </h1>
          <Views
            label="Piston views"
            value={view}
            onChange={setView}
            views={[
              ['readings', 'Readings', <Readings key="readings" />],
              ['pairing', 'Pairing', <PairingView key="pairing" />],
              ['gauge', 'Gauge point and pins', <GaugePoint key="gauge" />],
              ['rod', 'Rod and pin', <RodAndPin key="rod" />],
              ['supplied', 'Supplied sizes', <Supplied key="supplied" of="pistons" />],
            ]}
          />
        </div>
      }
      aside={<PistonsSidebar cylinder={cylinder} subject={subject} />}
      foot={
        <div className={view === 'readings' ? 'contents' : 'hidden'}>
          <ReadingLine
            work="pistons"
            here={at(subject)}
            beside={PISTON_SUBJECTS.map(at)}
            besideWords="piston, pin, strip"
            onCall={() => view !== 'readings' && flushSync(() => setView('readings'))}
          />
        </div>
      }
    />
  );
}

/** What is in hand, its clearance against the window, and all of them below. */
function Readings() {
  const judgement = useJudgement();
  const { cylinder, cursor } = useMoving();
  const { units, text, length } = useWords();
  if (!cylinder) return null;
  const { clearance } = cylinder;
  const subject = cursor.inHand.pistons;
  const passes = clearance.value === null ? [] : [{ id: 'clearance', value: clearance.value, upTo: null }];
  return (
    <div className="flex h-full flex-col pt-3">
      <p className="text-[1.0625rem] text-soft">{HOW[subject] ?? text(gaugePoint(judgement.choices.pistons.gauge))}</p>
      {!clearance.target.set && <MissingTarget ask={clearance.target.ask} />}
      <Scale
        target={clearance.target}
        passes={passes}
        state={clearance.state}
        units={units}
        under="tight: it can seize"
        over="loose: it rocks"
        label={`Clearance of cylinder ${cylinder.label}: ${clearance.state}`}
      />
      <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
        {clearance.value !== null && (
          <p
            className="figures text-[3.75rem] leading-none font-bold tracking-tight"
            style={{ color: stateColour(clearance.state) }}
          >
            {printLength(clearance.value, units, 'clearance').number}
            <span className="text-2xl"> {printLength(clearance.value, units, 'clearance').unit}</span>
          </p>
        )}
        <div className="min-w-56 flex-1 text-xl leading-snug">
          <StateMark state={clearance.state} />
          {clearance.reported ? (
            <p>
              {clearance.reported.from === 'reported'
                ? 'By what was reported: '
                : `In the ${clearance.reported.from} bore: `}
              <b className="figures">{length(clearance.reported.value, 'clearance')}</b>
              {clearance.reported.from === 'reported' ? ', not measured here.' : '. The bore is still to be machined.'}
            </p>
          ) : (
            <p>{text(clearanceAdvice(clearance, clearance.uncertainty, clearance.accepted))}</p>
          )}
          {(!clearance.done || clearance.accepted) && clearance.value !== null && (
            <Accepting words="this clearance" what="clearance" state={clearance.state} answer={clearance} />
          )}
          {clearance.mean !== null && clearance.value !== null && clearance.mean !== clearance.value && (
            <p className="text-base text-soft">
              The least over piston travel; the mean is {length(clearance.mean, 'clearance')}.
              {clearance.strip.check &&
                ` Feeler strip ${length(clearance.strip.check.read, 'clearance')}: ${clearance.strip.check.agrees ? 'agrees' : 'does not agree'}.`}
            </p>
          )}
        </div>
      </div>
      <AllPistons />
    </div>
  );
}
