/** Bores: what they are judged from, and what is found of them. */
import type { Cylinder } from '../../foundation/engine/engine';
import type { Nm } from '../../foundation/quantity/length';
import type { Frame } from '../contract/stage';
import type { BoreChoices } from './measuringPlan';
import type { JudgedBore } from './judged';
import type { SizingChoices } from './plan';
import type { Supplied, SuppliedChoices } from './supplied';
import type { Strictness } from '../../foundation/verdict/decide';

export interface BoresChoices {
  bores: BoreChoices;
  supplied: SuppliedChoices;
  sizing: SizingChoices;
}

export interface BoresPart {
  bore: JudgedBore;
  /** What whoever machined it was asked for and reports. */
  boreSupplied: Supplied;
}

export type Engine = Frame<BoresChoices & { deciding: Strictness }>;

export type Measured = Cylinder & BoresPart;

/** What is said of a bore needs the clearance it comes to. */
export type Whole = Measured & { clearance: { value: Nm | null } };
