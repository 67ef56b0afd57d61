/**
 * Targets: what a gap or a clearance must be, where the figure comes from, and why.
 *
 * Order of trust, common practice: the sheet packed with the parts, then the engine's service manual,
 * then a chart. What ranks highest is in force; the others stay in sight.
 */
import { type Nm, roundUpTo } from '../quantity/length';
import { type Saying, fine, raw, say, size } from '../quantity/saying';
import { type Construction, type Duty, CONSTRUCTION_WORDS, DUTY_WORDS, OLD_RULE, clearanceFactor, gapFactors } from './chart';

/** A figure from a sheet or a manual, as such papers give it. */
export type Given =
  | { form: 'range'; min: Nm; max: Nm; from: string }
  | { form: 'minimum'; min: Nm; from: string }
  | { form: 'factor'; factor: number; from: string };

/** What the papers say of one figure. */
export interface Papers {
  sheet: Given | null;
  manual: Given | null;
}

/** Which school the second ring follows: larger than the top (the default), or equal or tighter. */
export type SecondSchool = 'larger' | 'equalOrTighter';

export type GapKind = 'top' | 'second' | 'rails';

/** The choices that set the targets of one build. */
export interface TargetChoices {
  secondSchool: SecondSchool;
  /** The feeler step that gap minimums go up to. */
  feelerStep: Nm;
  /** From the minimum to the end of the aim window, and to the upper limit. */
  gapWindow: Nm;
  gapLimit: Nm;
  clearanceWindow: Nm;
  clearanceLimit: Nm;
  gaps: Record<GapKind, Papers>;
  clearance: Papers;
}

export type Rank = 'sheet' | 'manual' | 'chart' | 'rule';

/** How sure a figure is. */
export type Standing = 'from a sheet' | 'from a manual' | 'common practice, no source' | 'from memory, not confirmed';

/** One candidate for a target, whether in force or outranked. */
export interface Candidate {
  rank: Rank;
  standing: Standing;
  /** Where it comes from, in words. */
  from: string;
  min: Nm;
  /** End of the aim window; null where only a minimum is asked. */
  aimTo: Nm | null;
  /** Upper limit; null where there is none. */
  limit: Nm | null;
  /** Formula with the numbers put in, a line each. */
  working: Saying[];
}

export type Target =
  | { set: true; inForce: Candidate; outranked: Candidate[]; why: Saying[] }
  | { set: false; ask: string };

/** The bore a target is worked from. */
export interface TargetBore {
  nm: Nm;
  measured: boolean;
}

/** Oil rails: a minimum whatever the bore, 0.015 in. Common practice, no source. */
export const RAIL_MINIMUM: Nm = 381_000;
/** The first school's least step from top to second: 2 thou. Common practice, no source. */
export const SECOND_OVER_TOP: Nm = 50_800;
/** Clearance minimums go up to 0.0001 in or 0.001 mm: the last digit a micrometer shows. */
export const CLEARANCE_STEP = { imperial: 2_540, metric: 1_000 };

export const SECOND_SCHOOL_REASON: Record<SecondSchool, string> = {
  larger:
    'Gas that passes the top ring must be able to leave past the second; trapped between them it lifts the top ring off its seat. So the second is gapped wider than the top.',
  equalOrTighter:
    'The second ring runs cooler than the top and grows less, so it needs no more gap. Older manuals and some plain rebuilds follow this.',
};

/** Starting choices, by the system the shop works in. Windows: common practice, no source. */
export function startingChoices(units: 'imperial' | 'metric'): TargetChoices {
  const none: Papers = { sheet: null, manual: null };
  const widths =
    units === 'imperial'
      ? { feelerStep: 25_400, gapWindow: 76_200, gapLimit: 127_000, clearanceWindow: 25_400, clearanceLimit: 50_800 }
      : { feelerStep: 10_000, gapWindow: 80_000, gapLimit: 130_000, clearanceWindow: 25_000, clearanceLimit: 50_000 };
  return { secondSchool: 'larger', ...widths, gaps: { top: none, second: none, rails: none }, clearance: none };
}

