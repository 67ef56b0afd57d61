'use client';

import type { JudgedCylinder, JudgedRing } from '@/core/build/judge';
import { ringsOnRoute } from '@/core/build/judge';
import { printLength } from '@/core/quantity/print';
import type { At } from '@/core/build/work';
import { type Ring, RINGS, RING_WORDS, gapAdvice } from '@/core/ring/ring';
import { useBench } from '../bench/Bench';
import { Hand } from '../hand/Hand';
import { ReadingLine } from '../line/ReadingLine';
import { PassLog } from '../shared/PassLog';
import { Scale } from '../shared/Scale';
import { Segmented } from '../shared/Segmented';
import { StateMark, StateShape, stateColour } from '../shared/StateMark';
import { Ask } from '../stages/Ask';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Why } from '../stages/Why';
import { RingEnds } from './RingEnds';

const ROUTES = [
  ['byCylinder', 'cylinder by cylinder'],
  ['byRing', 'ring by ring'],
] as const;

const ORDINALS = ['No reading yet', 'First reading', 'Second reading', 'Third reading', 'Fourth reading', 'Fifth reading'];

/** The ring bench: one ring in hand, what it reads, how far to go. */
export function RingsStage() {
  const { judgement, cylinder, cursor, choose, units } = useBench();
  if (!cylinder) return null;
  const ring = cylinder.rings[cursor.ring];
  const live = ring.passes.filter((p) => p.voided === null);
  const { bench } = judgement;
  const subjects = bench.rails ? RINGS : RINGS.filter((r) => ringsOnRoute(bench).includes(r) || r === cursor.ring);
  const at = (subject: Ring): At => ({ cylinder: cylinder.id, subject, spot: null });
  return (
    <Frame
      main={
        <>
          <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
            <div>
              <h1>
                Cylinder {cylinder.label}, {RING_WORDS[ring.ring]}
              </h1>
              <p className="text-[1.0625rem] text-soft">
                {ORDINALS[live.length] ?? `Reading ${live.length}`}
                {cylinder.bank !== 'only' && `, ${cylinder.bank} bank`}.
              </p>
            </div>
            <Segmented label="Route" value={bench.route} options={ROUTES} onChange={(route) => choose('bench', { ...bench, route })} />
          </div>
          <Ask target={ring.target} />
          <Scale
            target={ring.target}
            passes={live}
            state={ring.state}
            units={units}
            under="ends can meet"
            over="loose: a little blow-by"
            steps
            label={`Gap of ${RING_WORDS[ring.ring]}, cylinder ${cylinder.label}: ${ring.state}`}
          />
          <Verdict ring={ring} />
          <div className="mt-4 flex flex-wrap gap-x-8 gap-y-4">
            <section aria-label="Readings of this ring" className="min-w-[min(24rem,100%)] flex-1">
              <h2 className="mb-1">Readings</h2>
              <PassLog passes={ring.passes} style="fine" />
            </section>
            <RingEnds ring={ring} />
          </div>
        </>
      }
      aside={
        <>
          <h2 className="mb-1">Why</h2>
          <Why target={ring.target} />
          <h2 className="mt-5 mb-1">Cylinder {cylinder.label}</h2>
          <RingTable cylinder={cylinder} />
          <label className="flex min-h-11 items-center gap-2 text-soft">
            <input type="checkbox" className="size-5 accent-blue" checked={bench.rails} onChange={(event) => choose('bench', { ...bench, rails: event.target.checked })} />
            Rails on the route too
          </label>
          <div className="mt-3">
            <Hand subject={ring.ring} />
          </div>
          <div className="mt-3">
            <Findings findings={findingsFor(judgement.findings, ['rings'], cylinder.id)} />
          </div>
          <p className="mt-4 text-soft">Filing: eye protection on. Ring edges cut: gloves. A burr scores the wall: deburr before it goes back in.</p>
        </>
      }
      foot={<ReadingLine work="rings" here={at(ring.ring)} beside={subjects.map(at)} besideWords="ring" />}
    />
  );
}

/** The one figure to read from across the bench: what is still to come off, else the gap itself, else its window. */
function Verdict({ ring }: { ring: JudgedRing }) {
  const { units } = useBench();
  const { state, toComeOff: off, reading } = ring;
  const print = (nm: number): { number: string; unit: string } => printLength(nm, units, 'fine');
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
      {off ? (
        <p className="figures text-[3.75rem] leading-none font-bold tracking-tight" style={{ color: stateColour(state) }}>
          {print(off.toMinimum).number}
          {off.toMiddle > off.toMinimum && (
            <>
              <span className="text-2xl"> to </span>
              {print(off.toMiddle).number}
            </>
          )}
          <span className="text-2xl"> {print(off.toMinimum).unit}</span>
        </p>
      ) : reading ? (
          <p className="figures text-[3.75rem] leading-none font-bold tracking-tight" style={{ color: stateColour(state) }}>
            {print(reading.value).number}
            {reading.upTo !== null && <span className="text-3xl">/{print(reading.upTo).number}</span>}
            <span className="text-2xl"> {print(reading.value).unit}</span>
          </p>
      ) : (
        ring.target.set && (
          <p className="figures text-[3.75rem] leading-none font-bold tracking-tight">
            {ring.target.inForce.aimTo === null && '≥\u2009'}
            {print(ring.target.inForce.min).number}
            {ring.target.inForce.aimTo !== null && `–${print(ring.target.inForce.aimTo).number}`}
            <span className="text-2xl"> {print(ring.target.inForce.min).unit}</span>
          </p>
        )
      )}
      <div className="min-w-56 flex-1 text-xl leading-snug">
        <StateMark state={state} />
        <p>
          {off && 'still to come off. '}
          {gapAdvice(state)}
          {off && off.most > off.toMiddle && <span className="text-soft"> Not more than {print(off.most).number}.</span>}
        </p>
      </div>
    </div>
  );
}

function RingTable({ cylinder }: { cylinder: JudgedCylinder }) {
  const { units, range, cursor, moveTo } = useBench();
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">ring</th>
          <th scope="col" className="num">
            read, {units === 'imperial' ? 'thou' : 'mm'}
          </th>
          <th scope="col" className="num">
            window
          </th>
        </tr>
      </thead>
      <tbody>
        {RINGS.map((name) => {
          const { reading, state, target } = cylinder.rings[name];
          return (
            <tr key={name}>
              <td>
                <button type="button" className={`min-h-8 text-left ${cursor.ring === name ? 'font-bold text-blue' : ''}`} aria-current={cursor.ring === name} onClick={() => moveTo({ ring: name })}>
                  {RING_WORDS[name]}
                </button>
              </td>
              <td className="num" style={{ color: stateColour(state) }}>
                {reading ? printLength(reading.value, units, 'fine').number : '–'}
                {reading?.upTo != null && `/${printLength(reading.upTo, units, 'fine').number}`} <StateShape state={state} />
                <span className="sr-only">{state}</span>
              </td>
              <td className="num">{target.set ? range(target.inForce.min, target.inForce.aimTo).replace(/ (thou|mm)$/, '') : 'ask'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
