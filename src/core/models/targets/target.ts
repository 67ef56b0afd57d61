/**
 * Targets: what a gap or a clearance must be, where the figure comes from, and why.
 *
 * Order of trust, common practice: the sheet packed with the parts, then the engine's service manual,
 * then a chart, then the builder's own figure. What ranks highest is in force unless the builder puts an own
 * figure over it, with a reason; the others stay in sight.
 */
import { type Nm, roundUpTo } from '../../foundation/quantity/length';
import type { Held } from '../../foundation/verdict/held';
import { type Saying, fine, raw, say, size } from '../../foundation/quantity/saying';
import {
  type Chart,
  type ChartCell,
  type ChartFigure,
  type ChartRow,
  type Confirmation,
  FROM_MEMORY,
  OLD_RULE,
  cellOf,
  columnOf,
  rowOf,
} from '../charts/chart';
import { figureAtLoad, rowAtLoad } from '../charts/curve';
import { type Surface } from '../../foundation/parts/materials';

/** A figure from a sheet, a manual or a builder, in one of the forms such papers use. `hardTop`: its upper end is guarded as its lower one is. */
export type Given =
  | {
      form: 'range';
      min: Nm;
      max: Nm;
      hardTop: boolean;
      /** What the builder narrows it to; null for the whole of it. */
      aim: { from: Nm; to: Nm } | null;
      from: string;
    }
  | { form: 'minimum'; min: Nm; from: string }
  /** One figure, and how far from it is still it. */
  | { form: 'nominal'; value: Nm; plusMinus: Nm; from: string }
  | { form: 'factor'; factor: number; from: string }
  | { form: 'factors'; least: number; most: number; hardTop: boolean; from: string };

/** How near one nominal figure is to be met where nothing says so: half a leaf for a gap, half of that for a clearance. Common practice, no source. */
export const NOMINAL_WITHIN: Record<'gap' | 'clearance', Record<'imperial' | 'metric', Nm>> = {
  gap: { imperial: 12_700, metric: 10_000 },
  clearance: { imperial: 6_350, metric: 5_000 },
};

/** The builder's own figure; its `from` is the reason. `over` puts it in force over what ranks above it. */
export interface Own {
  given: Given;
  over: boolean;
}

/** What was entered for one figure, by where it comes from. */
export interface Papers {
  sheet: Given | null;
  manual: Given | null;
  own: Own | null;
}

/** Which school the second ring follows: larger than the top (the default), or equal or tighter. */
export type SecondSchool = 'larger' | 'equalOrTighter';

/** How a second ring that is larger than the top is come by: its own factor, or from the top ring's minimum. */
export type SecondBy = { by: 'factor' } | { by: 'difference'; over: Nm } | { by: 'ratio'; ratio: number };

export type GapKind = 'top' | 'second' | 'rails';

/** A cylinder that is fitted looser on purpose, e.g. because it runs hotter: added to minimum, aim and limit. */
export interface Allowance {
  /** Place in the block, see `Cylinder.id`. */
  cylinder: string;
  gap: Nm;
  clearance: Nm;
  reason: string;
}

/** The choices that set the targets of one build. */
export interface TargetChoices {
  secondSchool: SecondSchool;
  /** In the first school. */
  secondBy: SecondBy;
  /** The feeler step that gap minimums go up to. */
  feelerStep: Nm;
  /** From the minimum to the end of the aim window, and to the upper limit. */
  gapWindow: Nm;
  gapLimit: Nm;
  clearanceWindow: Nm;
  clearanceLimit: Nm;
  gaps: Record<GapKind, Papers>;
  clearance: Papers;
  allowances: Allowance[];
}

export type Rank = 'sheet' | 'manual' | 'chart' | 'own' | 'rule';

/** How sure a figure is. */
export type Standing =
  | 'from a sheet'
  | 'from a manual'
  | 'confirmed against a sheet'
  | 'from memory, not confirmed'
  | 'not confirmed'
  | 'common practice, no source'
  | 'the builder’s own figure';

/** What a figure must be, and inside that what it should be, nm. */
export interface Limits {
  /** The hard minimum. Of a factor, the product as it is. */
  least: Nm;
  /** Where the aim begins: what a filer is told. Of a factor, the product up to the next step. */
  aimFrom: Nm;
  /** End of the aim; null where only a minimum is asked. */
  aimTo: Nm | null;
  /** The most; null where there is none. */
  most: Nm | null;
  /** Whether the most is as hard as the least. */
  mostHard: boolean;
}

