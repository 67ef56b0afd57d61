/** How a shop puts an engine together: its habits, of which none is scolded. */
import type { MilliNm } from '../../foundation/quantity/torque';

export interface WalkChoices {
  /** The whole walk, or the six checks at the block alone. */
  asks: 'whole' | 'checks';
  /** Which list of steps: 1 as builds had it before oiling, the first clip, the rag and caps run down were steps. */
  edition: 1 | 2;
  /** Shells in before the piston goes in, or after. */
  shells: 'before' | 'after';
  /** Rod bolts tightened as each goes in, or all at the end. */
  tighten: 'each' | 'end';
  /** The crank turned after each piston, or after the second of a pair on one throw. */
  turn: 'each' | 'pair';
  /** One cylinder all through before the next; or all hung, then the rings of all, then all in. */
  route: 'cylinder' | 'phase';
  /** What holds the pin: how many of them in one piston, none for a pressed pin, and where a clip's own gap is to stand. */
  clips: { kind: 'wire' | 'spiral'; count: 0 | 2 | 4; gaps: 'down' | 'clear' };
  /** What stands out of the rod as it goes down: bolts, studs, or nothing where screws go in from below. */
  fasteners: 'bolts' | 'studs' | 'screws';
  /** What closes the rings: a tapered sleeve, a band, a spring; or the barrel is lowered over the piston. */
  way: 'sleeve' | 'band' | 'spring' | 'barrel';
  /**
   * What bores are oiled with, what goes on bearings and pins, on threads, on rings and skirts, and what protects an
   * engine that stands; empty where nobody says.
   */
  oils: { bore: string; bearings: string; threads: string; rings: string; standing: string };
  /** Whether the engine will stand for a while before it runs. */
  stands: boolean;
  /** Whether rod shells differ by side: an offset edge for the crank's fillet, or a hole for one side of the rod. */
  sidedShells: boolean;
  /** The most that the crank may take to turn, alone and with pistons in; null where nobody says. */
  turnMost: { crank: MilliNm | null; all: MilliNm | null };
  /** Where the throws stand, in degrees clockwise from the front, the first at 0; null for what is usual. */
  throws: number[] | null;
  /** What an order saves first. */
  saves: 'stand' | 'crank';
  /** Whether the crank may be turned backwards. */
  bothWays: boolean;
}

/** What builds are asked for from before there was a walk. */
export const STARTING_WALK: WalkChoices = {
  asks: 'checks',
  edition: 1,
  shells: 'before',
  tighten: 'end',
  turn: 'each',
  route: 'cylinder',
  clips: { kind: 'wire', count: 2, gaps: 'down' },
  fasteners: 'bolts',
  way: 'sleeve',
  oils: { bore: '', bearings: '', threads: '', rings: '', standing: '' },
  stands: false,
  sidedShells: false,
  turnMost: { crank: null, all: null },
  throws: null,
  saves: 'stand',
  bothWays: false,
};

/** What a new build begins with: the whole walk. */
export const WHOLE_WALK: WalkChoices = { ...STARTING_WALK, asks: 'whole', edition: 2 };
