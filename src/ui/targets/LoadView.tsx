'use client';

import { useState } from 'react';
import { COLD_WALL } from '@/core/models/heat/temperatures';
import type { Judgement } from '@/core/judge/judgement';
import { LOAD_SPREAD, TRUSTED, doubtWords, outsideWords } from '@/core/models/load/load';
import { rangeText } from '@/core/foundation/quantity/format';
import type { Units } from '@/core/foundation/quantity/length';
import type { Chart } from '@/core/models/charts/chart';
import { ringMetals } from '@/core/stages/rings/set';
import { reasonOf } from '@/core/stages/targets/schoolWords';
import { figureAtLoad } from '@/core/models/charts/curve';
import { type LoadPicture, loadPicture, whatIf } from '@/core/stages/targets/loadPicture';
import { type StepOver, stepsOver } from '@/core/stages/targets/stepChartOverlay';
import type { Target, TargetBore } from '@/core/models/targets/target';
import { LoadBar } from '../service/LoadBar';
import { plotUnit, plotted } from '../heat/points';
import { type PlotBand, type PlotLine, Plot } from '../shared/Plot';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { type FittedDot, Laid, PastBuilds, fittedAt } from './PastBuilds';
import { useMoving } from '../openBuild/contexts';
import { BetweenRings } from './BetweenRings';
import { useGapHistory } from './useGapHistory';
import { Term } from '../shared/Term';
import { LinkButton } from '../shared/Button';

const RING_OPTIONS = [
  ['top', 'top ring'],
  ['second', 'second ring'],
] as const;

interface Props {
  judgement: Judgement;
  units: Units;
  /** The bore that the gaps are drawn on; null for none yet. */
  bore: TargetBore | null;
  /** The shop's charts, as far as they are known. */
  charts: readonly Chart[];
}

/** How much heat the engine puts into its rings, share by share, and what the chart asks for over all loads. */
export function LoadView({ judgement, units, bore, charts }: Props) {
  const { duty, piston } = judgement;
  const { cylinder } = useMoving();
  const { chart } = judgement.choices;
  const { load } = duty;
  const outside = load.set ? (outsideWords(load.inForce.load) ?? doubtWords(load.inForce.load)) : null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <p className="border-l-4 border-blue pl-3">
        <b>A model, not a measurement.</b> One number for the heat an engine puts into its rings, compared with practice
        from {TRUSTED.from} to {TRUSTED.to} and known to about {(LOAD_SPREAD * 100).toFixed(0)} % (one standard
        deviation, typical figure).
      </p>
      {load.set ? (
        <>
          <LoadBar of={load.now} label="Heat load" />
          {load.later && <LoadBar of={load.later} label="Heat load as planned" />}
        </>
      ) : (
        <p className="text-lg text-short">{load.ask}</p>
      )}
      {outside && <p className="font-bold text-short">{outside}</p>}
      {chart.kind === 'steps' && (
        <p className="text-soft">
          {chart.name} is in steps: its row is used, whatever the heat load. A chart of curves uses the heat load.
        </p>
      )}
      {chart.kind === 'curve' && !piston && (
        <p className="text-soft">Piston type is not set: its curve is not known.</p>
      )}
      {bore && <GapAgainstLoad judgement={judgement} units={units} bore={bore} charts={charts} />}
      {cylinder && (
        <BetweenRings cylinder={cylinder} load={load} units={units} service={judgement.job?.service ?? null} />
      )}
    </div>
  );
}

