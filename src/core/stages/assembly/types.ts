/** Assembly: what it is judged from, and what is found. */
import type { ClockingChoices, ClockingPart } from '../clocking';
import type { WalkChoices } from './walkChoices';
import type { Cylinder } from '../../foundation/engine/engine';
import type { EngineContext } from '../contract/stage';
import type { BalanceChoices, SetChoices } from './weights/choices';
import type { FastenerGroup } from './torque/fastenerGroups';
import type { PinEntry } from '../../record/reading';
import type { JudgedBlock } from './cylinderSteps';

export interface AssemblyCylinderResult {
  /** The steps of its walk. */
  block: JudgedBlock;
  /** Reminders that hold it. */
  pins: readonly PinEntry[];
}

export interface AssemblyEngineResult {
  /** Reminders on what is no cylinder: mains, the crank, the block. */
  blockPins: readonly PinEntry[];
}

export type Engine = EngineContext<{
  clocking: ClockingChoices;
  walk: WalkChoices;
  fasteners: FastenerGroup[] | null;
  balance: BalanceChoices | null;
  sets: SetChoices | null;
}>;

export type Clocked = Cylinder & ClockingPart;

/** Whether a piston may go in, once all stages are judged. */
export interface Readied {
  ready: { is: boolean };
}

export type Whole = Clocked & AssemblyCylinderResult;
export type All = Engine & AssemblyEngineResult;

/** An engine and its cylinders, judged as far as assembly goes. */
export type Assembled = All & { cylinders: readonly Whole[] };
