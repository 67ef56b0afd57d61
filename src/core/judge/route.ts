/** A judgement as one bench works through it: in its own order, and past what other benches took for theirs. */
import type { BoreChoices } from '../stages/bores/measuringPlan';
import type { Route } from '../stages/rings/choices';
import type { ListId } from './registry';
import { STAGE_IDS } from './stageTables';
import { type Judgement, asked } from './judgement';

/** How one bench goes about a build. */
export interface BenchRoute {
  /** The order that rings are taken in, and bores; null for the build's own. */
  rings: Route | null;
  bores: BoreChoices['route'] | null;
  /** What other benches took for theirs, see `claimOf`. */
  taken: readonly string[];
}

/**
 * What a bench takes for its own: all of one kind of work on one cylinder.
 *
 * @example claimOf('rings', 'L1') // 'rings.L1'
 */
export const claimOf = (list: ListId, cylinder: string): string => `${list}.${cylinder}`;

/**
 * The same judgement with what there is to read in a bench's own order. What others took counts as done on the route:
 * it leads past.
 *
 * @example atBench(judgement, { rings: 'byRing', bores: null, taken: [] }).ringRoute // 'byRing'
 */
export function atBench(judgement: Judgement, { rings, bores, taken }: BenchRoute): Judgement {
  if (rings === null && bores === null && taken.length === 0) return judgement;
  const { choices, cylinders } = judgement;
  const ringRoute = rings ?? choices.bench.route;
  const own = {
    ...judgement,
    choices: {
      ...choices,
      bench: { ...choices.bench, route: ringRoute },
      bores: { ...choices.bores, route: bores ?? choices.bores.route },
    },
  };
  const lists = Object.assign({}, ...STAGE_IDS.map((id) => asked(id).lists(own, cylinders))) as Judgement['tasks'];
  const past = Object.entries(lists).map(([list, tasks]) => [
    list,
    tasks.map((task) => (taken.includes(claimOf(list as ListId, task.cylinder)) ? { ...task, done: true } : task)),
  ]);
  return { ...judgement, ringRoute, tasks: Object.fromEntries(past) as Judgement['tasks'] };
}
