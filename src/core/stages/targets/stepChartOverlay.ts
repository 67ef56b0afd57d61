/** A chart of steps laid over a curve: which heat loads each of its rows stands for, on an engine like this one. */
import type { Job } from '../../record/jobCard';
import { heatLoad } from '../../models/load/load';
import { type Adders, type Service, NO_ADDERS } from '../../models/load/service';
import { USES } from '../../models/load/serviceWords';
import type { Nm } from '../../foundation/quantity/length';
import { type Chart, type ChartFigure, cellOf, columnOf } from '../../models/charts/chart';
import { suggestDuty } from '../../models/charts/chartRow';

/** One row of a chart of steps, with the loads it stands for and what it asks there. */
export interface StepOver {
  row: string;
  words: string;
  from: number;
  to: number;
  gap: Nm;
}

export interface StepsOver {
  steps: StepOver[];
  /** Words of rows that have a figure, but that nothing said of an engine leads to: a builder chooses them. */
  unplaced: string[];
}

/** Boost to 4 bar by 0.05 bar, and nitrous to 600 hp by 10: further than any heat load that is trusted. */
const BOOSTS = Array.from({ length: 80 }, (_, i) => (i + 1) * 5_000);
const SHOTS = Array.from({ length: 60 }, (_, i) => (i + 1) * 10);

/** Everything an engine like this one could be said to be: each use without an adder, this one's with any boost or nitrous. */
function couldBe(service: Service): Service[] {
  const use = service.use ?? 'street';
  const bare = { ...service, now: NO_ADDERS, later: null };
  const withAdders = (adders: Partial<Adders>): Service => ({ ...bare, use, now: { ...NO_ADDERS, ...adders } });
  return [
    ...USES.map((each) => ({ ...bare, use: each })),
    ...BOOSTS.map((pressure) =>
      withAdders({ boost: { by: 'turbo', pressure, absolute: false, cooled: service.now.boost?.cooled ?? null } }),
    ),
    ...SHOTS.map((shot) => withAdders({ nitrous: { shots: [shot], share: null, cylinders: null } })),
  ];
}

/**
 * The rows of a chart of steps over the heat load, by the load they begin at; only what has a figure of the piston.
 *
 * @param column id of the piston's column
 * @example stepsOver(judgement.choices.chart, judgement.job, 100_000_000, 'cast', 'top').unplaced // ['turbo diesel']
 */
export function stepsOver(
  chart: Chart,
  job: Job,
  bore: Nm,
  column: string,
  figure: Extract<ChartFigure, 'top' | 'second'>,
): StepsOver {
  const { cylinders } = job.engine;
  const loads = new Map<string, number[]>();
  for (const service of couldBe(job.service)) {
    const duty = suggestDuty(service, cylinders);
    const load = heatLoad(service, { cylinders, bore });
    if (duty.set && load.set) loads.set(duty.row, [...(loads.get(duty.row) ?? []), load.now.load]);
  }
  const out: StepsOver = { steps: [], unplaced: [] };
  if (!columnOf(chart, column)) return out;
  for (const { id, words } of chart.rows) {
    const cell = cellOf(chart, id, column, figure);
    if (!cell) continue;
    const at = loads.get(id);
    if (at)
      out.steps.push({
        ...{ row: id, words, from: Math.min(...at), to: Math.max(...at) },
        gap: Math.round(bore * cell.factor),
      });
    else out.unplaced.push(words);
  }
  out.steps.sort((a, b) => a.from - b.from);
  return out;
}
