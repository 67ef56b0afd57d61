/**
 * A bore drawn so that its form can be seen: departures from the smallest diameter of all the bores shown are
 * stretched alike, so that bores compare by eye. An outline between the directions read is the oval through them
 * where there are three or more, and is assumed to be one where there are two.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Depth, THRUST } from '../../foundation/parts/spots';
import { type Oval, ovalAt } from './oval';
import type { BoreShape, MeasuredSpot } from './shape';

/** The largest departure drawn, as a share of the radius. */
export const FULL = 0.24;

export interface Ring {
  depth: Depth;
  /** Radius in each direction as a share of the bore's, every few degrees round. */
  outline: { angle: number; radius: number }[];
  /** Whether three directions or more gave the outline. */
  known: boolean;
  /** What was read, as points on the outline's scale. */
  read: { angle: number; radius: number }[];
}

/** The wall seen from the side in one direction: radius at each depth, top first. */
export interface Profile {
  angle: number;
  wall: { depth: Depth; radius: number }[];
}

export interface BorePicture {
  rings: Ring[];
  profiles: Profile[];
}

export interface Pictures {
  /** The departure that is drawn as `FULL`. */
  full: Nm;
  bores: Map<string, BorePicture>;
}

const STEP = 6;
/** The least departure that fills the drawing, so that a straight bore looks straight: 0.01 mm. */
const LEAST_FULL: Nm = 10_000;

/** The oval through one depth's readings; through two directions square to each other an assumed one; else a circle. */
function outlineOf(
  spots: MeasuredSpot[],
  fitted: Oval | null,
): { oval: Pick<Oval, 'mean' | 'amplitude' | 'direction'>; known: boolean } {
  if (fitted) return { oval: fitted, known: true };
  const mean = spots.reduce((sum, s) => sum + s.value, 0) / spots.length;
  const largest = spots.reduce((most, s) => (s.value > most.value ? s : most));
  return {
    oval: { mean, amplitude: spots.length > 1 ? largest.value - mean : 0, direction: largest.angle },
    known: false,
  };
}

/**
 * Pictures of several bores on one scale.
 *
 * @param bores shape and spots of each, by any name
 * @example picturesOf([]).bores.size // 0
 */
export function picturesOf(bores: { name: string; shape: BoreShape; spots: MeasuredSpot[] }[]): Pictures {
  const drawn = bores.map(({ name, shape, spots }) => ({
    name,
    depths: shape.depths.map(({ depth, oval }) => {
      const at = spots.filter((s) => s.depth === depth);
      return { depth, at, ...outlineOf(at, oval) };
    }),
  }));
  const all = drawn.flatMap((b) =>
    b.depths.flatMap(({ at, oval }) => [
      ...at.map((s) => s.value),
      oval.mean - oval.amplitude,
      oval.mean + oval.amplitude,
    ]),
  );
  const least = Math.min(...all);
  const full = Math.max(LEAST_FULL, Math.max(...all) - least);
  const radius = (value: number): number => 1 - FULL + ((value - least) / full) * FULL;
  const picture = (depths: (typeof drawn)[number]['depths']): BorePicture => {
    const angles = [...new Set(depths.flatMap((d) => d.at.map((s) => s.angle)))].sort(
      (a, b) => Number(b === THRUST) - Number(a === THRUST) || a - b,
    );
    return {
      rings: depths.map(({ depth, at, oval, known }) => ({
        depth,
        known,
        outline: Array.from({ length: 360 / STEP }, (_, i) => ({
          angle: i * STEP,
          radius: radius(ovalAt(oval, i * STEP)),
        })),
        read: at.flatMap((s) => [s.angle, s.angle + 180].map((angle) => ({ angle, radius: radius(s.value) }))),
      })),
      profiles: angles.map((angle) => ({
        angle,
        wall: depths.flatMap(({ depth, at }) =>
          at.filter((s) => s.angle === angle).map((s) => ({ depth, radius: radius(s.value) })),
        ),
      })),
    };
  };
  return { full: Math.round(full), bores: new Map(drawn.map(({ name, depths }) => [name, picture(depths)])) };
}
