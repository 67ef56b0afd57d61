/** How the points of the heat model are named, coloured and brought to a plot. */
import type { HeatPoint } from '@/core/models/heat/assess';
import type { HeatLine } from '@/core/models/heat/heatWords';
import { type Nm, type Units, toMm, toThou } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import type { PlotLine } from '../shared/Plot';

export const POINT_WORDS: Record<HeatPoint, string> = {
  minimum: 'minimum',
  aim: 'end of window',
  measured: 'measured',
};
export const POINT_COLOURS: Record<HeatPoint, string> = { minimum: '--ok', aim: '--ok', measured: '--blue' };

/** A length as the number a plot is drawn with, in the unit its axis names. */
export const plotted = (nm: Nm, units: Units): number => (units === 'imperial' ? toThou(nm) : toMm(nm));
export const plotUnit = (units: Units): string => printLength(0, units, 'fine').unit;

/** The points of a ring or a piston as lines of a plot: one each, the measured one stronger. */
export const linesOf = (
  points: { point: HeatPoint; cold: Nm; line: HeatLine }[],
  units: Units,
  cold: (nm: Nm) => string,
): PlotLine[] =>
  points.map((p) => ({
    label: `${POINT_WORDS[p.point]}, ${cold(p.cold)} cold`,
    colour: POINT_COLOURS[p.point],
    points: p.line.map(({ celsius, gap }) => ({ x: celsius, y: plotted(gap, units) })),
    width: p.point === 'measured' ? 3 : 2,
    dash: p.point === 'aim' ? [6, 4] : [],
  }));
