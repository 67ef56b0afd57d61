/** What is chosen of the bottom end: how bearings are read, what they are to be, and the shells there are. */
import type { HousingMetal, RodMetal } from '../../models/heat/metals';
import { type SizeLimits, NO_SIZES } from '../../foundation/quantity/sizeLimits';
import type { Nm, Units } from '../../foundation/quantity/length';

/** What a figure may be, by the manual. Nothing is taken until someone says it. */
export interface GivenLimits {
  least: Nm | null;
  /** Where to aim inside; null for the whole. */
  aim: { from: Nm; to: Nm } | null;
  most: Nm | null;
  /** Where it comes from. */
  source: string;
}

/** Of mains, or of rods. */
export interface BearingChoices {
  clearance: GivenLimits;
  /** What the journals measure as made; null where nobody says. */
  nominal: Nm | null;
  /** What the journals may measure. */
  sizes: SizeLimits;
  /** What the caps are tightened to, and with what on the threads. */
  tightened: string;
}

/** How clearance is found: housing with its shells in; bare housing and shells apart; or a crushed thread alone. */
export const METHODS = ['with shells', 'apart', 'thread'] as const;
export type Method = (typeof METHODS)[number];

export const KINDS = ['main', 'rod'] as const;
export type BearingKind = (typeof KINDS)[number];

/** A clearance of the engine that has no place of its own elsewhere. */
export interface OtherClearance {
  /** Its place, `X1` and on: a reading stays with it. */
  id: string;
  words: string;
  limits: GivenLimits;
}

/** What housings are made of; null where nobody says: a block as its bores are, a cap as its block. */
export interface BearingMetals {
  housing: HousingMetal | null;
  cap: HousingMetal | null;
  rod: RodMetal;
}

export interface JournalChoices {
  /** How many mains there are; null for one at each end of each throw. */
  mains: number | null;
  /** The main that takes the thrust, counted from the front; null where nobody says. */
  thrust: number | null;
  /** How wide the journals are; null where nobody says. */
  widths: Record<BearingKind, Nm | null>;
  method: Method;
  /** Places along a journal, and directions across it, that are read. */
  ends: 1 | 2;
  directions: 1 | 2;
  /** All journals and then all housings, or one bearing after the other. */
  route: 'byKind' | 'byBearing';
  bearings: Record<BearingKind, BearingChoices>;
  /** The most a journal may be out of round, and tapered; null where nobody says. */
  form: { outOfRound: Nm | null; taper: Nm | null };
  /** The most that clearances of one kind may lie apart; null where nobody says. */
  spread: Nm | null;
  /** No main is to be looser than any rod. */
  mainsNoLooser: boolean;
  endPlay: GivenLimits;
  side: GivenLimits;
  smallEnd: GivenLimits;
  /** What is on the route besides clearances, and whether what is looked at counts. */
  asks: { endPlay: boolean; side: boolean; smallEnd: boolean; looks: boolean };
  /** Clearances of the engine that the builder named: pump gears, cam bores. */
  others: OtherClearance[];
  /** What block, main caps and rods are made of. */
  metals: BearingMetals;
  /** Side clearance is read between the two rods of a throw, or of each rod. */
  sidePer: 'rod' | 'throw';
}

/** Nobody said anything. */
export const NO_LIMITS: GivenLimits = { least: null, aim: null, most: null, source: '' };
const NO_BEARING: BearingChoices = { clearance: NO_LIMITS, nominal: null, sizes: NO_SIZES, tightened: '' };

export const STARTING_JOURNALS: JournalChoices = {
  mains: null,
  thrust: null,
  widths: { main: null, rod: null },
  method: 'with shells',
  ends: 2,
  directions: 2,
  route: 'byKind',
  bearings: { main: NO_BEARING, rod: NO_BEARING },
  form: { outOfRound: null, taper: null },
  spread: null,
  mainsNoLooser: true,
  endPlay: NO_LIMITS,
  side: NO_LIMITS,
  smallEnd: NO_LIMITS,
  asks: { endPlay: true, side: true, smallEnd: false, looks: true },
  others: [],
  sidePer: 'rod',
  metals: { housing: null, cap: null, rod: 'steel' },
};

/** A grade of half shells that can be had. */
export interface ShellStock {
  id: string;
  name: string;
  /** What one half of it gives over a standard half of the same undersize; negative for a thicker one. */
  gives: Nm;
  /** Thickness of a coating on the face of one half: it takes so much of what the half gives. */
  coat: Nm;
  /** For journals ground this much under; 0 for standard. */
  under: Nm;
  /** Price of a pair in the shop's money; null where nobody says. */
  price: number | null;
  /** Halves in the drawer; null where they are bought as needed. */
  drawer: number | null;
}

/** What one half gives over a standard half, its coating taken off. */
export const givenBy = ({ gives, coat }: Pick<ShellStock, 'gives' | 'coat'>): Nm => gives - coat;

/** Two halves of one bearing: the one in block or rod, and the one in the cap, by grade. */
export interface FittedShells {
  place: string;
  upper: string;
  lower: string;
}

/** Halves that were decided on, and when they were ordered; null until they are. */
export interface PlannedShells extends FittedShells {
  ordered: { at: string; by: string } | null;
}

export interface ShellChoices {
  stock: Record<BearingKind, ShellStock[]>;
  /** How much the two halves of one housing may differ in what they give. */
  apart: Nm;
  /** Whether an even set or the nearest to the aim comes first. */
  prefer: 'even' | 'aim';
  /** Where the thinner half of an odd pair stands, in all alike. */
  thinner: 'upper' | 'lower';
  /** The halves that were in when bearings were read; two standard ones where nothing is said. */
  fitted: FittedShells[];
  /** What was decided on, and waits to be ordered or fitted. */
  planned: PlannedShells[];
}

/** A standard half, which every stock has. */
export const STANDARD = 'std';

const standard: ShellStock = { id: STANDARD, name: 'standard', gives: 0, coat: 0, under: 0, price: null, drawer: null };

/** Halves half a thou thinner and thicker, sold as a thou more and a thou less. Common practice, no source. */
const INCH_STOCK: ShellStock[] = [
  { ...standard, id: 'less', name: '−0.001 in', gives: -12_700 },
  standard,
  { ...standard, id: 'more', name: '+0.001 in', gives: 12_700 },
];

/** The same in a shop of millimetres: halves of a hundredth. From memory. */
const METRIC_STOCK: ShellStock[] = [
  { ...standard, id: 'less', name: '−0.02 mm', gives: -10_000 },
  standard,
  { ...standard, id: 'more', name: '+0.02 mm', gives: 10_000 },
];

/** The stock of shells before anybody enters one: a step less, standard, a step more. */
export const startingShells = (units: Units): ShellChoices => ({
  stock: units === 'metric' ? { main: METRIC_STOCK, rod: METRIC_STOCK } : { main: INCH_STOCK, rod: INCH_STOCK },
  apart: units === 'metric' ? 10_000 : 12_700,
  prefer: 'even',
  thinner: 'upper',
  fitted: [],
  planned: [],
});
