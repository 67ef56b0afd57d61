/** Rings: what they are judged from, and what is found of them. */
import type { BoresPart, BoreChoices } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import type { HeatChoices, JudgedHeat } from '../../models/heat/assess';
import type { PistonsPart } from '../pistons';
import type { Frame } from '../contract/stage';
import type { TargetsMade, TargetsPart } from '../targets';
import type { TargetChoices } from '../../models/targets/target';
import type { Nm } from '../../foundation/quantity/length';
import type { Strictness } from '../../foundation/verdict/decide';
import type { BenchChoices, PlacingChoices } from './choices';
import type { JudgedGrooves } from './grooves';
import type { JudgedRing } from './judged';
import type { JudgedPlacing } from './judgedPlacing';
import type { JudgedRate } from './rates';
import type { Compression, Ring } from '../../foundation/parts/rings';
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
