/** What can be set of the rules and of what lies round a crown, in words. */
import type { RuleId, Scope } from './rules';
import type { LeftPistons } from './surroundings';

export const SCOPE_WORDS: Record<Scope, string> = { all: 'all five joints', gaps: 'the four gaps', compression: 'top and second' };

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
