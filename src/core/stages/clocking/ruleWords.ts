/** Which way rods face and what lies round a crown, in words; and why each rule is there. */
import type { Rod } from '../../foundation/engine/crankcase';
import type { RuleId } from './rules';
import type { Side } from '../../foundation/engine/sides';

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
  railsOffExpander: 'A rail is not supported where its gap lies over the expander ends.',
  pinEnds: 'Over the pin the land has least behind it; others place gaps there, where side load is least.',
  majorThrust: 'Side load is greatest there: ring ends wear and mark the wall.',
  minorThrust: 'Side load comes second there.',
  lowSide: 'Oil lies there at rest and comes up through the gap at the start.',
  pockets: 'The top land is thinnest under a pocket, and runs hottest.',
  ownSectors: 'To be kept free for a reason of this engine.',
};
