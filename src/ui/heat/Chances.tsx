'use client';

import { useState } from 'react';
import {
  type HeatRing,
  type HotGap,
  type JudgedHeat,
  type JudgedRingHeat,
  HEAT_CASES,
} from '@/core/models/heat/assess';
import { type SimulationAsk, type SimulationResult, chanceWords } from '@/core/models/heat/simulate';
import { say } from '@/core/foundation/quantity/message';
import { useWords } from '../openBuild/contexts';
import { type Column, Table, unseen } from '../shared/Table';
import { Button } from '../shared/Button';
import { Explain } from '../shared/Explain';
import { closedWords, gapLine, gapWorking } from '@/core/models/heat/heatWords';
import { Plot } from '../shared/Plot';
import { POINT_COLOURS, POINT_WORDS, linesOf, plotUnit, plotted } from './points';
import { type Chance, useGapChance } from './useGapChance';

const DRAWS = [20_000, 200_000, 1_000_000] as const;
const SEED = 1;
/** Steps of the band along the temperature axis. */
const BAND_STEPS = 24;
const COLD = 20;

const runStanding =
  'Propagation of distributions by Monte Carlo: published, JCGM 101:2008, recalled. Temperatures and their spreads: typical figures, no source. None in n draws bounds a chance at about 3/n (identity).';
const heatStanding =
  'Linear expansion: an identity. Expansion: handbook values, recalled. 20 °C reference: ISO 1. Temperatures: typical figures, no source; enter yours under “What is assumed”.';

/** The gap lines of one ring with the band of what is not known, and the chance that each closes. */
export function Chances({ heat, ring }: { heat: JudgedHeat; ring: HeatRing }) {
  const { units, length } = useWords();
  const [draws, setDraws] = useState<number>(DRAWS[0]);
  const { points, assumed, heat: ringHeat, spread, decides } = heat.rings[ring];
  const xEnd = Math.ceil((Math.max(assumed, ...points.map((p) => p.butting)) + 30) / 20) * 20;
  const at = Array.from({ length: BAND_STEPS + 1 }, (_, i) => COLD + ((xEnd - COLD) * i) / BAND_STEPS);
  const asks = points.map((p): SimulationAsk => ({
    cold: p.known,
    heat: ringHeat,
    ring: assumed,
    spread,
    draws,
    seed: SEED,
    at,
  }));
  const { chance, stop, again } = useGapChance(asks);
  const results = chance.state === 'done' ? chance.results : [];
  const measured = points.findIndex((p) => p.point === 'measured');
  const banded = measured >= 0 ? measured : 0;
  const band = results[banded]?.band ?? null;
  const lined = points.map((p) => ({ ...p, line: gapLine(p, heat.rings[ring]) }));
  const highest = Math.max(...lined.flatMap((p) => p.line.map((l) => l.gap)), ...(band ?? []).map((b) => b.high));
  const y = (nm: number): number => plotted(nm, units);
  const label = `${ring} ring gap against ring temperature: ${points.map((p) => `${POINT_WORDS[p.point]} ${length(p.cold)} closes at ${p.butting.toFixed(0)} °C`).join(', ')}; assumed ${assumed.toFixed(0)} °C.`;
  return (
    <>
      <Plot
        label={label}
        xTitle="ring temperature, °C"
        yTitle={`end gap, ${plotUnit(units)}`}
        xEnds={[COLD, xEnd]}
        yEnds={[-y(highest) * 0.14, y(highest) * 1.06]}
        zero="ends meet"
        stands={[{ at: assumed, words: `assumed ${assumed.toFixed(0)} °C` }]}
        lines={linesOf(lined, units, length)}
        bands={
          band
            ? [
                {
                  label: `where nine in ten of the ${POINT_WORDS[points[banded]?.point ?? 'minimum']} lie`,
                  colour: POINT_COLOURS[points[banded]?.point ?? 'minimum'],
                  low: band.map((b) => ({ x: b.celsius, y: y(b.low) })),
                  high: band.map((b) => ({ x: b.celsius, y: y(b.high) })),
                },
              ]
            : []
        }
      />
      <HotGaps points={points} of={heat.rings[ring]} results={results} />
      <p className="mt-2 max-w-prose text-sm text-soft">
        Ring at {assumed.toFixed(0)} °C in both. Warm: the wall as cool as at the bottom of travel,{' '}
        {heat.rings[ring].heats.warm.wall.toFixed(0)} °C. Cold wall:{' '}
        {heat.rings[ring].heats['cold wall'].wall.toFixed(0)} °C, before the block is warm.{' '}
        {decides === 'warm' ? 'Iron is judged warm' : 'Aluminium is judged by the cold wall'}: margin and chance are of
        that case. The chance is doubt about one temperature that all rings share, not how many rings would close.
      </p>
      <Run chance={chance} draws={draws} onDraws={setDraws} stop={stop} again={again} />
    </>
  );
}