/** Widths from a minimum: to the end of the aim window, to the upper limit, and the step it goes up to. */
interface Widths {
  step: Nm;
  window: Nm;
  limit: Nm;
}

const boreWords = (bore: TargetBore): string => (bore.measured ? 'measured bore' : 'planned bore');

function fromFactor(factor: number, bore: TargetBore, widths: Widths): { min: Nm; line: Saying } {
  const product = Math.round(bore.nm * factor);
  const min = roundUpTo(product, widths.step);
  return { min, line: say`${boreWords(bore)} ${size(bore.nm)} × ${factor} = ${raw(product)}, up to the next step → ${fine(min)}` };
}

const STANDINGS: Record<'sheet' | 'manual', Standing> = { sheet: 'from a sheet', manual: 'from a manual' };

function fromPaper(given: Given, rank: 'sheet' | 'manual', bore: TargetBore, widths: Widths): Candidate {
  const head = { rank, standing: STANDINGS[rank], from: given.from };
  if (given.form === 'range')
    return { ...head, min: given.min, aimTo: given.max, limit: given.max, working: [say`${fine(given.min)} to ${fine(given.max)}, as given`] };
  const found =
    given.form === 'minimum' ? { min: given.min, line: say`${fine(given.min)} at least, as given` } : fromFactor(given.factor, bore, widths);
  return { ...head, min: found.min, aimTo: found.min + widths.window, limit: found.min + widths.limit, working: [found.line] };
}

/** The papers' figures, best first. */
function fromPapers(papers: Papers, bore: TargetBore, widths: Widths): Candidate[] {
  return (['sheet', 'manual'] as const).flatMap((rank) => {
    const given = papers[rank];
    return given ? [fromPaper(given, rank, bore, widths)] : [];
  });
}

function settled(candidates: Candidate[], ask: string, why: Saying[] = []): Target {
  const [inForce, ...outranked] = candidates;
  return inForce ? { set: true, inForce, outranked, why } : { set: false, ask };
}

export interface TargetAsk {
  bore: TargetBore;
  duty: Duty | null;
  construction: Construction | null;
  choices: TargetChoices;
}

/** What the chart needs and has not been told, as a sentence; null when it has all. */
function missing(duty: Duty | null, construction: Construction | null, what: string): string | null {
  if (construction === null) return `Say how the piston is made: ${what} depends on it. Or enter the figure from the sheet.`;
  if (duty === null) return `Say what the engine is for: ${what} depends on it. Or enter the figure from the sheet.`;
  return null;
}

function noFigure(duty: Duty, construction: Construction, what: string): string {
  return `The chart offers no ${what} for ${DUTY_WORDS[duty]} with a piston that is ${CONSTRUCTION_WORDS[construction]}. Enter the figure from the sheet packed with the rings or pistons.`;
}

const gapWidths = (choices: TargetChoices): Widths => ({ step: choices.feelerStep, window: choices.gapWindow, limit: choices.gapLimit });

function chartCandidate(min: Nm, widths: Widths, from: string, working: Saying[]): Candidate {
  return { rank: 'chart', standing: 'from memory, not confirmed', from, min, aimTo: min + widths.window, limit: min + widths.limit, working };
}

/**
 * Target of the top ring's end gap in one cylinder: factor × bore, rounded up to the next feeler step,
 * unless a sheet or manual gives it. Source of the rule: common practice; of the factors: `chart.ts`.
 */
export function topGapTarget({ bore, duty, construction, choices }: TargetAsk): Target {
  const widths = gapWidths(choices);
  const papers = fromPapers(choices.gaps.top, bore, widths);
  const lacking = missing(duty, construction, 'the gap');
  if (lacking || !duty || !construction) return settled(papers, lacking ?? '');
  const factors = gapFactors(duty, construction);
  if (!factors) return settled(papers, noFigure(duty, construction, 'top ring gap'));
  const { min, line } = fromFactor(factors.top, bore, widths);
  const chart = chartCandidate(min, widths, `starting chart: ${DUTY_WORDS[duty]}, ${CONSTRUCTION_WORDS[construction]}`, [line]);
  return settled([...papers, chart], '');
}

