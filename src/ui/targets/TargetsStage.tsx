'use client';

import { inEither } from '../stages/trialWords';
import { Link } from '../shared/Link';
import { useState } from 'react';
import { sharesText } from '@/core/models/load/loadWords';
import { rangeText } from '@/core/foundation/quantity/format';
import type { Limits, Target } from '@/core/models/targets/target';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Findings } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Derivation } from '../stages/Derivation';
import { Ladder } from './Ladder';
import { comparisonsOf } from '@/core/stages/targets/compare';
import { SideBySide } from './SideBySide';
import { type Figure, FIGURES, targetOf } from './figures';
import { useShopCharts } from './useShopCharts';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { onDemand } from '../shared/onDemand';

const Windows = onDemand(() => import('./Windows').then((m) => m.Windows));
const ChartView = onDemand(() => import('./ChartView').then((m) => m.ChartView));
const LoadView = onDemand(() => import('./LoadView').then((m) => m.LoadView));
const TakeChart = onDemand(() => import('./TakeChart').then((m) => m.TakeChart));
const HeatView = onDemand(() => import('../heat/HeatView').then((m) => m.HeatView));

const VIEWS = ['figures', 'load', 'windows', 'heat', 'chart'] as const;

const STANDING_WORDS = { sheet: 'sheet', manual: 'manual', chart: 'chart', own: 'your own', rule: 'common practice' };

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'What each gap must be, from which paper, and why: press a figure. Under Load, drag along the curve. Then go to Bores.',
);

/** What each gap and clearance must be for this engine, from which paper, and why. */
export function TargetsStage() {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { length, units } = useWords();
  const { planned } = judgement;
  const [view, setView] = useView(VIEWS);
  const [shown, setShown] = useState<Figure>('top');
  const charts = useShopCharts();
  if (!cylinder || !planned) return null;
  const current = FIGURES.find((f) => f.figure === shown) ?? FIGURES[0];
  const bore = cylinder.targetBore;
  const newer = charts?.find(
    (k) => k.chart.id === judgement.choices.chart.id && k.chart.version > judgement.choices.chart.version,
  )?.chart;

  return (
    <Frame
      main={
        <>
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1>Targets, cylinder {cylinder.label}</h1>
            <p className="text-[1.0625rem] text-soft">
              {bore
                ? `worked from the ${bore.from} bore, ${length(bore.nm, 'size')}`
                : 'no bore planned or measured yet'}
            </p>
          </div>
          {newer && (
            <div
              role="status"
              className="mt-2 flex flex-wrap items-center gap-3 border-y border-line bg-steel px-3 py-2"
            >
              <p className="flex-1">
                <b>
                  {newer.name} is now at version {newer.version}.
                </b>{' '}
                This build keeps version {judgement.choices.chart.version}.
              </p>
              <TakeChart chart={newer} trigger="See the difference" />
            </div>
          )}
          <div className="mt-2">
            <Views
              label="What of the targets"
              value={view}
              onChange={setView}
              views={[
                ['figures', 'Targets', <Figures key="figures" cylinder={cylinder} shown={shown} onShow={setShown} />],
                [
                  'load',
                  'Heat load',
                  <LoadView
                    key="load"
                    judgement={judgement}
                    units={units}
                    bore={bore}
                    charts={(charts ?? []).map((k) => k.chart)}
                  />,
                ],
                ['windows', 'Rules', <Windows key="windows" />],
                ['heat', 'Closing check', <HeatView key="heat" />],
                ['chart', 'Chart', <ChartView key="chart" charts={charts} />],
              ]}
            />
          </div>
        </>
      }
      aside={
        <>
          <h2 className="mb-1">Why, {current.words.toLowerCase()}</h2>
          <Derivation target={targetOf(cylinder, shown)} />
          <DutyWords />
          <h2 className="mt-5 mb-2">Notes</h2>
          <Findings
            findings={judgement.findings
              .filter((f) => f.stage === 'job' || f.stage === 'targets')
              .filter((f) => f.cylinder === null || f.cylinder === cylinder.id)}
            empty="No objections to these targets."
          />
          <p className="mt-5 text-soft">
            A thou too loose costs a little oil. A thou too tight can cost the engine. What the parts’ makers say comes
            first.
          </p>
        </>
      }
    />
  );
}

