/** Clocking: what it is judged from, and what is found. */
import type { JudgedBlock } from '../assembly/judged';
import type { BoresPart } from '../bores/found';
import type { Cylinder } from '../engine/engine';
import type { Frame } from '../stage/stage';
import type { ClockingChoices } from './choices';
import type { JudgedClocking } from './judged';

export interface ClockingPart {
  clocking: JudgedClocking;
}

export interface ClockingMade {
  /** Whether anyone chose the clocking; else it is only what is proposed. */
  clockingChosen: boolean;
}

export type Engine = Frame<{ clocking: ClockingChoices }>;

export type Bored = Cylinder & BoresPart;

export type All = Engine & ClockingMade;

/** The sheet says beside the plan what was found at the block. */
export type Whole = Bored & ClockingPart & { block: JudgedBlock };
