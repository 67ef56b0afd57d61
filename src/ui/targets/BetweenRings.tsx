'use client';

import { TextField } from '../shared/TextField';
import { Table } from '../shared/Table';
import { useMemo, useState } from 'react';
import {
  type Running,
  type Study,
  type StudyAsk,
  type StudyPoint,
  studyAsk,
  usualRunning,
} from '@/core/judge/gasCycleStudy';
import { RUNNING, parseRunning } from '@/core/judge/parseRunning';
import type { HeatLoad } from '@/core/models/load/load';
import type { Service } from '@/core/models/load/service';
import type { Units } from '@/core/foundation/quantity/length';
import { lengthText } from '@/core/foundation/quantity/format';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { plotUnit, plotted } from '../heat/points';
import { Explain } from '../shared/Explain';
import { Plot } from '../shared/Plot';
import { useWorkerResult } from '../shared/useWorkerResult';

const begin = (): Worker => new Worker(new URL('../../workers/gasCycle.ts', import.meta.url), { type: 'module' });

const STANDING =
  'Orifices and volumes in series over the crank angle (Furuhama and Tada 1961; Ting and Mayer, J. Lubr. Technol. 96, 1974; both recalled). Cylinder: slider–crank, polytropic 1.32, heat by a Wiebe function. Gaps as they are hot by the heat model, discharge coefficient 0.75. Land clearance 0.004 of the bore, charge 330 K, 2.3 MJ per kilogram of air: typical figures, no source. Only the gaps leak in the model, so blow-by is too low. It shows direction and size; do not set a gap by it.';

const FIELDS: [keyof Running, hint: string][] = [
  ['rpm', 'e.g. 6500'],
  ['compression', 'e.g. 10.5'],
  ['stroke', 'e.g. 88'],
  ['rod', 'e.g. 150, centre to centre'],
];

interface Props {
  cylinder: JudgedCylinder;
  load: HeatLoad;
  units: Units;
  /** Stroke and speed as the job card gives them. */
  service: Pick<Service, 'stroke' | 'redline'> | null;
}

/** The ring whose ends may meet when it is hot: no gas passes there, and there is nothing to show. */
const closedRing = (ask: StudyAsk): 'top' | 'second' | null => {
  if (ask.top <= 0) return 'top';
  return ask.second <= 0 ? 'second' : null;
};

/** Why a wider second gap vents, and what it costs: pressures through a cycle, and blow-by, by a model. */
export function BetweenRings({ cylinder, load, units, service }: Props) {
  const bore = cylinder.targetBore?.nm ?? null;
  const inlet = load.set ? load.inForce.inlet : 1;
  const [stroke, redline] = [service?.stroke ?? null, service?.redline ?? null];
  const usual = useMemo(
    () => (bore === null ? null : usualRunning(bore, inlet, { stroke, redline })),
    [bore, inlet, stroke, redline],
  );
  const [typed, setTyped] = useState<Partial<Record<keyof Running, string>>>({});
  if (!usual) return null;
  const { running, faults, isRodShort } = parseRunning(typed, usual);
  const ask = isRodShort ? null : studyAsk(cylinder, load, running);
  if (!ask && !isRodShort) return null;
  const isGiven: Partial<Record<keyof Running, boolean>> = { stroke: stroke !== null, rpm: redline !== null };
  const closed = ask && closedRing(ask);
  return (
    <section aria-label="Between the rings">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg">Between the rings</h2>
        <Explain what="the pressure between the rings" units={units} working={[]} standing={STANDING} />
      </div>
      <div className="my-2 grid grid-cols-2 gap-x-4 gap-y-2 lg:grid-cols-4">
        {FIELDS.map(([key, hint]) => (
          <TextField
            key={key}
            label={RUNNING[key].label}
            hint={hint}
            said={typed[key] ? undefined : `${usual[key]}, ${isGiven[key] ? 'from the job card' : 'typical'}`}
            error={faults[key]}
            figures
            inputMode="decimal"
            value={typed[key] ?? ''}
            onChange={(text) => setTyped((before) => ({ ...before, [key]: text }))}
          />
        ))}
      </div>
      {closed && (
        <p className="max-w-prose text-short">
          By the heat model the ends of the {closed} ring may meet when it is hot: then no gas passes there, and there
          is nothing to show. See the Heat tab.
        </p>
      )}
      {ask && !closed && <Pressures ask={ask} units={units} />}
    </section>
  );
}

