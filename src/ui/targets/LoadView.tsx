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
import { type PlotLine, Plot } from '../shared/Plot';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { type FittedDot, Laid, PastBuilds, fittedAt } from './PastBuilds';
import { useMoving } from '../openBuild/contexts';
import { BetweenRings } from './BetweenRings';
import { useGapHistory } from './useGapHistory';
import { Term } from '../shared/Term';

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
  const { duty, targetSettings: settings, piston } = judgement;
  const { cylinder } = useMoving();
  const { chart, ringSet, heat } = judgement.choices;
  const [ring, setRing] = useState<'top' | 'second'>('top');
  const [laid, setLaid] = useState<string | null>(null);
  const stepCharts = charts.filter((c) => c.kind === 'steps');
  const fitted = useGapHistory().filter((b) => b.id !== judgement.id && b.construction === piston?.id);
  const over = stepCharts.find((c) => c.id === laid) ?? null;
  const picture =
    bore &&
    loadPicture(settings, bore.nm, ring, {
      surface: judgement.job?.surface ?? null,
      cooling: judgement.job?.service.cooling ?? 'water',
      choices: heat,
      metals: ringMetals(ringSet, heat),
    });
  const { load } = duty;
  const outside = load.set ? (outsideWords(load.inForce.load) ?? doubtWords(load.inForce.load)) : null;
  const reason = reasonOf(chart);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <p className="border-l-4 border-blue pl-3">
        <b>A model, not a measurement.</b> One number for the heat an engine puts into its rings, compared with practice
        from {TRUSTED.from} to {TRUSTED.to} and known to about {(LOAD_SPREAD * 100).toFixed(0)} % (one standard
        deviation, from memory).
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
          {chart.name} is in steps: the row of what is said is in force, whatever the load. A chart of curves goes by
          it.
        </p>
      )}
      {chart.kind === 'curve' && !piston && (
        <p className="text-soft">How the piston is made is not said yet: its curve is not known.</p>
      )}
      {picture && settings && (
        <section aria-label="Gap against heat load">
          <div className="flex flex-wrap items-center gap-4">
            <h2 className="text-lg">
              Gap against <Term word="heat load" />
            </h2>
            <Segmented label="Ring" value={ring} options={RING_OPTIONS} onChange={setRing} />
          </div>
          {reason && <p className="text-soft">{reason}</p>}
          <Picture
            key={ring}
            picture={picture}
            over={
              over && { name: over.name, ...stepsOver(over, settings.job, bore.nm, settings.piston?.id ?? '', ring) }
            }
            fitted={fittedAt(fitted, ring, bore.nm)}
            ring={ring}
            units={units}
            load={load.set ? load.inForce.load : null}
            planned={load.set && load.later ? load.now.load : null}
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
          {over && (
            <Laid
              name={over.name}
              over={stepsOver(over, settings.job, bore.nm, settings.piston?.id ?? '', ring)}
              curveAt={(load) => {
                const cell = settings.piston && figureAtLoad(chart, load, settings.piston.id, ring);
                return cell ? Math.round(cell.factor * bore.nm) : null;
              }}
              units={units}
            />
          )}
          <PastBuilds fitted={fittedAt(fitted, ring, bore.nm)} units={units} />
        </section>
      )}
      {cylinder && (
        <BetweenRings cylinder={cylinder} load={load} units={units} service={judgement.job?.service ?? null} />
      )}
    </div>
  );
}

