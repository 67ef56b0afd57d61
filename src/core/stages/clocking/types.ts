/** Clocking: what it is judged from, and what is found. */
import type { BoresPart } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import type { Joints } from '../../foundation/parts/joints';
import type { EngineContext } from '../contract/stage';
import type { ClockingChoices } from './choices';
import type { JudgedClocking } from './cylinderClocking';

export interface ClockingCylinderResult {
  clocking: JudgedClocking;
}

export interface ClockingEngineResult {
  /** Whether anyone chose the clocking; else it is only what is proposed. */
  clockingChosen: boolean;
}

export type Engine = EngineContext<{ clocking: ClockingChoices }>;

export type Bored = Cylinder & BoresPart;

export type All = Engine & ClockingEngineResult;

/** What was found at the block, as the sheet shows it beside the plan. */
interface AtBlock {
  checks: readonly unknown[];
  done: number;
  /** Initials of whoever made the checks that hold. */
  checkedBy: string[];
  /** Where the joints are by the last check that counts; null before one. */
  asFound: Joints | null;
}

export type Whole = Bored & ClockingCylinderResult & { block: AtBlock };
