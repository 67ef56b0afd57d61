/** A figure of a paper or a chart as limits: factor × bore, up to the next step, with the widths of the aim. */
import type { Surface } from '../../foundation/parts/materials';
import { type Nm, roundUpTo } from '../../foundation/quantity/length';
import { type Message, size, say, raw, fine } from '../../foundation/quantity/message';
import {
  type ChartRow,
  type ChartFigure,
  type ChartCell,
  type Confirmation,
  type Chart,
  cellOf,
  rowOf,
  columnOf,
  FROM_MEMORY,
} from '../charts/chart';
import { figureAtLoad, rowAtLoad } from '../charts/curve';
import { type Given, type Papers, type TargetChoices, STARTING_WIDTHS } from './papers';
import type { Candidate, Limits, Standing, Target, TargetBore } from './target';

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
export const NO_BORE = 'Give the planned bore on the job card, or read the bore: the target is worked from it.';

/** The bores that fixed figures of the trade are for: rails, windows. Under and over them they go with the bore. From memory. */
export const USUAL_BORES = { from: 75_000_000, to: 115_000_000 };

/** What a figure that is meant for usual bores is multiplied by on one of another size. */
export const scaleOf = (bore: Nm): number =>
  bore < USUAL_BORES.from ? bore / USUAL_BORES.from : bore > USUAL_BORES.to ? bore / USUAL_BORES.to : 1;

/** Widths from a minimum: to the end of the aim window, to the upper limit, and the step it goes up to. */
export interface Widths {
  step: Nm;
  window: Nm;
  limit: Nm;
}
const boreWords = (bore: TargetBore): string => `${bore.from} bore`;

/** A product and the step above it: the hard minimum, and where the aim begins. */
interface Product {
  least: Nm;
  aimFrom: Nm;
  line: Message;
}

/** A factor times the bore: the figure in nm, with the calculation shown. */
export function fromFactor(factor: number, bore: TargetBore, widths: Widths): Product {
  const least = Math.round(bore.nm * factor);
  const aimFrom = roundUpTo(least, widths.step);
  return {
    least,
    aimFrom,
    line: say`${boreWords(bore)} ${size(bore.nm)} × ${factor} = ${raw(least)}${widths.step === NO_STEP ? '' : say`, up to the next step → ${fine(aimFrom)}`}`,
  };
}

/** The aim's end and the most, from where the aim begins. */
export const widened = ({ least, aimFrom }: Pick<Limits, 'least' | 'aimFrom'>, { window, limit }: Widths): Limits => ({
  least,
  aimFrom,
  aimTo: aimFrom + window,
  most: aimFrom + limit,
  mostHard: false,
});
type Entered = 'sheet' | 'manual' | 'own';
const STANDINGS: Record<Entered, Standing> = {
  sheet: 'from a sheet',
  manual: 'from a manual',
  own: 'the builder’s own figure',
};
const rangeLine = (least: Nm, most: Nm, hard: boolean): Message =>
  say`${fine(least)} to ${fine(most)}, as given${hard ? say`; the upper end is as hard as the lower` : ''}`;

/** What a figure from paper comes to; null for a factor without a bore. */
export function limitsOf(
  given: Given,
  bore: TargetBore | null,
  widths: Widths,
): { limits: Limits; working: Message[] } | null {
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

/** All candidates by rank, the one in force first; or what to ask for when there is none. */
export function resolveTarget(
  papers: Papers,
  bore: TargetBore | null,
  widths: Widths,
  below: Candidate | string,
  why: Message[] = [],
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
export function cellsFor(
  { bore, chart, duty, load, dutyAsk, construction, isDiesel }: TargetAsk,
  what: string,
): Cells | string {
  if (construction === null) return `Set the piston type: ${what} depends on it. Or enter the figure from the sheet.`;
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

/** What is said where a chart has no figure. */
export const noFigure = (from: string, what: string): string =>
  `The chart offers no ${what} (${from}). Enter the figure from the sheet packed with the rings or pistons.`;
export type Width = 'gapWindow' | 'gapLimit' | 'clearanceWindow' | 'clearanceLimit';

/**
 * A width on a bore: as it was set; where it was left as it starts, with the bore if that is no usual one, in whole steps,
 * and by a chart of curves never under one step.
 */
export function widthOn(choices: TargetChoices, width: Width, { bore, chart }: TargetAsk, step: Nm): Nm {
  const chosen = choices[width];
  const isStarting = chosen === STARTING_WIDTHS.imperial[width] || chosen === STARTING_WIDTHS.metric[width];
  if (!isStarting) return chosen;
  const scale = bore ? scaleOf(bore.nm) : 1;
  const scaled = scale === 1 ? chosen : roundUpTo(Math.round(chosen * scale), step);
  return chart.kind === 'curve' ? Math.max(scaled, step) : scaled;
}

/** Clearances are read to the last digit, not in steps: a product stands as it is, whatever the shop's units. */
export const NO_STEP: Nm = 1;
const confirmedWords = ({ sheet, by, at }: Confirmation): string =>
  `confirmed against ${sheet} by ${by || 'no initials'} on ${at.slice(0, 10)}`;

/** How far a figure of a chart is to be trusted. */
export function standingOf(cell: ChartCell): Standing {
  if (cell.confirmed) return 'confirmed against a sheet';
  return cell.source === FROM_MEMORY ? 'from memory, not confirmed' : 'not confirmed';
}

/** What the standing does not say already. */
function sourceWords(cell: ChartCell): string {
  if (cell.confirmed) return ` (${confirmedWords(cell.confirmed)})`;
  return cell.source === FROM_MEMORY ? '' : ` (source: ${cell.source || 'none given'})`;
}

/** The figure that a chart offers, as one rung of the order of authority. */
export function chartCandidate(
  cell: ChartCell,
  product: Pick<Limits, 'least' | 'aimFrom'>,
  widths: Widths,
  from: string,
  working: Message[],
): Candidate {
  return {
    rank: 'chart',
    standing: standingOf(cell),
    from: `${from}${sourceWords(cell)}`,
    ...widened(product, widths),
    working,
  };
}