/** The four figures, and by order of trust where the one in hand comes from. */
function Figures({
  cylinder,
  shown,
  onShow,
}: {
  cylinder: JudgedCylinder;
  shown: Figure;
  onShow: (figure: Figure) => void;
}) {
  const judgement = useJudgement();
  const { units } = useWords();
  const current = FIGURES.find((f) => f.figure === shown) ?? FIGURES[0];
  return (
    <>
      <div role="group" aria-label="Figures" className="divide-y divide-line border-b border-line">
        {FIGURES.map(({ figure, words }) => {
          const target = targetOf(cylinder, figure);
          return (
            <button
              key={figure}
              type="button"
              aria-pressed={shown === figure}
              onClick={() => onShow(figure)}
              className="grid w-full grid-cols-[10.5rem_1fr_auto] items-baseline gap-x-4 py-1.5 pl-3 text-left aria-pressed:shadow-[inset_5px_0_0_var(--blue)] max-sm:grid-cols-1"
            >
              <span className="text-lg font-bold">{words}</span>
              {target.set ? (
                <>
                  <Window target={target} clearance={figure === 'clearance'} />
                  <span className="text-right text-sm text-soft max-sm:text-left">
                    <LimitsOf limits={target.inForce} style={figure === 'clearance' ? 'clearance' : 'fine'} />
                    {STANDING_WORDS[target.inForce.rank]}
                  </span>
                </>
              ) : (
                <span className="col-span-2 text-short">{target.ask}</span>
              )}
            </button>
          );
        })}
      </div>
      <section className="mt-3" aria-label="Order of authority">
        <h2 className="mb-1">{current.words}: in order of authority</h2>
        <Ladder cylinder={cylinder} choices={judgement.choices.targets} figure={current} />
      </section>
      {(shown === 'top' || shown === 'second') && <SideBySide comparisons={comparisonsOf(judgement)} units={units} />}
    </>
  );
}

/** The limits about an aim, where they are others than its ends. */
function LimitsOf({ limits, style }: { limits: Limits; style: 'clearance' | 'fine' }) {
  const { length } = useWords();
  const { least, aimFrom, aimTo, most, mostHard } = limits;
  const number = (nm: number): string => length(nm, style).replace(/ .*/, '');
  if (least === aimFrom && (most === null || most === aimTo) && !mostHard) return null;
  return (
    <>
      limits {number(least)}
      {most !== null && `–${number(most)}`}
      {mostHard && ', hard'} ·{' '}
    </>
  );
}

/** Which row and column of the chart hold, and why. */
function DutyWords() {
  const judgement = useJudgement();
  const { duty, piston } = judgement;
  const curve = judgement.choices.chart.kind === 'curve';
  return (
    <>
      <h2 className="mt-5 mb-1">{curve ? 'The heat load and the piston' : 'The row and the column'}</h2>
      <p className="text-soft">
        <b className="font-medium text-ink">{duty.row?.words ?? (curve ? 'No heat load yet' : 'No row yet')}</b>
        {duty.chosen
          ? ', chosen by the builder'
          : duty.ask
            ? `: ${duty.ask.replace(/\.$/, '')}`
            : curve
              ? sharesText(duty.load) && `: ${sharesText(duty.load)}`
              : duty.suggestion.set && `: ${duty.suggestion.reason}`}
        . Pistons: <b className="font-medium text-ink">{piston?.words ?? 'not set'}</b>.{' '}
        <Link href={`/builds/${judgement.id}/job`} className="font-bold text-blue underline underline-offset-4">
          Change it on the job card
        </Link>
      </p>
    </>
  );
}

/** A target's window in large figures. */
function Window({ target, clearance }: { target: Extract<Target, { set: true }>; clearance: boolean }) {
  const { units } = useWords();
  const { aimFrom, aimTo } = target.inForce;
  const [unit = '', ...figures] = rangeText(aimFrom, aimTo, units, clearance ? 'clearance' : 'fine')
    .split(' ')
    .toReversed();
  return (
    <span className="figures text-[2rem] leading-tight font-bold whitespace-nowrap">
      {figures.toReversed().join(' ')}
      <span className="text-lg font-normal"> {unit}</span>
    </span>
  );
}
