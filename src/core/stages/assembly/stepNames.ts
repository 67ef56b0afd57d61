/** What steps and the parts of the walk are called. Common practice, no source. */
import type { JudgedCheck } from './cylinderSteps';
import type { Phase } from './phases';
import type { Step } from '../../record/stepIds';

export const PHASE_WORDS: Record<Phase, string> = {
  prepare: 'preparing',
  hang: 'hanging the piston',
  rings: 'rings on',
  in: 'into the block',
  cap: 'bearing and cap',
  turn: 'turning',
  engine: 'the engine as a whole',
};

/** What a step is called where it stands alone, whatever the habits. */
export const STEP_WORDS: Record<Step, string> = {
  clean: 'Block, crank and parts washed and dry',
  oilways: 'Oilways brushed and blown through, plugs and jets in',
  threads: 'Threads chased, clean and dry',
  oils: 'Oils and thread lubricant to hand, by name',
  crankIn: 'Crank in, thrust washers grooves outwards, main caps on and torqued',
  crankTurns: 'Crank turns alone, without a catch',
  frontMark: 'Front mark right',
  rod: 'Rod right',
  firstClip: 'First clip in its groove',
  pin: 'Pin oiled, into the piston first, then the rod',
  ragIn: 'Rag in the mouth of the crankcase',
  clips: 'Pin clips in, counted',
  expanderButts: 'Expander ends butt, not overlap',
  ringsOn: 'Rails, then second, then top',
  ringsFree: 'Rings turn freely, right side up',
  jointsBefore: 'Joints as planned, before the compressor',
  oiled: 'Rings and skirt oiled',
  boreWiped: 'Bore wiped, then oiled',
  shellsDry: 'Shells in: backs dry, tangs in, faces oiled',
  shellSide: 'Shells on their side of the rod: offset edge to the fillet, hole over its hole',
  throwDown: 'Throw at the bottom',
  boltsCovered: 'Rod bolts covered',
  jointsAfter: 'Joints as planned, after the compressor',
  pistonIn: 'Piston in: if it stops, stop',
  capOn: 'Cap on, numbers together',
  capClosed: 'Rod bolts run down evenly until the cap is closed',
  tightened: 'Rod bolts torqued',
  turned: 'Crank turned twice',
  slides: 'Rod slides sideways, piston centred on it',
  allTight: 'All rod bolts torqued',
  secondRound: 'Second round with the wrench, marked, by someone else',
  wrenchBack: 'Wrench set back to its lowest',
  marksForward: 'All front marks and numbers looked at once more',
  turnsFree: 'Crank turns twice without a catch',
  secondLook: 'Looked over by a second person',
  protected: 'Oiled, turned once more, bagged',
};

/** What a finding says of a step that does not hold. */
export const checkSays = ({ check, state, says }: JudgedCheck): string =>
  state === 'again' ? `${STEP_WORDS[check]}: check again, ${says}.` : `${STEP_WORDS[check]}: ${says}`;