interface HotGapsProps {
  points: readonly HotGap[];
  of: JudgedRingHeat;
  results: readonly SimulationResult[];
}

/** What each point of the window is hot, how far it is from closing, and how likely that is. */
function HotGaps({ points, of, results }: HotGapsProps) {
  const { units, length, number, unit } = useWords();
  const drawn = (result: SimulationResult | undefined) =>
    result
      ? [
          say`${result.closed} of ${result.draws.toLocaleString('en')} draws closed: ${chanceWords(result)} ± ${(200 * result.chanceError).toFixed(2)} % (k = 2)`,
          say`margin in the draws: ${result.margin.mean.toFixed(0)} K, standard deviation ${result.margin.deviation.toFixed(0)} K`,
        ]
      : [];
  return (
    <Table
      caption="Gaps hot"
      className="mt-2"
      rows={points.map((point, i) => ({ point, result: results[i] }))}
      keyOf={(row) => row.point.point}
      columns={[
        [`gap, ${unit('fine')}`, ({ point }) => POINT_WORDS[point.point]],
        ['cold', ({ point }) => number(point.cold, 'fine'), 'num'],
        ...HEAT_CASES.map((at): Column<{ point: HotGap }> => [
          at,
          ({ point }) => closedWords(point.cases[at]) ?? number(Math.round(point.cases[at].hot), 'fine'),
          `num ${at === of.decides ? 'font-bold' : 'text-soft'}`,
        ]),
        ['ends meet, °C', ({ point }) => point.butting.toFixed(0), 'num'],
        [
          'margin, K',
          ({ point: { margin } }) => (
            <span className={margin < 0 ? 'font-bold text-over' : ''}>{margin.toFixed(0).replace('-', '−')}</span>
          ),
          'num',
        ],
        ['chance it closes', ({ result }) => (result ? chanceWords(result) : '…'), 'num'],
        [
          unseen('why'),
          ({ point, result }) => (
            <Explain
              what={`${POINT_WORDS[point.point]}, ${length(point.cold)}, hot`}
              units={units}
              working={[...gapWorking(point, of), ...drawn(result)]}
              standing={`${heatStanding} ${runStanding}`}
            />
          ),
          'py-0! pr-0! text-right',
        ],
      ]}
    />
  );
}

interface RunProps {
  chance: Chance;
  draws: number;
  onDraws: (draws: number) => void;
  stop: () => void;
  again: () => void;
}

/** How far a run is, how many draws it has, and how to stop it. */
function Run({ chance, draws, onDraws, stop, again }: RunProps) {
  const running = chance.state === 'running';
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 text-sm">
      <label className="flex items-center gap-2">
        Draws
        <select className="field w-auto!" value={draws} onChange={(event) => onDraws(Number(event.target.value))}>
          {DRAWS.map((n) => (
            <option key={n} value={n}>
              {n.toLocaleString('en')}
            </option>
          ))}
        </select>
      </label>
      {running ? (
        <>
          <progress
            aria-label="Draws made"
            className="h-3 w-40 accent-(--blue)"
            value={chance.done}
            max={chance.total}
          />
          <Button onClick={stop}>Stop</Button>
        </>
      ) : (
        chance.state !== 'done' && <Button onClick={again}>Run it again</Button>
      )}
      <span role="status" className="text-soft">
        {chance.state === 'running' && `${Math.round((100 * chance.done) / chance.total)} %`}
        {chance.state === 'done' &&
          `${draws.toLocaleString('en')} draws a gap over temperatures, expansion and feeler, seed ${SEED}, in ${chance.took.toFixed(0)} ms.`}
        {chance.state === 'stopped' && 'Stopped. No chance is given.'}
        {chance.state === 'failed' && `The run failed: ${chance.why}`}
      </span>
    </div>
  );
}