/** One candidate for a target, whether in force or outranked. */
export interface Candidate extends Limits {
  rank: Rank;
  standing: Standing;
  /** Where it comes from, in words. */
  from: string;
  /** Formula with the numbers put in, a line each. */
  working: Saying[];
  /** Of a second ring: its own minimum, where the top ring's is more and holds instead. */
  raisedFrom?: Nm;
}

export type Target =
  { set: true; inForce: Candidate; outranked: Candidate[]; why: Saying[] } | { set: false; ask: string };

/** The bore a target is worked from. */
export interface TargetBore {
  nm: Nm;
  /** Measured here, as whoever machined it reports, or planned. */
  from: 'measured' | 'reported' | 'planned';
}

/** Oil rails: a minimum whatever the bore, 0.015 in. Common practice, no source. */
export const RAIL_MINIMUM: Nm = 381_000;
/** The bores that fixed figures of the trade are for: rails, windows. Under and over them they go with the bore. From memory. */
const USUAL_BORES = { from: 75_000_000, to: 115_000_000 };

/** What a figure that is meant for usual bores is multiplied by on one of another size. */
const scaleOf = (bore: Nm): number =>
  bore < USUAL_BORES.from ? bore / USUAL_BORES.from : bore > USUAL_BORES.to ? bore / USUAL_BORES.to : 1;
/** The first school's least step from top to second: 2 thou. Common practice, no source. */
const SECOND_OVER_TOP: Nm = 50_800;
/** The same in a shop of millimetre leaves. */
const SECOND_OVER_TOP_METRIC: Nm = 50_000;
/** Leaves of millimetres go up by hundredths. */
const hasMetricLeaves = (step: Nm): boolean => step % 10_000 === 0;
/** The same by a chart of curves, whose second ring is always so much over the top: with the bore where that is no usual one. */
const secondOverTop = (chart: Chart, bore: TargetBore, step: Nm): Nm =>
  chart.kind === 'steps'
    ? SECOND_OVER_TOP
    : Math.round((hasMetricLeaves(step) ? SECOND_OVER_TOP_METRIC : SECOND_OVER_TOP) * scaleOf(bore.nm));
/** Clearances are read to the last digit, not in steps: a product stands as it is, whatever the shop's units. */
const NO_STEP: Nm = 1;

export const SECOND_SCHOOL_REASON: Record<SecondSchool, string> = {
  larger:
    'Gas that passes the top ring must be able to leave past the second; trapped between them it lifts the top ring off its seat. So the second is gapped wider than the top.',
  equalOrTighter:
    'The second ring runs cooler than the top and grows less, so it needs no more gap. Older manuals and some plain rebuilds follow this.',
};

export const NO_PAPERS: Papers = { sheet: null, manual: null, own: null };

/** Widths as they start, by the system the shop works in, for usual bores. Common practice, no source. */
const STARTING_WIDTHS = {
  imperial: {
    feelerStep: 25_400,
    gapWindow: 76_200,
    gapLimit: 127_000,
    clearanceWindow: 25_400,
    clearanceLimit: 50_800,
  },
  metric: { feelerStep: 10_000, gapWindow: 80_000, gapLimit: 130_000, clearanceWindow: 25_000, clearanceLimit: 50_000 },
};

/** Starting choices, by the system the shop works in. */
export function startingChoices(units: 'imperial' | 'metric'): TargetChoices {
  const widths = STARTING_WIDTHS[units];
  return {
    secondSchool: 'larger',
    secondBy: { by: 'factor' },
    ...widths,
    gaps: { top: NO_PAPERS, second: NO_PAPERS, rails: NO_PAPERS },
    clearance: NO_PAPERS,
    allowances: [],
  };
}

/** Widths from a minimum: to the end of the aim window, to the upper limit, and the step it goes up to. */
interface Widths {
  step: Nm;
  window: Nm;
  limit: Nm;
}

const boreWords = (bore: TargetBore): string => `${bore.from} bore`;

/** A product and the step above it: the hard minimum, and where the aim begins. */
interface Product {
  least: Nm;
  aimFrom: Nm;
  line: Saying;
}

