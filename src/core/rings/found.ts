/** Rings: what they are judged from, and what is found of them. */
import type { BoresPart } from '../bores/found';
import type { BoreChoices } from '../bores/grid';
import type { Cylinder } from '../engine/engine';
import type { HeatChoices, JudgedHeat } from '../heat/assess';
import type { PistonsPart } from '../pistons/found';
import type { Frame } from '../stage/stage';
import type { TargetsMade, TargetsPart } from '../targets/found';
import type { TargetChoices } from '../targets/target';
import type { Nm } from '../quantity/length';
import type { Strictness } from '../verdict/decide';
import type { BenchChoices, PlacingChoices } from './choices';
import type { JudgedGrooves } from './grooves';
import type { JudgedRing } from './judged';
import type { JudgedPlacing } from './judgedPlacing';
import type { JudgedRate } from './rates';
import type { Compression, Ring } from './ring';
import type { RingSet } from './set';

export interface RingsChoices {
  bench: BenchChoices;
  ringSet: RingSet;
  placing: PlacingChoices;
}

export interface RingsPart {
  rings: Record<Ring, JudgedRing>;
  /** Of the compression rings and of the rails, the one that needs a hand most. */
  worst: { compression: Ring; rail: Ring };
  /** How rings sit in the grooves of the piston in it. */
  grooves: JudgedGrooves;
  /** The heat model of it; null without a bore or an assumed temperature. */
  heat: JudgedHeat | null;
}

/** How far the gaps of one kind of ring lie apart. */
export interface Spread {
  ring: Ring;
  least: Nm;
  most: Nm;
  spread: Nm;
}

export interface RingsMade {
  /** Which ring of a kind is in which cylinder. */
  placing: Record<Compression, JudgedPlacing>;
  /** What each filer takes off each metal. */
  rates: JudgedRate[];
  spreads: Spread[];
}

export type Engine = Frame<
  RingsChoices & { targets: TargetChoices; heat: HeatChoices; deciding: Strictness; bores: BoreChoices }
> &
  Pick<TargetsMade, 'duty' | 'piston'>;

export type Fitted = Cylinder & BoresPart & TargetsPart & PistonsPart;

export type Whole = Fitted & RingsPart;

export type All = Engine & RingsMade;
