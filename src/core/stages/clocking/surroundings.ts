/**
 * What lies round a crown: thrust faces, banks' sides, high and low side, valve pockets, the front mark.
 *
 * Seen on the crown, 0° is the engine's front, clockwise. The pin lies along the crank: its ends are at
 * 0° and 180°, the thrust faces at 90° and 270°. Common practice, no source, but for the derived thrust face.
 */
import type { Bank, Engine, Rotation } from '../../foundation/engine/engine';
import { type Side } from '../../foundation/engine/sides';
import { apart, mirrored, turned } from '../../foundation/quantity/angle';
import type { Nm } from '../../foundation/quantity/length';

export const INTAKE_SIDES = ['inboard', 'outboard', 'left', 'right'] as const satisfies readonly Side[];
export type IntakeSide = (typeof INTAKE_SIDES)[number];

export const FRONT_MARKS = [
  'arrow',
  'dot',
  'notch',
  "maker's mark",
  'valve-relief side',
  'large intake relief',
] as const;

/** A pocket in the crown for a valve: a circle, as it lies on the right or the only bank. */
export interface Pocket {
  valve: 'intake' | 'exhaust';
  /** Degrees of its middle. */
  at: number;
  /** From the middle of the crown to its middle. */
  out: Nm;
  /** Its diameter. */
  across: Nm;
}

/** Directions clockwise from one to another. */
export interface Sector {
  from: number;
  to: number;
}

/** A sector of the fitter's own to be kept free, as it lies on the right or the only bank. */
export interface OwnSector extends Sector {
  words: string;
}

export const LEFT_PISTONS = ['mirrored', 'turned', 'same'] as const;
export type LeftPistons = (typeof LEFT_PISTONS)[number];

/** What is said of the engine and its pistons that a plan has to go round. */
export interface CrownFacts {
  /** How far the engine leans as it is installed, degrees to the right, seen from the driver's seat. */
  lean: number;
  intake: IntakeSide | null;
  frontMark: { what: (typeof FRONT_MARKS)[number]; points: Side } | null;
  pockets: Pocket[];
  /** How the pockets of the left bank lie. */
  leftPistons: LeftPistons;
  /** Cylinders whose pockets are the mirror image front to back. */
  flipped: string[];
  sectors: OwnSector[];
}

export const STARTING_FACTS: CrownFacts = {
  lean: 0,
  intake: null,
  frontMark: { what: 'arrow', points: 'front' },
  pockets: [],
  leftPistons: 'mirrored',
  flipped: [],
  sectors: [],
};

export interface PlacedPocket extends Pocket {
  /** Where it comes near the crown's edge; null where it does not, or the bore is not known. */
  sector: Sector | null;
}

/** What lies round the crown of one cylinder; directions in degrees clockwise from the front. */
export interface Surroundings {
  bank: Bank;
  /** In nm, or null while it is not known. */
  bore: Nm | null;
  /** Of the bore from upright, degrees to the right. */
  tilt: number;
  majorThrust: number;
  /** Where oil lies at rest; null for an upright bore. The high side is opposite. */
  low: number | null;
  intake: number | null;
  frontMark: { what: string; points: Side; degrees: number } | null;
  pockets: PlacedPocket[];
  sectors: OwnSector[];
}

/** A bore that leans less than this counts as upright. From memory. */
const UPRIGHT = 5;
/** A pocket is in the way where it crosses this share of the bore's radius. From memory. */
const EDGE = 0.9;

/**
 * Direction of the major thrust face: 90° for a crank turning clockwise seen from the front, on every
 * bank, else 270°. After top dead centre the rod leans so that the piston is pressed to that side.
 */
export const majorThrust = (rotation: Rotation): number => (rotation === 'clockwise' ? 90 : 270);

/** How far the bores of a bank lean, degrees to the right: half the bank angle, and the engine's own lean. */
export function tiltOf({ bankAngle }: Pick<Engine, 'bankAngle'>, bank: Bank, lean: number): number {
  const own = bank === 'right' ? bankAngle / 2 : bank === 'left' ? -bankAngle / 2 : 0;
  return own + lean;
}

/** The lowest side of a crown whose bore leans by some degrees to the right; null where it stands upright. */
export function lowSide(tilt: number): number | null {
  const reach = Math.sin((tilt * Math.PI) / 180);
  if (Math.abs(reach) < Math.sin((UPRIGHT * Math.PI) / 180)) return null;
  return reach > 0 ? 90 : 270;
}