function Pressures({ ask, units }: { ask: StudyAsk; units: Units }) {
  const worked = useWorkerResult<Study | null>(ask, begin);
  if (worked.state === 'failed') return <p role="alert">The pressures could not be worked out. Load the page again.</p>;
  if (worked.state === 'running') return <p role="status">Working out the pressures …</p>;
  return worked.result && <Found study={worked.result} ask={ask} units={units} />;
}

const bar = (value: number): string => `${value.toFixed(1)} bar`;

/** Pressures are drawn up to this many times the peak between the rings: where they cross is what is looked for. */
const DRAWN = 1.6;

function Found({ study: { here, bySecond, byTop }, ask, units }: { study: Study; ask: StudyAsk; units: Units }) {
  const text = (nm: number): string => lengthText(nm, units, 'fine');
  const lift = here.lift.find((l) => l.from > 0);
  const highest = here.peak.between * DRAWN;
  const x = (nm: number): number => plotted(nm, units);
  const most = Math.max(...[...bySecond, ...byTop].map((p) => p.blowBy));
  const widest = Math.max(...bySecond.map((p) => p.second), ...byTop.map((p) => p.top));
  const line = (label: string, colour: string, points: StudyPoint[], gap: 'top' | 'second', dash?: number[]) => ({
    ...{ label, colour, dash },
    points: points.map((p) => ({ x: x(p[gap]), y: p.blowBy })),
    width: 2.5,
  });
  return (
    <>
      <p className="max-w-prose">
        Hot gaps of {text(ask.top)} and {text(ask.second)}: the cylinder peaks at{' '}
        <b className="figures">{bar(here.peak.over)}</b>, the space between the rings at{' '}
        <b className="figures">{bar(here.peak.between)}</b>.{' '}
        {lift
          ? `From ${Math.round(lift.from)}° after top dead centre it holds more than the cylinder, by up to ${bar(lift.most)}: there the top ring can lift.`
          : 'It never holds more than the cylinder: the top ring stays seated.'}{' '}
        Blow-by through the gaps is about <b className="figures">{here.blowBy.toFixed(1)} litres a minute</b> for each
        cylinder, {(here.share * 100).toPrecision(2)} % of what it breathes.
      </p>
      <Plot
        label={`Pressure through the cycle: over the piston up to ${bar(here.peak.over)}, between the rings up to ${bar(here.peak.between)}`}
        xTitle="crank, degrees after top dead centre"
        yTitle="bar"
        xEnds={[-360, 360]}
        yEnds={[0, highest]}
        zero={null}
        stands={lift ? [{ at: lift.from, words: 'top ring can lift' }] : []}
        lines={[
          {
            label: 'over the piston (goes beyond the picture)',
            colour: '--ink',
            points: here.degrees.map((at, i) => ({ x: at, y: Math.min(here.over[i] ?? 0, highest * 1.1) })),
            width: 1.5,
            goesOn: true,
          },
          {
            label: 'between the rings',
            colour: '--blue',
            points: here.degrees.map((at, i) => ({ x: at, y: here.between[i] ?? 0 })),
            width: 2.5,
            goesOn: true,
          },
        ]}
      />
      <Plot
        label="Blow-by of one cylinder against either gap as it is hot"
        xTitle={`gap, hot, ${plotUnit(units)}`}
        yTitle="blow-by, litres a minute"
        xEnds={[0, x(widest)]}
        yEnds={[0, most * 1.1]}
        zero={null}
        stands={[
          { at: x(ask.second), words: 'second' },
          { at: x(ask.top), words: 'top' },
        ]}
        lines={[
          line('another second gap', '--blue', bySecond, 'second'),
          line('another top gap', '--ink', byTop, 'top', [6, 4]),
        ]}
      />
      <Table
        caption="What another second gap makes of it"
        className="mt-2 w-auto!"
        rows={bySecond}
        keyOf={(p) => String(p.second)}
        rowLook={(p) => (p.second === ask.second ? '*:font-bold!' : '*:font-normal!')}
        columns={[
          [`second gap, hot, ${plotUnit(units)}`, (p) => text(p.second).replace(/ \S+$/, ''), 'num'],
          ['peak between, bar', (p) => p.peak.toFixed(1), 'num'],
          ['lift, bar', (p) => p.lift.toFixed(1), 'num'],
          ['blow-by, l/min', (p) => p.blowBy.toFixed(1), 'num'],
        ]}
      />
    </>
  );
}
