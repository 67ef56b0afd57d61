/** How the points of the heat model are named, coloured and brought to a plot. */
import type { HeatPoint } from '@/core/heat/assess';
import type { Nm, Units } from '@/core/quantity/length';
import { toMm, toThou } from '@/core/quantity/length';
import { printLength } from '@/core/quantity/print';

export const POINT_WORDS: Record<HeatPoint, string> = { minimum: 'minimum', aim: 'end of window', measured: 'measured' };
export const POINT_COLOURS: Record<HeatPoint, string> = { minimum: '--ok', aim: '--ok', measured: '--blue' };

/** A length as the number a plot is drawn with, in the unit its axis names. */
export const plotted = (nm: Nm, units: Units): number => (units === 'imperial' ? toThou(nm) : toMm(nm));
export const plotUnit = (units: Units): string => printLength(0, units, 'fine').unit;
