/** Bores: what they are judged from, and what is found of them. */
import type { Cylinder } from '../../foundation/engine/engine';
import type { Nm } from '../../foundation/quantity/length';
import type { EngineContext } from '../contract/stage';
import type { BoreChoices } from './measuringPlan';
import type { JudgedBore } from './bore';
import type { SizingChoices } from './oversizeChoices';
import type { Supplied, SuppliedChoices } from './suppliedSizes';
import type { Strictness } from '../../foundation/verdict/decide';

export interface BoresChoices {
  bores: BoreChoices;
  supplied: SuppliedChoices;
  sizing: SizingChoices;
}

export interface BoresCylinderResult {
  bore: JudgedBore;
  /** What whoever machined it was asked for and reports. */
  boreSupplied: Supplied;
}

export type Engine = EngineContext<BoresChoices & { deciding: Strictness }>;

export type Measured = Cylinder & BoresCylinderResult;

/** What is said of a bore needs the clearance it comes to. */
export type Whole = Measured & { clearance: { value: Nm | null } };
