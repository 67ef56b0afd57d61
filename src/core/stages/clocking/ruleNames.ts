/** The rules and what can be set of them, in words. */
import type { RuleId, RuleResult, Scope } from './rules';
import type { LeftPistons } from './surroundings';

export const RULE_WORDS: Record<RuleId, string> = {
  topToSecond: 'Top against second',
  railsApart: 'Rails against each other',
  railsOffExpander: 'Rail gaps and expander ends',
  pinEnds: 'Over a pin end',
  majorThrust: 'On the major thrust face',
  minorThrust: 'On the minor thrust face',
  lowSide: 'At the low side at rest',
  pockets: 'On a valve pocket',
  ownSectors: 'In a sector of your own',
};

export const SCOPE_WORDS: Record<Scope, string> = {
  all: 'all five end gaps',
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

/**
 * A rule that holds: as it is said, else with the least angle it found; `none` where it keeps joints off somewhere and
 * none is there.
 *
 * @example heldWords({ rule: 'railsApart', degrees: 20.04, says: '' }) // 'Rails against each other: 20°'
 */
export const heldWords = ({ rule, degrees, says }: Pick<RuleResult, 'rule' | 'degrees' | 'says'>): string =>
  says || `${RULE_WORDS[rule]}: ${degrees === null ? 'none' : `${Math.round(degrees * 10) / 10}°`}`;
