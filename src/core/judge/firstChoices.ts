/** What a new build is set with from its first entry on. */
import { WHOLE_WALK } from '../stages/assembly/walkChoices';
import type { Units } from '../foundation/quantity/length';
import type { ChoiceKind, Choices } from './registry';
import { STARTING } from './stageTables';
import type { Chart } from '../models/charts/chart';
import { type Entry, firstChart } from './buildRecord';

/**
 * Limits and widths of a shop that speaks millimetres, in figures of its own: about what those of inches come to, from
 * memory. They are entered, so that builds from before they were there keep what they stood on.
 */
function metricFigures(): Partial<{ [K in ChoiceKind]: Choices[K] }> {
  const { bench, bores, pistons, ringSet, heat, deciding } = STARTING;
  const grid = bores('metric');
  return {
    bench: { ...bench('metric'), repeat: 25_000, spread: 50_000 },
    bores: {
      ...grid,
      limits: {
        honed: {
          ...grid.limits.honed,
          ...{ within: { taper: 12_000, outOfRound: 12_000 }, hone: { taper: 25_000, outOfRound: 25_000 } },
        },
        used: {
          ...grid.limits.used,
          ...{ within: { taper: 50_000, outOfRound: 40_000 }, hone: { taper: 125_000, outOfRound: 75_000 } },
        },
      },
    },
    pistons: { ...pistons('metric'), pin: { least: 12_000, most: 25_000 } },
    ringSet: { ...ringSet('metric'), side: { least: 25_000, most: 50_000 } },
    heat: { ...heat('metric'), feeler: 12_000 },
    deciding: { ...deciding('metric'), gapGrace: 10_000, clearanceGrace: 2_000 },
  };
}

/**
 * The choices that a new build begins with besides its job card: its chart, the whole walk, and in a shop of millimetres
 * figures that are round in them.
 *
 * @example firstChoices(judgement.choices.chart, 'imperial', { at: '2026-05-04T09:00:00.000Z', by: 'AB' }).length // 1
 */
export const firstChoices = (chart: Chart, units: Units, stamp: { at: string; by: string }): Entry[] => [
  ...firstChart(chart, stamp),
  { ...stamp, id: 'walk-1', kind: 'walk', replaces: null, value: WHOLE_WALK },
  ...(units === 'metric'
    ? Object.entries(metricFigures()).map(
        ([kind, value]) => ({ ...stamp, id: `${kind}-1`, kind, replaces: null, value }) as unknown as Entry,
      )
    : []),
];
