/** What is done at the bench that gives no length: parts weighed, fasteners tightened, the crank turned with a wrench. */
import type { Mg } from '../foundation/quantity/mass';
import type { MilliNm } from '../foundation/quantity/torque';
import type { Nm } from '../foundation/quantity/length';
import type { Stamp } from './reading';

/** What is weighed of each number: on a hanger the two ends of a rod, each for itself. */
export const WEIGHED_PARTS = ['piston', 'pin', 'clips', 'rings', 'smallEnd', 'bigEnd'] as const;
export type WeighedPart = (typeof WEIGHED_PARTS)[number];

/** A part on the scale. */
export interface WeighedEntry extends Stamp {
  kind: 'weighed';
  part: WeighedPart;
  /** The number of the part, as the cylinder that it came with. */
  cylinder: string;
  value: Mg;
  typed: string;
}

/** When the crank was turned: once it lies alone, after a piston, or with all in. */
export const TURNED_AFTER = ['crank', 'piston', 'all'] as const;

/** The crank turned with a wrench that shows what it takes. */
export interface TurnedEntry extends Stamp {
  kind: 'turned';
  after: (typeof TURNED_AFTER)[number];
  /** The cylinder whose piston went in last; the block for the other two. */
  cylinder: string;
  /** How many pistons went in since it was turned last: two where it is turned after each pair. */
  pistons: number;
  /** What keeps it turning. */
  value: MilliNm;
  /** What it takes to start; null where nobody looked. */
  starts: MilliNm | null;
  typed: string;
}

/**
 * What was done to a fastener: its length before it goes in; a step of its figure; the angle; its stretch, read at a
 * torque; the second round; and of a group, the wrench set back to its lowest.
 */
export const TIGHTENINGS = ['free', 'step', 'angle', 'stretch', 'second', 'back'] as const;
export type Tightening = (typeof TIGHTENINGS)[number];

/** A fastener tightened, by hand and by figure. */
export interface TightenedEntry extends Stamp {
  kind: 'tightened';
  /** The group it belongs to, see `FastenerGroup`. */
  group: string;
  /** The rod's cylinder; the block for all that is no rod's. */
  cylinder: string;
  /** Which of the group there, from 1; 0 for the group as such. */
  fastener: number;
  what: Tightening;
  torque: MilliNm | null;
  /** Degrees, of an angle. */
  angle: number | null;
  /** Of a length and of a stretch. */
  length: Nm | null;
  typed: string;
}

export type BenchEntry = WeighedEntry | TurnedEntry | TightenedEntry;

/** One that was not struck out, and how often parts of its place had been machined or replaced before. */
export interface Benched<E extends BenchEntry = BenchEntry> {
  entry: E;
  renewed: number;
}