function GapAgainstLoad({ judgement, units, bore, charts }: Props & { bore: TargetBore }) {
  const { duty, targetSettings: settings, piston, job } = judgement;
  const { chart, ringSet, heat } = judgement.choices;
  const [ring, setRing] = useState<'top' | 'second'>('top');
  const [laid, setLaid] = useState<string | null>(null);
  const history = useGapHistory().filter((b) => b.id !== judgement.id && b.construction === piston?.id);
  const picture = loadPicture(settings, bore.nm, ring, {
    surface: job?.surface ?? null,
    cooling: job?.service.cooling ?? 'water',
    choices: heat,
    metals: ringMetals(ringSet, heat),
  });
  if (!picture || !settings) return null;
  const stepCharts = charts.filter((c) => c.kind === 'steps');
  const found = stepCharts.find((c) => c.id === laid);
  const steps = found && stepsOver(found, settings.job, bore.nm, settings.piston?.id ?? '', ring);
  const fitted = fittedAt(history, ring, bore.nm);
  return (
    <section aria-label="Gap against heat load">
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="text-lg">
          Gap against <Term word="heat load" />
        </h2>
        <Segmented label="Ring" value={ring} options={RING_OPTIONS} onChange={setRing} />
      </div>
      {reasonOf(chart) && <p className="text-soft">{reasonOf(chart)}</p>}
      <Picture
        key={ring}
        picture={picture}
        over={found && steps ? { name: found.name, ...steps } : null}
        fitted={fitted}
        ring={ring}
        units={units}
        load={duty.load.set ? duty.load.inForce.load : null}
        planned={duty.load.set && duty.load.later ? duty.load.now.load : null}
        ask={(at) => whatIf(settings, bore, at)}
      />
      <div className="mt-3 max-w-sm">
        <SelectField
          label="Lay a chart of steps over it"
          value={laid}
          none="none"
          options={stepCharts.map((c) => [c.id, `${c.name}, version ${c.version}`] as const)}
          onChange={setLaid}
        />
      </div>
      {found && steps && (
        <Laid
          name={found.name}
          over={steps}
          curveAt={(at) => {
            const cell = settings.piston && figureAtLoad(chart, at, settings.piston.id, ring);
            return cell ? Math.round(cell.factor * bore.nm) : null;
          }}
        />
      )}
      <PastBuilds fitted={fitted} units={units} />
    </section>
  );
}

interface DrawingProps {
  picture: LoadPicture;
  /** A chart of steps laid over the curve. */
  over: { name: string; steps: readonly StepOver[] } | null;
  fitted: readonly FittedDot[];
  ring: 'top' | 'second';
  units: Units;
  /** What the engine is gapped for; null while it is not known. */
  load: number | null;
  /** The load as it is now, where more is planned. */
  planned: number | null;
}

interface PictureProps extends DrawingProps {
  ask: (load: number) => Record<'top' | 'second', Target>;
}

const gapText = (target: Target, units: Units): string =>
  target.set ? rangeText(target.inForce.aimFrom, target.inForce.aimTo, units, 'fine') : 'asked from the sheet';

/** Least width that a row of steps is drawn with. */
const LEAST_STEP = 0.03;

/** Rows of a chart of steps as strokes, with nothing drawn between them. */
const stepPoints = (steps: readonly StepOver[], units: Units): PlotLine['points'] =>
  steps.flatMap(({ from, to, gap }) => {
    const y = plotted(gap, units);
    const wider = Math.max(0, (LEAST_STEP - (to - from)) / 2);
    return [
      { x: from - wider, y },
      { x: to + wider, y },
      { x: to + wider, y: Number.NaN },
    ];
  });

type At = (point: { load: number; gap: number }) => { x: number; y: number };

/** The curve, its points, charts laid over it, what was fitted, and where the ends meet. */
function linesOf({ picture, over, fitted, units }: DrawingProps, at: At): PlotLine[] {
  const { curve, points, others, bound } = picture;
  const scattered = (label: string, colour: string, of: readonly { load: number; gap: number }[]): PlotLine[] =>
    of.length > 0 ? [{ label, colour, points: of.map(at), scattered: true }] : [];
  return [
    ...others.map((other) => ({
      ...{ label: other.name, colour: '--blue', points: other.curve.map(at) },
      ...{ width: 1.5, dash: [9, 4], goesOn: true },
    })),
    { label: 'what the chart asks', colour: '--ok', points: curve.map(at), width: 2.5, goesOn: true },
    ...scattered(
      'its points, not confirmed',
      '--soft',
      points.filter((p) => p.cell.confirmed === null),
    ),
    ...scattered(
      'its points, confirmed',
      '--blue',
      points.filter((p) => p.cell.confirmed !== null),
    ),
    ...(over ? [{ label: over.name, colour: '--short', points: stepPoints(over.steps, units), goesOn: true }] : []),
    ...scattered('fitted by the shop', '--ink', fitted),
    {
      ...{ label: 'ends meet at the assumed temperatures', colour: '--over', points: bound.map(at) },
      ...{ dash: [5, 4], goesOn: true },
    },
    {
      ...{ label: `ends meet with the wall at ${COLD_WALL} °C`, colour: '--soft' },
      points: bound.map((p) => at({ load: p.load, gap: p.coldWall })),
      ...{ width: 1.5, dash: [2, 4], goesOn: true },
    },
  ];
}

