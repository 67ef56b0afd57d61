'use client';

import { flushSync } from 'react-dom';
import type { At } from '@/core/stage/tasks';
import { clearanceAdvice } from '@/core/pistons/clearance';
import { gaugePoint } from '@/core/pistons/piston';
import { printLength } from '@/core/quantity/print';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Hand } from '../hand/Hand';
import { SUBJECTS } from '@/core/stages';
import { ReadingLine } from '../line/ReadingLine';
import { PassLog } from '../shared/PassLog';
import { Accepting } from '../shared/Accepting';
import { Scale } from '../shared/Scale';
import { bringIntoSight } from '../shared/sight';
import { StateMark, stateColour } from '../shared/StateMark';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Renew } from '../bores/Renew';
import { Ask } from '../stages/Ask';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Why } from '../stages/Why';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { type PistonSubject, PISTON_SUBJECTS } from '@/core/pistons/stage';
import { onDemand } from '../shared/onDemand';

const PairingView = onDemand(() => import('./PairingView').then((m) => m.PairingView));
const OnItsRod = onDemand(() => import('./OnItsRod').then((m) => m.OnItsRod));
const GaugePoint = onDemand(() => import('./GaugePoint').then((m) => m.GaugePoint));

const VIEWS = ['readings', 'pairing', 'gauge', 'rod'] as const;

const HOW: Partial<Record<PistonSubject, string>> = {
  pin: 'In the micrometer, in the middle of the pin.',
  pinBore: 'In the piston’s pin bore, both sides.',
  strip:
    'A feeler strip drawn up beside the piston in its bore: it reads about half a thou under the true clearance. A check, never the record.',
};

/** Every pass of what is in hand. */
function passesOf({ piston, clearance }: JudgedCylinder, subject: PistonSubject) {
  if (subject === 'strip') return clearance.strip.passes;
  return subject === 'piston' ? piston.passes : piston.pinPasses[subject];
}

/** The pistons: measured, held against their bores, paired with them. */
export function PistonsStage() {
  const judgement = useJudgement();
  const { cylinder, cursor } = useMoving();
  const { units, text } = useWords();
  const [view, setView] = useView(VIEWS);
  if (!cylinder) return null;
  const at = (subject: PistonSubject): At<PistonSubject> => ({ cylinder: cylinder.id, subject, spot: null });
  const subject = cursor.inHand.pistons;
  const { clearance, piston } = cylinder;
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
            label="What of the pistons"
            value={view}
            onChange={setView}
            views={[
              ['readings', 'Readings', <Readings key="readings" />],
              ['pairing', 'Pairing', <PairingView key="pairing" />],
              ['gauge', 'Gauge point, pins', <GaugePoint key="gauge" />],
              ['rod', 'On its rod', <OnItsRod key="rod" />],
            ]}
          />
        </div>
      }
      aside={
        <>
          <Hand subject={subject} />
          <h2 className="mt-4 mb-1">Why</h2>
          <Why target={clearance.target} />
          {clearance.value !== null && (
            <div className="figures mt-3 text-sm leading-relaxed">
              {clearance.working.map((line, i) => (
                <div key={i}>{text(line)}</div>
              ))}
            </div>
          )}
          <Running cylinder={cylinder} />
          <div className="mt-4">
            <Findings findings={findingsFor(judgement.findings, ['pistons'], cylinder.id)} />
          </div>
          <h2 className="mt-5 mb-1">
            Readings: {SUBJECTS[subject].words},{' '}
            {subject === 'strip' ? `cylinder ${cylinder.label}` : `piston ${piston.label}`}
          </h2>
          <PassLog passes={passesOf(cylinder, subject)} style={subject === 'strip' ? 'fine' : 'size'} />
          <Renew part="piston" />
          <p className="mt-4 text-soft">
            Parts and gauges at one temperature. A calliper is not good enough for this.{' '}
            {units === 'imperial'
              ? 'A set should agree within a few tenths.'
              : 'A set should agree within a hundredth.'}
          </p>
        </>
      }
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
      <Ask target={clearance.target} />
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
          <p>{text(clearanceAdvice(clearance, clearance.uncertainty, clearance.accepted))}</p>
          {(!clearance.done || clearance.accepted) && clearance.value !== null && (
            <Accepting
              words="this clearance"
              of={clearance.acceptId}
              what="clearance"
              state={clearance.state}
              accepted={clearance.accepted}
            />
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

/** What the clearance comes to hot, by the heat model. */
function Running({ cylinder }: { cylinder: JudgedCylinder }) {
  const { length } = useWords();
  const hot = cylinder.heat?.piston?.points.find((p) => p.point === 'measured');
  if (!hot || !cylinder.heat?.piston) return null;
  return (
    <p className="mt-3 text-soft">
      Running, by the heat model: <b className="figures text-ink">{length(Math.round(hot.hot), 'clearance')}</b> with
      the skirt at {cylinder.heat.piston.assumed.toFixed(0)} °C; nothing is left on paper at {hot.closing.toFixed(0)}{' '}
      °C. Free expansion of both: a skirt gives, so that the true one is larger.
    </p>
  );
}

/** Bore, piston and clearance of every cylinder; a row leads to it. */
function AllPistons() {
  const judgement = useJudgement();
  const { cylinder: current, cursor, goTo } = useMoving();
  const { units } = useWords();
  const size = (nm: number | undefined): string => (nm === undefined ? '–' : printLength(nm, units, 'size').number);
  const unit = units === 'imperial' ? 'in' : 'mm';
  return (
    <div className="relative mt-3 min-h-44 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="All cylinders">
      <table className="ruled max-sm:text-sm">
        <caption className="sr-only">Bore, piston and clearance of every cylinder</caption>
        <thead className="sticky top-0 bg-sheet">
          <tr>
            <th scope="col">cylinder</th>
            <th scope="col" className="num">
              bore, {unit}
            </th>
            <th scope="col" className="num">
              piston, {unit}
            </th>
            <th scope="col" className="num">
              clearance, {units === 'imperial' ? 'thou' : 'mm'}
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {judgement.cylinders.map((c) => (
            <tr
              key={c.id}
              ref={c.id === current?.id ? bringIntoSight : undefined}
              className={c.id === current?.id ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''}
            >
              <th scope="row" className="pl-3! font-bold! text-ink!">
                {c.label}
              </th>
              <td className="num">{size(c.bore.size?.value)}</td>
              <td className="num">
                <button
                  type="button"
                  className={`min-h-7 px-1 ${c.id === current?.id && cursor.inHand.pistons === 'piston' ? 'font-bold text-blue underline underline-offset-4' : ''}`}
                  aria-label={`Cylinder ${c.label}, piston${c.piston.size ? `, ${size(c.piston.size.value)} ${unit}` : ', to read'}`}
                  onClick={() => goTo({ cylinder: c.id, subject: 'piston', spot: null }, true)}
                >
                  {size(c.piston.size?.value)}
                  {c.piston.read > 1 && <span className="ml-1 text-xs text-soft">×{c.piston.read}</span>}
                </button>
                {c.piston.id !== c.id && <span className="ml-1 text-xs text-soft">no. {c.piston.label}</span>}
              </td>
              <td className="num">
                {c.clearance.value === null ? '–' : printLength(c.clearance.value, units, 'clearance').number}
                {c.clearance.value !== null && (
                  <span className="text-xs text-soft">
                    {' '}
                    ±{printLength(c.clearance.uncertainty, units, 'clearance').number}
                  </span>
                )}
              </td>
              <td>
                <StateMark state={c.clearance.state} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
