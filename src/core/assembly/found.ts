/** Assembly: what it is judged from, and what is found. */
import type { ClockingChoices } from '../clocking/choices';
import type { ClockingPart } from '../clocking/found';
import type { Cylinder } from '../engine/engine';
import type { Frame } from '../stage/stage';
import type { JudgedBlock } from './judged';

export interface AssemblyPart {
  /** The checks at the block. */
  block: JudgedBlock;
}

export type Engine = Frame<{ clocking: ClockingChoices }>;

export type Clocked = Cylinder & ClockingPart;

/** Whether a piston may go in, once all stages are judged. */
export interface Readied {
  ready: { is: boolean };
}

export type Whole = Clocked & AssemblyPart;
