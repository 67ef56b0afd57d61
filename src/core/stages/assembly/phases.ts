/** The parts of the walk, and what is done in which. */
import type { Step } from '../../record/stepIds';

export const PHASES = ['prepare', 'hang', 'rings', 'in', 'cap', 'turn', 'engine'] as const;
export type Phase = (typeof PHASES)[number];

/** What is done in which part of the walk. */
export const PHASE_OF: Record<Step, Phase> = {
  clean: 'prepare',
  oilways: 'prepare',
  threads: 'prepare',
  oils: 'prepare',
  crankIn: 'prepare',
  crankTurns: 'prepare',
  frontMark: 'hang',
  rod: 'hang',
  firstClip: 'hang',
  pin: 'hang',
  ragIn: 'hang',
  clips: 'hang',
  expanderButts: 'rings',
  ringsOn: 'rings',
  ringsFree: 'rings',
  jointsBefore: 'rings',
  oiled: 'in',
  boreWiped: 'in',
  throwDown: 'in',
  boltsCovered: 'in',
  jointsAfter: 'in',
  pistonIn: 'in',
  shellsDry: 'cap',
  shellSide: 'cap',
  capOn: 'cap',
  capClosed: 'cap',
  tightened: 'cap',
  turned: 'turn',
  slides: 'turn',
  allTight: 'engine',
  secondRound: 'engine',
  wrenchBack: 'engine',
  marksForward: 'engine',
  turnsFree: 'engine',
  secondLook: 'engine',
  protected: 'engine',
};