/** What the oldest rule (0.004 × bore, up to the next step) would say: shown beside what a high-ring piston needs. */
export const oldRuleGap = (bore: TargetBore, step: Nm): Nm => roundUpTo(Math.round(bore.nm * OLD_RULE), step);

/**
 * Target of the second ring's end gap. First school: its own larger factor, or where the chart has none
 * larger, the top ring's minimum + 2 thou. Second school: the top ring's own minimum, since no chart
 * figure is offered for a tighter one; a tighter one comes from a sheet or manual.
 */
export function secondGapTarget(ask: TargetAsk, top: Target): Target {
  const { bore, duty, construction, choices } = ask;
  const widths = gapWidths(choices);
  const papers = fromPapers(choices.gaps.second, bore, widths);
  const why = [say`${SECOND_SCHOOL_REASON[choices.secondSchool]}`];
  const lacking = missing(duty, construction, 'the gap');
  if (lacking || !duty || !construction) return settled(papers, lacking ?? '', why);
  const factors = gapFactors(duty, construction);
  if (!factors) return settled(papers, noFigure(duty, construction, 'second ring gap'), why);
  const own = fromFactor(factors.second, bore, widths);
  const from = `starting chart: ${DUTY_WORDS[duty]}, ${CONSTRUCTION_WORDS[construction]}`;
  if (choices.secondSchool === 'equalOrTighter') {
    const equal = top.set ? top.inForce.min : own.min;
    return settled([...papers, chartCandidate(equal, widths, `${from}; equal to the top ring`, [say`as the top ring: ${fine(equal)}`])], '', why);
  }
  const topMin = top.set ? top.inForce.min : 0;
  if (own.min > topMin) return settled([...papers, chartCandidate(own.min, widths, from, [own.line])], '', why);
  const raised = roundUpTo(topMin + SECOND_OVER_TOP, widths.step);
  const lines = [own.line, say`that is not wider than the top ring's ${fine(topMin)}; top + ${fine(SECOND_OVER_TOP)} → ${fine(raised)}`];
  return settled([...papers, chartCandidate(raised, widths, `${from}; raised over the top ring`, lines)], '', why);
}

/** Target of both oil rails: a minimum only, whatever the bore, unless a sheet or manual gives a range. */
export function railGapTarget({ bore, choices }: TargetAsk): Target {
  const rule: Candidate = {
    rank: 'rule',
    standing: 'common practice, no source',
    from: 'oil rails: a minimum whatever the bore',
    min: RAIL_MINIMUM,
    aimTo: null,
    limit: null,
    working: [say`${fine(RAIL_MINIMUM)} at least`],
  };
  const papers = fromPapers(choices.gaps.rails, bore, gapWidths(choices)).map((paper) =>
    choices.gaps.rails[paper.rank as 'sheet' | 'manual']?.form === 'range' ? paper : { ...paper, aimTo: null, limit: null },
  );
  return settled([...papers, rule], '', [say`Rails are checked, seldom filed: they are thin, run cool in oil, and only must not butt.`]);
}

/**
 * Target of the piston-to-wall clearance: factor × bore, rounded up to the last digit a micrometer
 * shows, unless the piston's sheet or the manual gives it. Factors from memory: `chart.ts`.
 */
export function clearanceTarget({ bore, duty, construction, choices }: TargetAsk, units: 'imperial' | 'metric'): Target {
  const widths: Widths = { step: CLEARANCE_STEP[units], window: choices.clearanceWindow, limit: choices.clearanceLimit };
  const papers = fromPapers(choices.clearance, bore, widths);
  const lacking = missing(duty, construction, 'the clearance');
  if (lacking || !duty || !construction) return settled(papers, lacking ?? '');
  const { min, line } = fromFactor(clearanceFactor(duty, construction), bore, widths);
  const why = [say`Aluminium grows more with heat than the bore does. Low-silicon forgings grow most; boost and long full load add heat.`];
  return settled([...papers, chartCandidate(min, widths, `starting chart: ${DUTY_WORDS[duty]}, ${CONSTRUCTION_WORDS[construction]}`, [line])], '', why);
}