function fromFactor(factor: number, bore: TargetBore, widths: Widths): Product {
  const least = Math.round(bore.nm * factor);
  const aimFrom = roundUpTo(least, widths.step);
  return {
    least,
    aimFrom,
    line: say`${boreWords(bore)} ${size(bore.nm)} × ${factor} = ${raw(least)}${widths.step === NO_STEP ? '' : say`, up to the next step → ${fine(aimFrom)}`}`,
  };
}

/** The aim's end and the most, from where the aim begins. */
const widened = ({ least, aimFrom }: Pick<Limits, 'least' | 'aimFrom'>, { window, limit }: Widths): Limits => ({
  least,
  aimFrom,
  aimTo: aimFrom + window,
  most: aimFrom + limit,
  mostHard: false,
});

/**
 * The minimum a figure states for a bore, before it is rounded up; null for a factor without a bore.
 *
 * @example statedMinimum({ form: 'factor', factor: 0.0045, from: 'sheet' }, fromInches(4)) // 457200
 */
export function statedMinimum(given: Given, bore: Nm | null): Nm | null {
  if (given.form === 'range' || given.form === 'minimum') return given.min;
  if (given.form === 'nominal') return given.value - given.plusMinus;
  return bore === null ? null : Math.round(bore * (given.form === 'factor' ? given.factor : given.least));
}

type Entered = 'sheet' | 'manual' | 'own';

const STANDINGS: Record<Entered, Standing> = {
  sheet: 'from a sheet',
  manual: 'from a manual',
  own: 'the builder’s own figure',
};

const rangeLine = (least: Nm, most: Nm, hard: boolean): Saying =>
  say`${fine(least)} to ${fine(most)}, as given${hard ? say`; the upper end is as hard as the lower` : ''}`;

/** What a figure from paper comes to; null for a factor without a bore. */
function limitsOf(given: Given, bore: TargetBore | null, widths: Widths): { limits: Limits; working: Saying[] } | null {
  switch (given.form) {
    case 'range': {
      const { min, max, aim, hardTop } = given;
      const narrowed = aim ? [say`aimed at within it: ${fine(aim.from)} to ${fine(aim.to)}`] : [];
      return {
        limits: { least: min, aimFrom: aim?.from ?? min, aimTo: aim?.to ?? max, most: max, mostHard: hardTop },
        working: [rangeLine(min, max, hardTop), ...narrowed],
      };
    }
    case 'minimum':
      return {
        limits: widened({ least: given.min, aimFrom: given.min }, widths),
        working: [say`${fine(given.min)} at least, as given`],
      };
    case 'nominal': {
      const { value, plusMinus } = given;
      const [from, to] = [value - plusMinus, value + plusMinus];
      return {
        limits: { least: from, aimFrom: from, aimTo: to, most: to, mostHard: false },
        working: [say`${fine(value)} ± ${fine(plusMinus)}, as given: ${fine(from)} to ${fine(to)}`],
      };
    }
    case 'factor': {
      if (!bore) return null;
      const product = fromFactor(given.factor, bore, widths);
      return { limits: widened(product, widths), working: [product.line] };
    }
    case 'factors': {
      if (!bore) return null;
      const { least, aimFrom, line } = fromFactor(given.least, bore, widths);
      const most = Math.round(bore.nm * given.most);
      return {
        limits: { least, aimFrom: Math.min(aimFrom, most), aimTo: most, most, mostHard: given.hardTop },
        working: [line, say`at most ${size(bore.nm)} × ${given.most} = ${raw(most)}`],
      };
    }
  }
}

function fromPaper(given: Given, rank: Entered, bore: TargetBore | null, widths: Widths): Candidate | null {
  const found = limitsOf(given, bore, widths);
  return found && { rank, standing: STANDINGS[rank], from: given.from, ...found.limits, working: found.working };
}

export interface TargetAsk {
  /** Null while no bore is planned or measured: then only figures that no factor enters into can stand. */
  bore: TargetBore | null;
  chart: Chart;
  /** Row and column of the chart, by id; null when not said. */
  duty: string | null;
  /** The heat load, where the row is what stands at it. */
  load: number | null;
  /** Clearances of a diesel are on no curve. */
  isDiesel: boolean;
  /** What to ask for while the row is not known, as a sentence. */
  dutyAsk: string;
  /** Why the chart gives no gap, as a sentence; empty where it does. */
  gapAsk: string;
  construction: string | null;
  surface: Surface | null;
  choices: TargetChoices;
}