interface PictureProps {
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

/** The curve with its points, where the engine lies on it, and what would be asked of it with another load. */
function Picture({ picture, over, fitted, ring, units, load, planned, ask }: PictureProps) {
  const [other, setOther] = useState<number | null>(null);
  const { curve, points, others, bound, band, ends } = picture;
  const at = (p: { load: number; gap: number }) => ({ x: p.load, y: plotted(p.gap, units) });
  const shown = other ?? load;
  const drawn = [...curve, ...others.flatMap((other) => other.curve), ...bound, ...points, ...fitted];
  const highest = Math.max(...[...drawn, ...(over?.steps ?? [])].map((p) => p.gap));
  const confirmed = points.filter((p) => p.cell.confirmed !== null);
  const open = points.filter((p) => p.cell.confirmed === null);
  const inBand = band ? curve.filter((p) => p.load >= band[0] && p.load <= band[1]) : [];
  const words = shown === null ? null : ask(shown);
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
          ...(load === null ? [] : [{ at: load, words: `this engine ${load.toFixed(2)}` }]),
          ...(planned === null ? [] : [{ at: planned, words: `as it is now ${planned.toFixed(2)}` }]),
          ...(other === null ? [] : [{ at: other, words: `what if ${other.toFixed(2)}`, strong: true }]),
        ]}
        bands={[
          ...(inBand.length > 1
            ? [
                {
                  label: 'one standard deviation of the load',
                  colour: '--blue',
                  low: inBand.map((p) => ({ x: p.load, y: 0 })),
                  high: inBand.map(at),
                },
              ]
            : []),
          {
            label: 'ends meet, with the doubt of the temperatures',
            colour: '--over',
            low: bound.map((p) => ({ x: p.load, y: plotted(p.low, units) })),
            high: bound.map((p) => ({ x: p.load, y: plotted(p.high, units) })),
          },
        ]}
        lines={[
          ...others.map((other) => ({
            ...{ label: other.name, colour: '--blue', points: other.curve.map(at) },
            ...{ width: 1.5, dash: [9, 4], goesOn: true },
          })),
          { label: 'what the chart asks', colour: '--ok', points: curve.map(at), width: 2.5, goesOn: true },
          ...(open.length > 0
            ? [{ label: 'its points, not confirmed', colour: '--soft', points: open.map(at), scattered: true }]
            : []),
          ...(confirmed.length > 0
            ? [{ label: 'its points, confirmed', colour: '--blue', points: confirmed.map(at), scattered: true }]
            : []),
          ...(over
            ? [{ label: over.name, colour: '--short', points: stepPoints(over.steps, units), goesOn: true }]
            : []),
          ...(fitted.length > 0
            ? [{ label: 'fitted by the shop', colour: '--ink', points: fitted.map(at), scattered: true }]
            : []),
          {
            label: 'ends meet at the assumed temperatures',
            colour: '--over',
            points: bound.map(at),
            dash: [5, 4],
            goesOn: true,
          },
          {
            ...{
              label: `ends meet with the wall at ${COLD_WALL} °C`,
              colour: '--soft',
              points: bound.map((p) => at({ load: p.load, gap: p.coldWall })),
            },
            ...{ width: 1.5, dash: [2, 4], goesOn: true },
          },
        ]}
      />
      <div className="mt-2 grid items-end gap-x-6 gap-y-2 xl:grid-cols-[minmax(0,22rem)_1fr]">
        <label className="grid gap-1 font-bold">
          What if the heat load were
          <input
            type="range"
            min={ends[0]}
            max={ends[1]}
            step={0.01}
            value={shown ?? 1}
            onChange={(event) => setOther(event.target.valueAsNumber)}
            className="min-h-11 w-full accent-(--blue)"
          />
        </label>
        <p role="status">
          {shown !== null && words && (
            <>
              <span className="figures font-bold">{shown.toFixed(2)}</span>
              {other === null ? ', this engine' : ', what if'}: top{' '}
              <b className="figures">{gapText(words.top, units)}</b>, second{' '}
              <b className="figures">{gapText(words.second, units)}</b>.{' '}
            </>
          )}
          {other !== null && load !== null && (
            <button
              type="button"
              onClick={() => setOther(null)}
              className="min-h-11 font-bold text-blue underline underline-offset-4"
            >
              Back to this engine
            </button>
          )}
          <span className="block text-sm text-soft">The chart alone; nothing of the build changes.</span>
        </p>
      </div>
    </>
  );
}
