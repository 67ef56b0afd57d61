/** Assembly: what it is judged from, and what is found. */
import type { ClockingChoices } from '../clocking/choices';
import type { WalkChoices } from './choices';
import type { ClockingPart } from '../clocking/found';
import type { Cylinder } from '../engine/engine';
import type { Frame } from '../stage/stage';
import type { BalanceChoices, SetChoices } from '../masses/choices';
import type { FastenerGroup } from '../tightening/groups';
import type { PinEntry } from '../record/reading';
import type { JudgedBlock } from './judged';

export interface AssemblyPart {
  /** The steps of its walk. */
  block: JudgedBlock;
  /** Reminders that hold it. */
  pins: readonly PinEntry[];
}

export interface AssemblyMade {
  /** Reminders on what is no cylinder: mains, the crank, the block. */
  blockPins: readonly PinEntry[];
}

export type Engine = Frame<{
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

export type Whole = Clocked & AssemblyPart;
export type All = Engine & AssemblyMade;
