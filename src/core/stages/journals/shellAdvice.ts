/** Which shells to buy: the bottom end as measured, the shells there are, and what comes of them. */
import type { Nm } from '../../foundation/quantity/length';
import { type ClearanceState, clearanceVerdict } from '../../models/clearance/clearance';
import { type Component, sumOf, rectangular } from '../../foundation/uncertainty/combine';
import { type Strictness, leastRight } from '../../foundation/verdict/decide';
import { type BearingKind, type FittedShells, type ShellChoices, type ShellStock, KINDS, givenBy } from './choices';
import { fittedAt } from './fittedShells';
import type { All, JudgedBearing } from './types';
import { type Fitted, type ShellBounds, type ShellPlan, fewestShells, nearestShells, shellsInOrder } from './shells';

/** A bearing as the search sees it. */
export interface AskedBearing {
  id: string;
  words: string;
  now: Nm;
  /** With two standard halves in it. */
  standard: Nm;
  least: Nm;
  /** The size of its journal where it is thinnest; null where it was not read. */
  journal: Nm | null;
}

/** All that is known of one kind. */
export interface AskedKind {
  kind: BearingKind;
  bearings: AskedBearing[];
  /** The grades for its journals as they are. */
  grades: { id: string; gives: Nm }[];
  bounds: ShellBounds;
  /** Undersizes that shells are had for, smallest first, beyond the one it has. */
  unders: Nm[];
  /** The one it has. */
  under: Nm;
}

export interface ShellAsk {
  kinds: AskedKind[];
  /** No main looser than any rod. */
  inOrder: boolean;
}

/** What all journals of a kind would be ground to, and the shells that go with it. */
export interface Grinding {
  /** Shells for journals this much under. */
  under: Nm;
  /** One size for all that brings every bearing in with two standard halves; the aim between. */
  from: Nm;
  aim: Nm;
  to: Nm;
}

export interface KindAdvice {
  kind: BearingKind;
  /** Each by itself. */
  nearest: ShellPlan;
  /** All together. */
  together: ShellPlan;
  /** What to grind to, where no shells bring all in; null where some do, or no undersize does either. */
  grinding: Grinding | null;
}

export interface ShellAdvice {
  kinds: KindAdvice[];
  /** Whether mains are no looser than rods, where that was asked; null where it was not, or one kind is missing. */
  isInOrder: boolean | null;
}

function givesOf(stock: readonly ShellStock[], id: string): Nm {
  const grade = stock.find((s) => s.id === id);
  return grade ? givenBy(grade) : 0;
}

/** The undersize that the shells of a kind are for, by those that are in. */
function underOf(stock: readonly ShellStock[], fitted: readonly FittedShells[]): Nm {
  const [first] = fitted;
  return first ? (stock.find((s) => s.id === first.upper)?.under ?? 0) : 0;
}

/** What a bearing's own figures leave in doubt, as its verdict was decided with: their ends, and what lies between those. */
const doubtOf = ({ clearance: { uncertainty, low, high } }: JudgedBearing): Component =>
  sumOf([uncertainty / 2, rectangular((high - low) / 2)].map((standard) => ({ standard, freedom: Infinity })));

function askedKind(
  kind: BearingKind,
  bearings: readonly JudgedBearing[],
  shells: ShellChoices,
  { sure, clearanceGrace: grace }: Strictness,
): AskedKind[] {
  const stock = shells.stock[kind];
  const under = underOf(
    stock,
    bearings.flatMap((b) => shells.fitted.find((f) => f.place === b.id) ?? []),
  );
  const asked = bearings.flatMap((b): AskedBearing[] => {
    const { value, target } = b.clearance;
    if (value === null || !target.set) return [];
    const { upper, lower } = fittedAt(shells, b.id);
    return [
      {
        id: b.id,
        words: b.words,
        now: value,
        standard: value - givesOf(stock, upper) - givesOf(stock, lower),
        least: Math.ceil(leastRight({ least: target.inForce.least, grace }, doubtOf(b), sure)),
        journal: b.journal.least,
      },
    ];
  });
  const target = bearings.find((b) => b.clearance.target.set)?.clearance.target;
  if (asked.length === 0 || !target?.set) return [];
  const { aimFrom, aimTo, most } = target.inForce;
  return [
    {
      kind,
      bearings: asked,
      grades: stock.filter((s) => s.under === under).map((s) => ({ id: s.id, gives: givenBy(s) })),
      bounds: {
        aim: Math.round((aimFrom + (aimTo ?? aimFrom)) / 2),
        most: most ?? Infinity,
        apart: shells.apart,
        prefer: shells.prefer,
      },
      unders: [...new Set(stock.map((s) => s.under).filter((u) => u > under))].sort((a, b) => a - b),
      under,
    },
  ];
}

/**
 * What the search for shells is asked: the bearings whose clearance is read and has limits.
 *
 * @example shellAsk(demo).kinds.map((k) => k.kind) // [ 'main', 'rod' ]
 */
