/** The rule that verdicts follow, by name. */
import type { Strictness } from './decide';

/**
 * The rule that a shop decides by, in a sentence.
 *
 * @example
 *   ruleWords({ sure: 0.95, gapGrace: 0, clearanceGrace: 0 })
 *   // 'The rule of ISO 14253-1:2017 (recalled), at its default of 95 %.'
 */
export const ruleWords = ({ sure, gapGrace, clearanceGrace }: Strictness): string =>
  gapGrace === 0 && clearanceGrace === 0
    ? `The rule of ISO 14253-1:2017 (recalled), ${sure === 0.95 ? 'at its default of' : 'at'} ${Math.round(sure * 100)} %.`
    : 'Relaxed acceptance in the sense of JCGM 106:2012 (recalled): before the reading any value is assumed equally likely. With no tolerance it is the rule of ISO 14253-1.';
