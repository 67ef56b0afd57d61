'use client';

import type { Units } from '@/core/quantity/length';
import { CRANKCASE, betweenCurve, chamberPressure, pressureBetween } from '@/core/load/gasPath';
import type { HeatLoad } from '@/core/load/load';
import { lengthText } from '@/core/quantity/print';
import type { Target } from '@/core/targets/target';
import { plotUnit, plotted } from '../heat/points';
import { Explain } from '../shared/Explain';
import { Plot } from '../shared/Plot';

interface Props {
  top: Target;
  second: Target;
  load: HeatLoad;
  units: Units;
}

/** From a second ring as tight as half the top ring’s gap to one of twice it. */
const REACH = [0.5, 2] as const;
const STANDING =
  'Two orifices in series, steady and isentropic, choked under 0.528 (textbook; put to ring gaps in SAE 820088, recalled). Leak area: gap × the same radial clearance for both. Mean pressures: 20 bar over the top ring times the inlet’s atmospheres, 1 bar in the crankcase, from memory. A model: it shows the direction and the size, and is no figure to set by.';

/** Why a wider second gap vents: the pressure that stands between the rings, against the second gap. */
export function GasPath({ top, second, load, units }: Props) {
  if (!top.set || !second.set) return null;
  const chamber = chamberPressure(load.set ? load.inForce.inlet : 1);
  const [topGap, secondGap] = [top.inForce.aimFrom, second.inForce.aimFrom];
  const [from, to] = REACH.map((share) => Math.round(topGap * share));
  const here = pressureBetween(topGap, secondGap, chamber, CRANKCASE);
  const equal = pressureBetween(topGap, topGap, chamber, CRANKCASE);
  const curve = betweenCurve(topGap, from ?? 0, to ?? 0, chamber);
  const bar = (value: number): string => `${value.toFixed(1)} bar`;
  const text = (nm: number): string => lengthText(nm, units, 'fine');
  const x = (nm: number): number => plotted(nm, units);
  return (
    <section aria-label="Between the rings">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg">Between the rings</h2>
        <Explain what="the pressure between the rings" units={units} working={[]} standing={STANDING} />
      </div>
      <p className="max-w-prose">
        With the top ring at {text(topGap)} and the second at {text(secondGap)}, about{' '}
        <b className="figures">{bar(here)}</b> stand between them, of {bar(chamber)} over the top ring in the mean. A
        second ring as wide as the top would hold <b className="figures">{bar(equal)}</b>. What is trapped there lifts
        the top ring off its seat.
      </p>
      <Plot
        label={`Pressure between the rings against the second gap: ${bar(here)} at ${text(secondGap)}, ${bar(equal)} at ${text(topGap)}`}
        xTitle={`second ring gap, ${plotUnit(units)}`}
        yTitle="between the rings, bar"
        xEnds={[x(from ?? 0), x(to ?? 0)]}
        yEnds={[0, Math.max(...curve.map((p) => p.bar)) * 1.15]}
        zero={null}
        band={null}
        stands={[
          { at: x(secondGap), words: `second ${text(secondGap)}` },
          ...(secondGap === topGap ? [] : [{ at: x(topGap), words: 'as wide as the top' }]),
        ]}
        lines={[
          {
            label: 'a model of steady flow, not a measurement',
            colour: '--blue',
            points: curve.map((p) => ({ x: x(p.second), y: p.bar })),
            width: 2.5,
            goesOn: true,
          },
        ]}
      />
    </section>
  );
}
