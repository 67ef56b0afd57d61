/** Targets of ring end gaps: top, second and oil rails. */
import { type Nm, roundUpTo } from '../../foundation/quantity/length';
import type { Target, Candidate, TargetBore, Rank } from './target';
import {
  type Widths,
  type TargetAsk,
  scaleOf,
  widthOn,
  resolveTarget,
  noFigure,
  NO_BORE,
  fromFactor,
  chartCandidate,
  cellsFor,
  widened,
  USUAL_BORES,
} from './chartTarget';
import { type Chart, OLD_RULE } from '../charts/chart';
import { type Message, say, fine, raw, size } from '../../foundation/quantity/message';
import { type SecondBy, SECOND_SCHOOL_REASON } from './papers';

/** The first school's least step from top to second: 2 thou. Common practice, no source. */
const SECOND_OVER_TOP: Nm = 50_800;

/** The same in a shop of millimetre leaves, nm. Common practice, no source. */
const SECOND_OVER_TOP_METRIC: Nm = 50_000;

/** Leaves of millimetres go up by hundredths. */
const hasMetricLeaves = (step: Nm): boolean => step % 10_000 === 0;

/** The same by a chart of curves, whose second ring is always so much over the top: with the bore where that is no usual one. */
const secondOverTop = (chart: Chart, bore: TargetBore, step: Nm): Nm =>
  chart.kind === 'steps'
    ? SECOND_OVER_TOP
    : Math.round((hasMetricLeaves(step) ? SECOND_OVER_TOP_METRIC : SECOND_OVER_TOP) * scaleOf(bore.nm));
const gapWidths = (ask: TargetAsk): Widths => ({
  step: ask.choices.feelerStep,
  window: widthOn(ask.choices, 'gapWindow', ask, ask.choices.feelerStep),
  limit: widthOn(ask.choices, 'gapLimit', ask, ask.choices.feelerStep),
});

/**
 * Target of the top ring's end gap in one cylinder: factor × bore, rounded up to the next feeler step,
 * unless a sheet or manual gives it. Source of the rule: common practice; of the factors: `chart.ts`.
 */
export function topGapTarget(ask: TargetAsk): Target {
  const { bore, choices } = ask;
  const widths = gapWidths(ask);
  const cells = cellsFor(ask, 'the gap');
  const below = (): Candidate | string => {
    if (typeof cells === 'string' || !bore) return typeof cells === 'string' ? cells : NO_BORE;
    const cell = cells.of('top');
    if (ask.gapAsk) return ask.gapAsk;
    if (!cell) return noFigure(cells.from, 'top ring gap');
    const product = fromFactor(cell.factor, bore, widths);
    return chartCandidate(cell, product, widths, cells.from, [product.line]);
  };
  return resolveTarget(choices.gaps.top, bore, widths, below());
}

/** What the oldest rule (0.004 × bore, up to the next step) would say: shown beside what a high-ring piston needs. */
export const oldRuleGap = (bore: TargetBore, step: Nm): Nm => roundUpTo(Math.round(bore.nm * OLD_RULE), step);
const SECOND_FROM_TOP = 'Say what the top ring needs: the second ring is worked from it.';

/** The second ring as it was chosen to follow from the top: so much over it, or so many times it. */
function fromTop(by: Exclude<SecondBy, { by: 'factor' }>, top: Target, widths: Widths): Candidate | string {
  if (!top.set) return SECOND_FROM_TOP;
  const { least: topLeast, aimFrom: topFrom } = top.inForce;
  const over = (nm: Nm): Nm => (by.by === 'difference' ? nm + by.over : Math.round(nm * by.ratio));
  const found = over(topFrom);
  const aimFrom = roundUpTo(found, widths.step);
  const sum = by.by === 'difference' ? say`+ ${fine(by.over)}` : say`× ${by.ratio}`;
  return {
    rank: 'rule',
    standing: 'the builder’s own figure',
    from: 'worked from the top ring, as chosen under “Windows”',
    ...widened({ least: over(topLeast), aimFrom }, widths),
    working: [say`the top ring's ${fine(topFrom)} ${sum} = ${raw(found)}, up to the next step → ${fine(aimFrom)}`],
  };
}

/**
 * Target of the second ring's end gap. First school: worked from the top ring where that was chosen; else its own
 * larger factor, or where the chart has none
 * larger, the top ring's minimum + 2 thou. Second school: the top ring's own minimum, since no chart
 * figure is offered for a tighter one; a tighter one comes from a sheet, a manual or the builder.
 */