/** How well the load is known, and the temperatures that the ends meet at. */
function bandsOf({ picture: { curve, bound, band }, units }: DrawingProps, at: At): PlotBand[] {
  const inBand = band ? curve.filter((p) => p.load >= band[0] && p.load <= band[1]) : [];
  const ofLoad = {
    ...{ label: 'one standard deviation of the load', colour: '--blue' },
    ...{ low: inBand.map((p) => ({ x: p.load, y: 0 })), high: inBand.map(at) },
  };
  const ofMeeting = {
    ...{ label: 'ends meet, with the doubt of the temperatures', colour: '--over' },
    low: bound.map((p) => ({ x: p.load, y: plotted(p.low, units) })),
    high: bound.map((p) => ({ x: p.load, y: plotted(p.high, units) })),
  };
  return [...(inBand.length > 1 ? [ofLoad] : []), ofMeeting];
}

/** The curve with its points, where the engine lies on it, and what would be asked of it with another load. */
function Picture({ ask, ...drawing }: PictureProps) {
  const { picture, over, fitted, ring, units, load, planned } = drawing;
  const [other, setOther] = useState<number | null>(null);
  const { curve, points, others, bound, ends } = picture;
  const at: At = (p) => ({ x: p.load, y: plotted(p.gap, units) });
  const drawn = [...curve, ...others.flatMap((o) => o.curve), ...bound, ...points, ...fitted, ...(over?.steps ?? [])];
  const highest = Math.max(...drawn.map((p) => p.gap));
  const engine = load === null ? [] : [{ at: load, words: `this engine ${load.toFixed(2)}` }];
  return (
    <>
      <Plot
        label={`End gap of the ${ring} ring against heat load, from ${ends[0]} to ${ends[1]}${load === null ? '' : `; this engine at ${load.toFixed(2)}`}`}
        xTitle="heat load"
        yTitle={`end gap, ${plotUnit(units)}`}
        xEnds={ends}
        yEnds={[0, plotted(highest, units) * 1.12]}
        zero={null}
        onDrag={(x) => setOther(Math.round(x * 100) / 100)}
        stands={[
          ...engine,
          ...(planned === null ? [] : [{ at: planned, words: `as it is now ${planned.toFixed(2)}` }]),
          ...(other === null ? [] : [{ at: other, words: `what if ${other.toFixed(2)}`, strong: true }]),
        ]}
        bands={bandsOf(drawing, at)}
        lines={linesOf(drawing, at)}
      />
      <WhatIf ends={ends} load={load} other={other} units={units} ask={ask} onChange={setOther} />
    </>
  );
}

interface WhatIfProps extends Pick<PictureProps, 'load' | 'units' | 'ask'> {
  ends: LoadPicture['ends'];
  /** The load that is tried; null for none. */
  other: number | null;
  onChange: (other: number | null) => void;
}

function WhatIf({ ends, load, other, units, ask, onChange }: WhatIfProps) {
  const shown = other ?? load;
  const words = shown === null ? null : ask(shown);
  return (
    <div className="mt-2 grid items-end gap-x-6 gap-y-2 xl:grid-cols-[minmax(0,22rem)_1fr]">
      <label className="grid gap-1 font-bold">
        What if the heat load were
        <input
          type="range"
          min={ends[0]}
          max={ends[1]}
          step={0.01}
          value={shown ?? 1}
          onChange={(event) => onChange(event.target.valueAsNumber)}
          className="min-h-11 w-full accent-(--blue)"
        />
      </label>
      <p role="status">
        {shown !== null && words && (
          <>
            <span className="figures font-bold">{shown.toFixed(2)}</span>
            {other === null ? ', this engine' : ', what if'}: top <b className="figures">{gapText(words.top, units)}</b>
            , second <b className="figures">{gapText(words.second, units)}</b>.{' '}
          </>
        )}
        {other !== null && load !== null && <LinkButton onClick={() => onChange(null)}>Back to this engine</LinkButton>}
        <span className="block text-sm text-soft">The chart alone; nothing of the build changes.</span>
      </p>
    </div>
  );
}
