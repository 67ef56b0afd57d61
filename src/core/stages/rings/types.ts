/** Rings: what they are judged from, and what is found of them. */
import type { BoresPart, BoreChoices } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import type { HeatChoices, JudgedHeat } from '../../models/heat/assess';
import type { PistonsPart } from '../pistons';
import type { EngineContext } from '../contract/stage';
import type { TargetsMade, TargetsPart } from '../targets';
import type { TargetChoices } from '../../models/targets/papers';
import type { Nm } from '../../foundation/quantity/length';
import type { Strictness } from '../../foundation/verdict/decide';
import type { BenchChoices, PlacingChoices } from './choices';
import type { JudgedGrooves } from './grooves';
import type { JudgedRing } from './ringGap';
import type { JudgedPlacing } from './ringPlacement';
import type { JudgedRate } from './rates';
import type { Compression, Ring } from '../../foundation/parts/rings';
import type { RingSet } from './set';

export interface RingsChoices {
  bench: BenchChoices;
  ringSet: RingSet;
  placing: PlacingChoices;
}

export interface RingsCylinderResult {
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
  /** Whether that is more than the shop asks for. */
  isWide: boolean;
}

export interface RingsEngineResult {
  /** Which ring of a kind is in which cylinder. */
  placing: Record<Compression, JudgedPlacing>;
  /** What each filer takes off each metal. */
  rates: JudgedRate[];
  spreads: Spread[];
}

export type Engine = EngineContext<
  RingsChoices & { targets: TargetChoices; heat: HeatChoices; deciding: Strictness; bores: BoreChoices }
> &
  Pick<TargetsMade, 'duty' | 'piston'>;

export type Fitted = Cylinder & BoresPart & TargetsPart & PistonsPart;

export type Whole = Fitted & RingsCylinderResult;

export type All = Engine & RingsEngineResult;