/** Inboard is the valley: 270° on the right bank, 90° on the left. Null on one bank. */
const inboard = (bank: Bank): number | null => (bank === 'right' ? 270 : bank === 'left' ? 90 : null);

const opposite = (degrees: number | null): number | null => (degrees === null ? null : turned(degrees + 180));

/** Direction of a side on a cylinder of a bank, degrees; null where it has none there. */
export function sideDirection(side: Side, bank: Bank, intake: IntakeSide | null): number | null {
  switch (side) {
    case 'front':
      return 0;
    case 'right':
      return 90;
    case 'rear':
      return 180;
    case 'left':
      return 270;
    case 'inboard':
      return inboard(bank);
    case 'outboard':
      return opposite(inboard(bank));
    case 'intake':
      return intake && sideDirection(intake, bank, null);
    case 'exhaust':
      return opposite(intake && sideDirection(intake, bank, null));
  }
}

/**
 * Whether a direction lies inside a sector, its edges not.
 *
 * @example [350, 10, 30].map((at) => isInside(at, { from: 340, to: 20 })) // [ true, true, false ]
 */
export function isInside(degrees: number, { from, to }: Sector): boolean {
  const span = turned(to - from);
  const on = turned(degrees - from);
  return on > 1e-9 && on < span - 1e-9;
}

/** A sector of a half-width round a direction. */
export const around = (middle: number, half: number): Sector => ({
  from: turned(middle - half),
  to: turned(middle + half),
});

/** A sector made wider by some degrees at either end; all round at most. */
export function widened({ from, to }: Sector, by: number): Sector {
  const span = Math.min(359.999, turned(to - from) + 2 * by);
  return { from: turned(from - by), to: turned(from - by + span) };
}

/** The middle of a sector, degrees. */
export const middleOf = ({ from, to }: Sector): number => turned(from + turned(to - from) / 2);

/** Degrees from a direction outside a sector to its nearer edge; 0 inside. */
export function offSector(degrees: number, sector: Sector): number {
  return isInside(degrees, sector) ? 0 : Math.min(apart(degrees, sector.from), apart(degrees, sector.to));
}

/**
 * Where a pocket crosses a circle of nine tenths of the bore: half-width arccos((d² + ρ² − r²) ÷ 2dρ) with its
 * middle at d, its radius r and ρ = 0.45 × bore; arcsin(r ÷ d) where all of it lies beyond. Null where it does not
 * reach that far.
 */
export function pocketSector({ at, out, across }: Pocket, bore: Nm): Sector | null {
  const [d, r, rho] = [out, across / 2, (EDGE * bore) / 2];
  if (d + r <= rho || d === 0) return null;
  const half = d - r > rho ? Math.asin(r / d) : Math.acos(Math.max(-1, (d * d + rho * rho - r * r) / (2 * d * rho)));
  return around(at, Math.min((half * 180) / Math.PI, 179.9));
}

function placedAt(degrees: number, bank: Bank, facts: CrownFacts, isFlipped: boolean): number {
  const left =
    bank !== 'left'
      ? degrees
      : facts.leftPistons === 'mirrored'
        ? mirrored(degrees)
        : facts.leftPistons === 'turned'
          ? turned(degrees + 180)
          : degrees;
  return isFlipped ? turned(180 - left) : turned(left);
}

/** What lies round the crown of one cylinder. */
export function surroundingsOf(
  cylinder: { id: string; bank: Bank },
  bore: Nm | null,
  engine: Pick<Engine, 'bankAngle' | 'rotation'>,
  facts: CrownFacts,
): Surroundings {
  const { id, bank } = cylinder;
  const tilt = tiltOf(engine, bank, facts.lean);
  const { frontMark: mark } = facts;
  const marked = mark && sideDirection(mark.points, bank, facts.intake);
  const isFlipped = facts.flipped.includes(id);
  return {
    bank,
    bore,
    tilt,
    majorThrust: majorThrust(engine.rotation),
    low: lowSide(tilt),
    intake: facts.intake && sideDirection(facts.intake, bank, null),
    frontMark: mark && marked !== null ? { ...mark, degrees: marked } : null,
    pockets: facts.pockets.map((pocket) => {
      const placed = { ...pocket, at: placedAt(pocket.at, bank, facts, isFlipped) };
      return { ...placed, sector: bore === null ? null : pocketSector(placed, bore) };
    }),
    sectors: facts.sectors.map((s) => (bank === 'left' ? { ...s, from: mirrored(s.to), to: mirrored(s.from) } : s)),
  };
}