export function shellAsk({ mains, rods, choices }: All): ShellAsk {
  const of = { main: mains, rod: rods };
  const kinds = KINDS.flatMap((kind) => askedKind(kind, of[kind], choices.shells, choices.deciding));
  return { kinds, inOrder: choices.journals.mainsNoLooser && kinds.length === 2 };
}

/**
 * What to grind all journals of a kind to so that shells of the next undersize that can do it bring every bearing in:
 * a housing with such shells is that much smaller. Null where no undersize that is had does, or the journals were not read.
 */
export function grindingOf({ bearings, bounds, unders, under }: AskedKind): Grinding | null {
  const journals = bearings.flatMap((b) => (b.journal === null ? [] : [{ ...b, journal: b.journal }]));
  if (journals.length < bearings.length) return null;
  for (const next of unders) {
    // the housing with two standard halves of that undersize, by what it has now
    const housings = journals.map((b) => ({ ...b, housing: b.journal + b.standard - (next - under) }));
    const from = Math.max(...housings.map((h) => h.housing - bounds.most));
    const to = Math.min(...housings.map((h) => h.housing - h.least));
    const cleans = Math.min(...journals.map((b) => b.journal));
    const top = Math.min(to, cleans);
    if (from > top) continue;
    const middle = housings.reduce((sum, h) => sum + h.housing - bounds.aim, 0) / housings.length;
    return { under: next, from: Math.max(0, from), aim: Math.round(Math.min(top, Math.max(from, middle))), to: top };
  }
  return null;
}

const needsGrinding = ({ out }: ShellPlan): boolean => out > 0;

/**
 * Which shells bring the bearings in: each by itself, and all together.
 *
 * @example shellAdvice(shellAsk(demo)).kinds.map((k) => k.kind) // [ 'main', 'rod' ]
 */
export function shellAdvice({ kinds, inOrder }: ShellAsk): ShellAdvice {
  const alone = kinds.flatMap((kind): KindAdvice[] => {
    const nearest = nearestShells(kind.bearings, kind.grades, kind.bounds);
    const together = fewestShells(kind.bearings, kind.grades, kind.bounds);
    return together
      ? [{ kind: kind.kind, nearest, together, grinding: needsGrinding(together) ? grindingOf(kind) : null }]
      : [];
  });
  const [mains, rods] = kinds.map(({ bearings: journals, grades, bounds }) => ({ journals, grades, bounds }));
  const ordered = inOrder && mains && rods ? shellsInOrder(mains, rods) : null;
  if (!ordered) return { kinds: alone, isInOrder: inOrder ? false : null };
  return {
    kinds: alone.map((a) => ({ ...a, together: a.kind === 'main' ? ordered.mains : ordered.rods })),
    isInOrder: true,
  };
}

/**
 * The verdict that a bearing would have with another clearance, known as well as its own is now.
 */
export const verdictWith = (bearing: JudgedBearing, clearance: Nm, strictness: Strictness): ClearanceState =>
  clearanceVerdict(clearance, bearing.clearance.target, doubtOf(bearing), strictness).state;

/** Halves of one grade: what is needed, what there is, and what has to be bought. */
export interface ToBuy {
  grade: ShellStock;
  halves: number;
  /** In these bearings already, and in the drawer. */
  there: number;
  /** Packets of two halves. */
  pairs: number;
  price: number | null;
}

/** The halves of each bearing by side: the thinner one of an odd pair on one side in all. */
export const sided = (plan: ShellPlan, thinner: ShellChoices['thinner']): FittedShells[] =>
  plan.fitted.map(({ journal, halves: [thick, thin] }: Fitted) => ({
    place: journal,
    upper: thinner === 'upper' ? thin : thick,
    lower: thinner === 'upper' ? thick : thin,
  }));

/**
 * What has to be bought for a plan: shells are sold in pairs, and what is in already can be used again.
 *
 * @example
 *   toBuy([{ place: 'M1', upper: 'less', lower: 'less' }, { place: 'M2', upper: 'less', lower: 'std' }],
 *   demo.choices.shells, 'main').map(({ grade, halves, pairs }) => [grade.id, halves, pairs])
 *   // [['less', 3, 2], ['std', 1, 0]]
 */
export function toBuy(planned: readonly FittedShells[], shells: ShellChoices, kind: BearingKind): ToBuy[] {
  const count = (all: readonly FittedShells[], id: string): number =>
    all.reduce((n, f) => n + Number(f.upper === id) + Number(f.lower === id), 0);
  const now = planned.map((f) => fittedAt(shells, f.place));
  return shells.stock[kind].flatMap((grade): ToBuy[] => {
    const halves = count(planned, grade.id);
    if (halves === 0) return [];
    const there = Math.min(halves, count(now, grade.id) + (grade.drawer ?? 0));
    const pairs = Math.ceil((halves - there) / 2);
    return [{ grade, halves, there, pairs, price: grade.price === null ? null : grade.price * pairs }];
  });
}