const NO_BORE = 'Give the planned bore on the job card, or read the bore: the target is worked from it.';

/** All candidates by rank, the one in force first; or what to ask for when there is none. */
function settled(
  papers: Papers,
  bore: TargetBore | null,
  widths: Widths,
  below: Candidate | string,
  why: Saying[] = [],
): Target {
  const chart = typeof below === 'string' ? [] : [below];
  const entered = (rank: Entered): Candidate[] => {
    const given = rank === 'own' ? papers.own?.given : papers[rank];
    const candidate = given ? fromPaper(given, rank, bore, widths) : null;
    return candidate ? [candidate] : [];
  };
  const [papered, own] = [[...entered('sheet'), ...entered('manual'), ...chart], entered('own')];
  const [inForce, ...outranked] = papers.own?.over ? [...own, ...papered] : [...papered, ...own];
  if (inForce) return { set: true, inForce, outranked, why };
  return { set: false, ask: typeof below === 'string' ? below : NO_BORE };
}

/** The figure of a chart in a row or at its heat load. Of a diesel no curve has clearances: its pistons are fitted otherwise. */
function figureIn(
  chart: Chart,
  row: ChartRow,
  column: string,
  figure: ChartFigure,
  isDiesel: boolean,
): ChartCell | null {
  if (row.load === null) return cellOf(chart, row.id, column, figure);
  if (isDiesel && (figure === 'clearance' || figure === 'clearancePlated')) return null;
  return figureAtLoad(chart, row.load, column, figure);
}

interface Cells {
  /** Row, column and chart in words. */
  from: string;
  of: (figure: ChartFigure) => ChartCell | null;
}

/** The chart's cells for an ask, or what has to be said first. */
function cellsFor(
  { bore, chart, duty, load, dutyAsk, construction, isDiesel }: TargetAsk,
  what: string,
): Cells | string {
  if (construction === null)
    return `Say how the piston is made: ${what} depends on it. Or enter the figure from the sheet.`;
  if (duty === null)
    return /enter the figure/.test(dutyAsk)
      ? dutyAsk
      : `${dutyAsk.replace(/\.$/, '')}: ${what} depends on it. Or enter the figure from the sheet.`;
  const column = columnOf(chart, construction);
  const row = load === null ? rowOf(chart, duty) : rowAtLoad(chart, load);
  if (!column)
    return `${chart.name} has no column for the piston on the job card (“${construction}”). Choose one it has, or enter the figure from the sheet.`;
  if (!row)
    return `${chart.name} has no row for the duty on the job card (“${duty}”). Choose one it has, or enter the figure from the sheet.`;
  if (!bore) return NO_BORE;
  const from = `${chart.name}, version ${chart.version}: ${row.words}, ${column.words}`;
  return { from, of: (figure) => figureIn(chart, row, column.id, figure, isDiesel) };
}

const noFigure = (from: string, what: string): string =>
  `The chart offers no ${what} (${from}). Enter the figure from the sheet packed with the rings or pistons.`;

type Width = 'gapWindow' | 'gapLimit' | 'clearanceWindow' | 'clearanceLimit';

/**
 * A width on a bore: as it was set; where it was left as it starts, with the bore if that is no usual one, in whole steps,
 * and by a chart of curves never under one step.
 */
function widthOn(choices: TargetChoices, width: Width, { bore, chart }: TargetAsk, step: Nm): Nm {
  const chosen = choices[width];
  const isStarting = chosen === STARTING_WIDTHS.imperial[width] || chosen === STARTING_WIDTHS.metric[width];
  if (!isStarting) return chosen;
  const scale = bore ? scaleOf(bore.nm) : 1;
  const scaled = scale === 1 ? chosen : roundUpTo(Math.round(chosen * scale), step);
  return chart.kind === 'curve' ? Math.max(scaled, step) : scaled;
}

const gapWidths = (ask: TargetAsk): Widths => ({
  step: ask.choices.feelerStep,
  window: widthOn(ask.choices, 'gapWindow', ask, ask.choices.feelerStep),
  limit: widthOn(ask.choices, 'gapLimit', ask, ask.choices.feelerStep),
});

const confirmedWords = ({ sheet, by, at }: Confirmation): string =>
  `confirmed against ${sheet} by ${by || 'no initials'} on ${at.slice(0, 10)}`;

