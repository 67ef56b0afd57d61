/** What can be set of the rules and of what lies round a crown, and which way rods face, in words. */
import type { Rod } from './crankcase';
import type { RuleId, Scope } from './rules';
import type { LeftPistons, Side } from './surroundings';

export const SCOPE_WORDS: Record<Scope, string> = {
  all: 'all five joints',
  gaps: 'the four gaps',
  compression: 'top and second',
};

/** What the limit of each rule counts. */
export const LIMIT_WORDS: Record<RuleId, string> = {
  topToSecond: 'at least, degrees',
  railsApart: 'at least, degrees',
  railsOffExpander: 'at least, degrees',
  pinEnds: 'degrees to either side',
  majorThrust: 'degrees to either side',
  minorThrust: 'degrees to either side',
  lowSide: 'degrees to either side',
  pockets: 'degrees beyond its edge',
  ownSectors: 'degrees beyond its edge',
};

export const LEFT_PISTONS_WORDS: Record<LeftPistons, string> = {
  mirrored: 'the mirror image',
  turned: 'turned half round',
  same: 'as on the right bank',
};

export const SIDE_WORDS: Record<Side, string> = {
  front: 'the front',
  rear: 'the rear',
  left: 'the left',
  right: 'the right',
  inboard: 'inboard (the valley)',
  outboard: 'outboard',
  intake: 'the intake side',
  exhaust: 'the exhaust side',
};

/** Chamfer in words. */
export const FACES_WORDS: Record<Rod['faces'], string> = {
  front: 'chamfer to the front',
  rear: 'chamfer to the rear',
  both: 'alone on its throw: a cheek on both sides',
};
