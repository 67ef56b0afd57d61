/** A chart of curves as a picture: gap against heat load, on one bore, with where the engine lies and what physics forbids. */
import type { HeatAsk } from '../../models/heat/assess';
import { boundAt } from '../../models/heat/bound';
import type { Nm } from '../../foundation/quantity/length';
import { LOAD_SPREAD, MOST_LOAD, TRUSTED } from '../../models/load/load';
import type { Chart, ChartCell, ChartFigure } from '../../models/charts/chart';
import { type CurvePoint, AT_LOAD, figureAtLoad, knotsOf, rowAtLoad } from '../../models/charts/curve';
import { type TargetSettings, askAt } from './settings';
import { otherSchools } from '../../models/charts/startingCurve';
import type { Target, TargetBore } from '../../models/targets/target';
import { secondGapTarget, topGapTarget } from '../../models/targets/ringGapTarget';
import type { TargetAsk } from '../../models/targets/chartTarget';
import { NO_PAPERS } from '../../models/targets/papers';

/** A gap at a heat load, nm. */
export interface GapAt {
  load: number;
  gap: Nm;
}

export interface LoadPicture {
  /** The curve of the chart, in steps fine enough to be drawn. */
  curve: GapAt[];
  /** Its own points, with what stands behind them. */
  points: (GapAt & { cell: ChartCell; lifted: boolean })[];
  /** The curves of the schools that the chart is not of. */
  others: { name: string; curve: GapAt[] }[];
  /**
   * The cold gap that just closes at the temperatures of a load, in the case that decides, how far they leave it open
   * (k = 2), and in a wall that is not warm yet.
   */
  bound: (GapAt & { low: Nm; high: Nm; coldWall: Nm })[];
  /** Loads that the engine lies between, one standard deviation of the load either way; null while it is not known. */
  band: [number, number] | null;
  ends: [number, number];
}

/** How fine the curve is drawn. */
const STEPS = 120;

/** The heat loads that a curve is drawn at. */
const LOADS = Array.from({ length: STEPS + 1 }, (_, i) => TRUSTED.from + ((MOST_LOAD - TRUSTED.from) * i) / STEPS);

/** A curve of a chart as it is drawn, by factor: nothing where it says nothing. */
export const curveOf = (chart: Chart, column: string, figure: ChartFigure): CurvePoint[] =>
  LOADS.flatMap((load) => {
    const cell = figureAtLoad(chart, load, column, figure);
    return cell ? [{ load, factor: cell.factor }] : [];
  });

/**
 * The picture of one ring's curve on a bore; null for a chart of steps, or a piston that is not said or not in it.
 *
 * @param assumed what the heat model takes of the engine
 */
export function loadPicture(
  settings: TargetSettings | null,
  bore: Nm,
  figure: Extract<ChartFigure, 'top' | 'second'>,
  assumed: Pick<HeatAsk, 'surface' | 'cooling' | 'choices' | 'metals'>,
): LoadPicture | null {
  if (!settings || settings.chart.kind === 'steps' || !settings.piston) return null;
  const { chart, piston, duty } = settings;
  const ends: [number, number] = [TRUSTED.from, MOST_LOAD];
  const gapOf = ({ load, factor }: CurvePoint): GapAt => ({ load, gap: Math.round(bore * factor) });
  const own = duty.load.set ? duty.load.inForce.load : null;
  return {
    curve: curveOf(chart, piston.id, figure).map(gapOf),
    points: knotsOf(chart, piston.id, figure).map((knot) => ({ ...gapOf(knot), cell: knot.cell, lifted: knot.lifted })),
    others: otherSchools(chart, piston.id).map((other) => ({
      name: other.name,
      curve: curveOf(other, piston.id, figure).map(gapOf),
    })),
    bound: LOADS.flatMap((load) => {
      const found = boundAt(figure, { ...assumed, bore, row: rowAtLoad(chart, load) });
      return found ? [{ load, ...found.decides, coldWall: found.coldWall }] : [];
    }),
    band: own === null ? null : [own * (1 - LOAD_SPREAD), own * (1 + LOAD_SPREAD)],
    ends,
  };
}

/**
 * What the chart alone would ask at another heat load: the build's papers and figures stand aside.
 *
 * @example whatIf(judgement.targetSettings, { nm: 100_000_000, measured: false }, 1.4).top.set // false
 */
export function whatIf(settings: TargetSettings, bore: TargetBore, load: number): Record<'top' | 'second', Target> {
  const asked = askAt(bore, settings);
  const { gaps } = asked.choices;
  const ask: TargetAsk = {
    ...asked,
    ...{ duty: AT_LOAD, load },
    choices: { ...asked.choices, gaps: { ...gaps, top: NO_PAPERS, second: NO_PAPERS } },
  };
  const top = topGapTarget(ask);
  return { top, second: secondGapTarget(ask, top) };
}
