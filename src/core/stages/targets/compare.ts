/**
 * Figures that belong side by side: what is fitted now and what is planned, both rows near a threshold, and
 * what a high ring needs against what the oldest rule would say.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, say } from '../../foundation/quantity/message';
import { rowOf } from '../../models/charts/chart';
import { AT_LOAD } from '../../models/charts/curve';
import type { TargetsEngineResult } from './types';
import { askAt } from './settings';
import type { Target } from '../../models/targets/target';
import { secondGapTarget, oldRuleGap, topGapTarget } from '../../models/targets/ringGapTarget';
import type { TargetAsk } from '../../models/targets/chartTarget';
import { NO_PAPERS } from '../../models/targets/papers';

export interface ComparedFigure {
  what: 'top' | 'second';
  min: Nm;
  aimTo: Nm | null;
}

export interface Compared {
  words: string;
  /** Whether the chart figure in force comes from this one. */
  inForce: boolean;
  figures: ComparedFigure[];
  /** What is asked for where the chart offers no figure. */
  ask: string | null;
}

export interface Comparison {
  kind: 'planned' | 'threshold' | 'highRing';
  says: Message;
  options: Compared[];
}

const figureOf = (what: ComparedFigure['what'], target: Target): ComparedFigure[] =>
  target.set ? [{ what, min: target.inForce.aimFrom, aimTo: target.inForce.aimTo }] : [];

/** What the chart alone says in a row. */
function byRow(ask: TargetAsk, id: string, load: number | null = null): Compared {
  const bare: TargetAsk = {
    ...ask,
    duty: id,
    load,
    choices: { ...ask.choices, gaps: { ...ask.choices.gaps, top: NO_PAPERS, second: NO_PAPERS } },
  };
  const top = topGapTarget(bare);
  const second = secondGapTarget(bare, top);
  return {
    words: rowOf(ask.chart, id)?.words ?? id,
    inForce: id === ask.duty && load === ask.load,
    figures: [...figureOf('top', top), ...figureOf('second', second)],
    ask: top.set ? null : top.ask,
  };
}

/**
 * All comparisons that hold for an engine, at the bore its targets stand for, the costliest mistake first.
 *
 * @example comparisonsOf(judgement).length // 0
 */
export function comparisonsOf({
  targetSettings: settings,
  standard,
}: Pick<TargetsEngineResult, 'targetSettings' | 'standard'>): Comparison[] {
  if (!settings || !standard?.bore) return [];
  const ask = askAt(standard.bore, settings);
  const { suggestion, load } = settings.duty;
  const { chart, construction, choices } = ask;
  const { bore } = standard;
  const out: Comparison[] = [];
  const column = chart.columns.find((c) => c.id === construction);
  if (column?.highRing && ask.duty !== null) {
    const rule: Compared = {
      words: 'the oldest rule, 0.004 × bore',
      inForce: false,
      figures: [{ what: 'top', min: oldRuleGap(bore, choices.feelerStep), aimTo: null }],
      ask: null,
    };
    const here = byRow(ask, ask.duty, ask.load);
    const top = here.figures.filter((f) => f.what === 'top');
    out.push({
      kind: 'highRing',
      says: say`This piston carries its top ring close to the crown, where it runs far hotter.`,
      options: [{ ...here, figures: top, words: `this piston: ${column.words}` }, rule],
    });
  }
  const planned = (options: [Compared, Compared]): Comparison => ({
    kind: 'planned',
    says: say`Gap for the planned upgrades now. A filed gap cannot be closed up again.`,
    options,
  });
  if (chart.kind === 'curve') {
    if (!load.set || !load.later) return out;
    const at = (words: string, of: number): Compared => ({
      ...byRow(ask, AT_LOAD, of),
      words: `${words}: heat load ${of.toFixed(2)}`,
    });
    return [...out, planned([at('now', load.now.load), at('planned', load.later.load)])];
  }
  if (!suggestion.set) return out;
  const { now, later } = suggestion;
  const inRow = (id: string): Compared => byRow(ask, id);
  if (later && later.row !== now.row)
    out.push(
      planned([
        { ...inRow(now.row), words: `now: ${now.reason}` },
        { ...inRow(later.row), words: `planned: ${later.reason}` },
      ]),
    );
  for (const { row, near } of later ? [now, later] : [now])
    if (near) out.push({ kind: 'threshold', says: say`${near.says}`, options: [inRow(row), inRow(near.row)] });
  return out;
}
