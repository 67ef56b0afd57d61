/**
 * The set of rings: what each ring is, how it is told from the others, which way up it goes, and whether it fits its
 * groove. Axial clearance of 0.001 to 0.002 in, and a ring that sinks under the land: common practice, no source.
 */
import type { HeatChoices } from '../../models/heat/assess';
import type { RingMetal } from '../../models/heat/metals';
import type { Nm } from '../../foundation/quantity/length';
import type { Apart } from '../../foundation/verdict/repeats';
import type { Answer } from '../../record/reading';
import { type Message, fine, raw, say } from '../../foundation/quantity/message';
import { type Side, type Strictness, decide } from '../../foundation/verdict/decide';

/** What of a piston a ring groove is cut for. */
export const GROOVES = ['top', 'second', 'oil'] as const;
export type Groove = (typeof GROOVES)[number];
export const GROOVE_WORDS: Record<Groove, string> = { top: 'top groove', second: 'second groove', oil: 'oil groove' };

/** Face of a ring, as its section shows. */
export const SECTIONS = ['plain', 'barrel', 'taper', 'hook'] as const;
export type Section = (typeof SECTIONS)[number];

/** An edge that is cut away, as the ring lies the right way up. */
export const BEVELS = ['none', 'insideUp', 'insideDown', 'outsideUp', 'outsideDown'] as const;
export type Bevel = (typeof BEVELS)[number];

/** What says which side faces up. */
export const UP_MARKS = ['dot', 'word', 'innerBevel', 'none'] as const;
export type UpMark = (typeof UP_MARKS)[number];

/** Sizes that hold for a groove and what goes into it; null where not known. */
export interface GrooveFit {
  /** Height of the ring, or of the whole oil pack. */
  axial: Nm | null;
  /** Width of the ring from its face inward. */
  radial: Nm | null;
  grooveHeight: Nm | null;
  grooveDepth: Nm | null;
  /** Of one ring, or of the whole oil pack, mg. */
  mass: number | null;
}

export interface CompressionRing extends GrooveFit {
  metal: RingMetal | null;
  /** What it looks like, e.g. `shiny`. */
  finish: string;
  section: Section;
  bevel: Bevel;
  /** Null while not looked at. */
  mark: UpMark | null;
}

export interface OilPack extends GrooveFit {
  finish: string;
}

export interface RingSet {
  /** The shop's own words for the set. */
  name: string;
  top: CompressionRing;
  second: CompressionRing;
  oil: OilPack;
  /** Axial clearance asked for. */
  side: { least: Nm; most: Nm };
  /** Whether the grooves of every piston are checked, or those of one for all. */
  grooves: 'each' | 'sample';
}

const UNKNOWN_FIT: GrooveFit = { axial: null, radial: null, grooveHeight: null, grooveDepth: null, mass: null };
const UNKNOWN_RING: CompressionRing = {
  ...UNKNOWN_FIT,
  metal: null,
  finish: '',
  section: 'plain',
  bevel: 'none',
  mark: null,
};

export const STARTING_RING_SET: RingSet = {
  name: '',
  top: UNKNOWN_RING,
  second: UNKNOWN_RING,
  oil: { ...UNKNOWN_FIT, finish: '' },
  side: { least: 25_400, most: 50_800 },
  grooves: 'sample',
};

export type SideState = 'to do' | 'tight' | 'in window' | 'loose' | 'not proven';
export type LandState = 'to do' | 'below' | 'proud' | 'not proven';

/** A figure of a groove, as read or from the sizes, and its verdict. */
export interface GrooveFigure<S> extends Answer {
  /** At least this. */
  low: Nm | null;
  /** At most this. */
  high: Nm | null;
  state: S;
  working: Message[];
  /** Whether it was read at this piston; else it follows from the sizes of the set, or is another piston's. */
  read: boolean;
  /** Readings that cannot all be true; null where they agree. The narrower counts. */
  disagreement: Apart | null;
}

/** What a leaf in the groove, or sizes, leave open. */
export interface Interval {
  low: Nm;
  high: Nm;
}

const SIDE_STATES: Record<Side, SideState> = {
  under: 'tight',
  'not proven': 'not proven',
  inside: 'in window',
  'past the aim': 'in window',
  over: 'loose',
};

/**
 * Verdict of a ring's axial clearance, nm: a tight ring sticks and breaks, so that side is guarded; a loose one is judged
 * by what it reads.
 */
export function sideState(
  found: Interval | null,
  { least, most }: RingSet['side'],
  { sure, clearanceGrace: grace }: Strictness,
): SideState {
  if (!found) return 'to do';
  const bounds = {
    least,
    aimFrom: least,
    aimTo: null,
    most,
    mostHard: false,
    grace,
    half: (found.high - found.low) / 2,
  };
  return SIDE_STATES[decide({ ...found, standard: 0, freedom: Infinity, passed: true }, bounds, sure).side];
}

/**
 * A ring must sink under the land: it may not stand proud of it anywhere.
 *
 * @example landState(null) // 'to do'
 */
export const landState = (found: Interval | null): LandState =>
  found === null ? 'to do' : found.low > 0 ? 'below' : found.high <= 0 ? 'proud' : 'not proven';

/** Whether an axial clearance in this state may stay. */
export const sideIsDone = (state: SideState): boolean => state === 'in window' || state === 'loose';

/** Whether a ring that lies so under its land may stay. */
export const landIsDone = (state: LandState): boolean => state === 'below';

/** Axial clearance and depth under the land as the sizes of the set have them; null where a size is missing. */
export function fromSizes({ axial, radial, grooveHeight, grooveDepth }: GrooveFit): {
  side: { value: Nm; working: Message[] } | null;
  land: { value: Nm; working: Message[] } | null;
} {
  const side = axial === null || grooveHeight === null ? null : grooveHeight - axial;
  const land = radial === null || grooveDepth === null ? null : grooveDepth - radial;
  return {
    side:
      side === null || axial === null || grooveHeight === null
        ? null
        : {
            value: side,
            working: [say`groove ${raw(grooveHeight)} − ring ${raw(axial)} = ${fine(side)}, from the sizes of the set`],
          },
    land:
      land === null || radial === null || grooveDepth === null
        ? null
        : {
            value: land,
            working: [
              say`groove ${raw(grooveDepth)} deep − ring ${raw(radial)} wide = ${fine(land)}, from the sizes of the set`,
            ],
          },
  };
}

/**
 * What the compression rings are made of: as the set says, else as the heat model takes them.
 *
 * @example ringMetals(judgement.choices.ringSet, judgement.choices.heat).top // 'ductileIron'
 */
export const ringMetals = (
  set: RingSet,
  heat: Pick<HeatChoices, 'ringMetal'>,
): Record<'top' | 'second', RingMetal> => ({
  top: set.top.metal ?? heat.ringMetal,
  second: set.second.metal ?? heat.ringMetal,
});