function standingOf(cell: ChartCell): Standing {
  if (cell.confirmed) return 'confirmed against a sheet';
  return cell.source === FROM_MEMORY ? 'from memory, not confirmed' : 'not confirmed';
}

/** What the standing does not say already. */
function sourceWords(cell: ChartCell): string {
  if (cell.confirmed) return ` (${confirmedWords(cell.confirmed)})`;
  return cell.source === FROM_MEMORY ? '' : ` (source: ${cell.source || 'none given'})`;
}

function chartCandidate(
  cell: ChartCell,
  product: Pick<Limits, 'least' | 'aimFrom'>,
  widths: Widths,
  from: string,
  working: Saying[],
): Candidate {
  return {
    rank: 'chart',
    standing: standingOf(cell),
    from: `${from}${sourceWords(cell)}`,
    ...widened(product, widths),
    working,
  };
}

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
  return settled(choices.gaps.top, bore, widths, below());
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
 * Target of the second ring's end gap. First school: worked from the top ring where that was chosen; else its own larger factor, or where the chart has none
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
  const second = settled(choices.gaps.second, bore, widths, below(), why);
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
export function notUnder(second: Target, least: Nm, why: Saying): Target {
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
  const target = settled(papers, bore, gapWidths(ask), rule, [
    say`Rails are checked, seldom filed: they are thin, run cool in oil, and only must not butt.`,
  ]);
  return target.set
    ? { ...target, inForce: unbounded(target.inForce), outranked: target.outranked.map(unbounded) }
    : target;
}

const PLATED_NO_FIGURE =
  'plated bores need less, but the chart has no figure for one: the iron bore’s is kept, the looser of the two';

/**
 * Target of the piston-to-wall clearance: factor × bore, unless the piston's sheet or the manual gives it.
 * Factors from memory: `chart.ts`.
 */
export function clearanceTarget(ask: TargetAsk): Target {
  const { bore, choices, surface } = ask;
  const widths: Widths = {
    step: NO_STEP,
    window: widthOn(choices, 'clearanceWindow', ask, NO_STEP),
    limit: widthOn(choices, 'clearanceLimit', ask, NO_STEP),
  };
  const cells = cellsFor(ask, 'the clearance');
  const below = (): Candidate | string => {
    if (typeof cells === 'string' || !bore) return typeof cells === 'string' ? cells : NO_BORE;
    const plated = surface === 'plated' ? cells.of('clearancePlated') : null;
    const cell = plated ?? cells.of('clearance');
    if (!cell) return noFigure(cells.from, 'clearance');
    const product = fromFactor(cell.factor, bore, widths);
    const lines = surface === 'plated' && !plated ? [product.line, say`${PLATED_NO_FIGURE}`] : [product.line];
    return chartCandidate(cell, product, widths, `${cells.from}, ${plated ? 'plated bore' : 'iron bore'}`, lines);
  };
  const why = [
    say`Aluminium grows more with heat than the bore does. Low-silicon forgings grow most; boost and long full load add heat. Plated aluminium bores grow with the piston and need less.`,
  ];
  return settled(choices.clearance, bore, widths, below(), why);
}

/** What an acceptance of a figure is given for: the figure, and the limit that its verdict stands against. */
export function heldAt(state: string, figure: Nm, target: Target): Held | null {
  if (!target.set) return null;
  const { least, most } = target.inForce;
  if (state !== 'over') return { figure, limit: least, side: 'least' };
  return most === null ? null : { figure, limit: most, side: 'most' };
}

/** A target moved up by a cylinder's allowance: minimum, aim and most alike. Common practice, no source. */
export function loosened(target: Target, by: Nm, reason: string): Target {
  if (!target.set || by === 0) return target;
  const moved = (c: Candidate): Candidate => ({
    ...c,
    least: c.least + by,
    aimFrom: c.aimFrom + by,
    aimTo: c.aimTo === null ? null : c.aimTo + by,
    most: c.most === null ? null : c.most + by,
    working: [
      ...c.working,
      say`allowance of this cylinder + ${fine(by)}${reason ? ` (${reason})` : ''} → ${fine(c.aimFrom + by)}`,
    ],
  });
  return { ...target, inForce: moved(target.inForce), outranked: target.outranked.map(moved) };
}
