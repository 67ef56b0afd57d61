/** Pistons: what they are judged from, and what is found of them. */
import type { Strictness } from '../../foundation/verdict/decide';
import type { BoresPart, Grade, SizingChoices, Supplied, SuppliedChoices } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import type { EngineContext } from '../contract/stage';
import type { TargetsMade, TargetsPart } from '../targets';
import type { PairingChoices } from './choices';
import type { JudgedPiston } from './pistonSize';
import type { JudgedClearance } from './clearance';
import type { PistonChoices } from './piston';
import type { Pair, PairingAsk, Standing } from './standing';

export interface PistonsChoices {
  pistons: PistonChoices;
  pairing: PairingChoices;
}

export interface PistonsCylinderResult {
  /** The piston that is in it. */
  piston: JudgedPiston;
  /** What its maker was asked for and reports. */
  pistonSupplied: Supplied;
  clearance: JudgedClearance;
  /** Classes of bore and piston where select fits are used. */
  grades: { bore: Grade | null; piston: Grade | null } | null;
}

export interface JudgedPairing {
  /** The pairs that held before the present ones. */
  before: readonly Pair[];
  /** What a pairing is worked out from: the cylinders whose bore and whose piston are measured, and whose target is set. */
  ask: PairingAsk;
  /** How the present pairing stands. */
  standing: Standing;
  /** Labels of the cylinders that are left out of it. */
  waiting: string[];
  /** Whether any piston is in another cylinder than that of its number. */
  swapped: boolean;
}

export interface PistonsEngineResult {
  /** In the order of their numbers. */
  pistons: JudgedPiston[];
  pairing: JudgedPairing;
}

export type Engine = EngineContext<
  PistonsChoices & { sizing: SizingChoices; supplied: SuppliedChoices; deciding: Strictness }
> &
  Pick<TargetsMade, 'piston' | 'targetSettings'>;

export type Bored = Cylinder & BoresPart & TargetsPart;

export type Whole = Bored & PistonsCylinderResult;

export type All = Engine & PistonsEngineResult;