export function secondGapTarget(ask: TargetAsk, top: Target): Target {
  const { bore, choices } = ask;
  const widths = gapWidths(ask);
  const why = [say`${SECOND_SCHOOL_REASON[choices.secondSchool]}`];
  const cells = cellsFor(ask, 'the gap');
  const below = (): Candidate | string => {
    const { secondSchool, secondBy } = choices;
    if (secondSchool === 'larger' && secondBy.by !== 'factor') return fromTop(secondBy, top, widths);
    if (typeof cells === 'string' || !bore) return typeof cells === 'string' ? cells : NO_BORE;
    const cell = cells.of('second');
    if (ask.gapAsk) return ask.gapAsk;
    if (!cell) return noFigure(cells.from, 'second ring gap');
    const own = fromFactor(cell.factor, bore, widths);
    if (secondSchool === 'equalOrTighter') {
      const equal = top.set ? top.inForce : own;
      return chartCandidate(cell, equal, widths, `${cells.from}; equal to the top ring`, [
        say`as the top ring: ${fine(equal.aimFrom)}`,
      ]);
    }
    const topFrom = top.set ? top.inForce.aimFrom : 0;
    const over = secondOverTop(ask.chart, bore, widths.step);
    if (own.aimFrom > topFrom && (ask.chart.kind === 'steps' || own.aimFrom >= topFrom + over))
      return chartCandidate(cell, own, widths, cells.from, [own.line]);
    const aimFrom = roundUpTo(topFrom + over, widths.step);
    const lines = [
      own.line,
      say`that is not ${ask.chart.kind === 'steps' ? 'wider than' : 'enough over'} the top ring's ${fine(topFrom)}; top + ${fine(over)} → ${fine(aimFrom)}`,
    ];
    return chartCandidate(
      cell,
      { least: own.least, aimFrom },
      widths,
      `${cells.from}; raised over the top ring`,
      lines,
    );
  };
  const second = resolveTarget(choices.gaps.second, bore, widths, below(), why);
  return choices.secondSchool === 'larger' && top.set && !isOrderGiven(top, second)
    ? notUnder(second, top.inForce.least, say`not under the top ring's minimum of ${fine(top.inForce.least)}`)
    : second;
}

/** Whether one paper gives both rings' gaps, the second's tighter than the top's: then nothing is said against it. */
export const isOrderGiven = (top: Target, second: Target): boolean =>
  top.set &&
  second.set &&
  (second.inForce.rank === 'sheet' || second.inForce.rank === 'manual') &&
  second.inForce.rank === top.inForce.rank &&
  (second.inForce.raisedFrom ?? second.inForce.least) < top.inForce.least;

/**
 * A second ring's target held over the top ring: in the first school gas that passes the top must be able to leave.
 *
 * @param least the top ring's minimum, or its gap as read
 */
export function notUnder(second: Target, least: Nm, why: Message): Target {
  if (!second.set || second.inForce.least >= least) return second;
  const { inForce } = second;
  const aimFrom = Math.max(inForce.aimFrom, least);
  const aimTo = inForce.aimTo === null ? null : Math.max(inForce.aimTo, aimFrom);
  const most = inForce.most === null ? null : Math.max(inForce.most, aimTo ?? aimFrom);
  return {
    ...second,
    inForce: {
      ...inForce,
      ...{ least, aimFrom, aimTo, most },
      raisedFrom: inForce.raisedFrom ?? inForce.least,
      working: [...inForce.working, why],
    },
  };
}

/** Oil rails: a minimum whatever the bore, 0.015 in. Common practice, no source. */
export const RAIL_MINIMUM: Nm = 381_000;

/** Target of both oil rails: a minimum only, whatever a usual bore, unless a sheet or manual gives a range. */
export function railGapTarget(ask: TargetAsk): Target {
  const { bore, choices } = ask;
  const least = bore ? Math.round(RAIL_MINIMUM * scaleOf(bore.nm)) : RAIL_MINIMUM;
  const { feelerStep: step } = choices;
  // no leaf of millimetres is 0.381: the aim begins at the next one
  const aimFrom = ask.chart.kind === 'curve' && hasMetricLeaves(step) ? roundUpTo(least, step) : least;
  const rule: Candidate = {
    rank: 'rule',
    standing: 'common practice, no source',
    from: 'oil rails: a minimum whatever the bore',
    least,
    aimFrom,
    aimTo: null,
    most: null,
    mostHard: false,
    working:
      least === RAIL_MINIMUM || !bore
        ? [say`${fine(RAIL_MINIMUM)} at least`]
        : [
            say`${fine(RAIL_MINIMUM)} at least on bores of ${size(USUAL_BORES.from)} to ${size(USUAL_BORES.to)}; on ${size(bore.nm)}, as its size → ${fine(least)}`,
          ],
  };
  const papers = choices.gaps.rails;
  const isOpen = (rank: Rank): boolean => {
    const given = rank === 'own' ? papers.own?.given : rank === 'sheet' || rank === 'manual' ? papers[rank] : null;
    return given?.form === 'minimum' || given?.form === 'factor';
  };
  const unbounded = (candidate: Candidate): Candidate =>
    isOpen(candidate.rank) ? { ...candidate, aimTo: null, most: null } : candidate;
  const target = resolveTarget(papers, bore, gapWidths(ask), rule, [
    say`Rails are checked, seldom filed: they are thin, run cool in oil, and only must not butt.`,
  ]);
  return target.set
    ? { ...target, inForce: unbounded(target.inForce), outranked: target.outranked.map(unbounded) }
    : target;
}
