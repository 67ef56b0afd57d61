/** What can be set of the rules and of what lies round a crown, and which way rods face, in words. */
import type { Rod } from '../../foundation/engine/crankcase';
import type { RuleId, RuleResult, Scope } from './rules';
import type { LeftPistons } from './surroundings';
import type { Side } from '../../foundation/engine/sides';

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

/** Why each rule is there. Common practice, no source. */
export const RULE_REASONS: Record<RuleId, string> = {
  topToSecond: 'Two compression gaps in line are a straight way down for gas.',
  railsApart: 'Two rail gaps in line are a straight way up for oil.',
  railsOffExpander: 'A rail is not held where its gap lies over the joint of the expander.',
  pinEnds: 'Over the pin the land has least behind it; others place gaps there, where side load is least.',
  majorThrust: 'Side load is greatest there: ring ends wear and mark the wall.',
  minorThrust: 'Side load comes second there.',
  lowSide: 'Oil lies there at rest and comes up through the gap at the start.',
  pockets: 'The top land is thinnest under a pocket, and runs hottest.',
  ownSectors: 'To be kept free for a reason of this engine.',
};

export const RULE_WORDS: Record<RuleId, string> = {
  topToSecond: 'Top against second',
  railsApart: 'Rails against each other',
  railsOffExpander: 'Rails against the expander joint',
  pinEnds: 'Over a pin end',
  majorThrust: 'On the major thrust face',
  minorThrust: 'On the minor thrust face',
  lowSide: 'At the low side at rest',
  pockets: 'On a valve pocket',
  ownSectors: 'In a sector of your own',
};

/**
 * A rule that holds: as it is said, else with the least angle it found; `none` where it keeps joints off somewhere and
 * none is there.
 *
 * @example heldWords({ rule: 'railsApart', degrees: 20.04, says: '' }) // 'Rails against each other: 20°'
 */
export const heldWords = ({ rule, degrees, says }: Pick<RuleResult, 'rule' | 'degrees' | 'says'>): string =>
  says || `${RULE_WORDS[rule]}: ${degrees === null ? 'none' : `${Math.round(degrees * 10) / 10}°`}`;
