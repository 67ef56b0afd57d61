/** What is to be known of a clocking plan: what it breaks, and what would cure that. */
import type { Cylinder } from '../../foundation/engine/engine';
import { say } from '../../foundation/quantity/message';
import { type Finding, about } from '../contract/finding';
import type { ClockingEngineResult, ClockingCylinderResult } from './types';
import { RULE_REASONS } from './ruleWords';
import { cureWords } from './rules';

/** A plan against its rules, each breach with what would cure it. */
function findingsOf({ id, label, clocking }: Cylinder & ClockingCylinderResult, chosen: boolean): Finding[] {
  const breaches = clocking.rules.flatMap(({ rule, verdict, says, cure }) => {
    if (verdict === 'pass') return [];
    const turn = cure ? cureWords(cure) : 'Turning one gap does not fix it: use Optimise to place all of them.';
    return [about(verdict, 'clocking', id, say`Cylinder ${label}: ${says} ${RULE_REASONS[rule]} ${turn}`)];
  });
  const asked = chosen && clocking.ask ? [about('mend', 'clocking', id, say`Cylinder ${label}: ${clocking.ask}`)] : [];
  return [...asked, ...breaches];
}

/** What is to be known of clocking. */
export const findings = (
  { clockingChosen }: ClockingEngineResult,
  cylinders: readonly (Cylinder & ClockingCylinderResult)[],
): Finding[] => cylinders.flatMap((c) => findingsOf(c, clockingChosen));
