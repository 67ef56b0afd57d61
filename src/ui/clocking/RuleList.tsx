'use client';

import { heldWords } from '@/core/stages/clocking/ruleNames';
import { RULE_REASONS } from '@/core/stages/clocking/ruleWords';
import { type Cure, type RuleResult, RULE_SEVERITIES, cureWords } from '@/core/stages/clocking/rules';
import { Button } from '../shared/Button';
import { SeverityMark } from '../stages/Findings';
import type { JudgedClocking } from '@/core/stages/clocking/cylinderClocking';

/** Where the plan of one cylinder breaks a rule, each with the turn that cures it. */
export function Breaches({ judged, onCure }: { judged: JudgedClocking; onCure: (cure: Cure) => void }) {
  const breaches = judged.rules
    .filter((r): r is RuleResult & { verdict: 'note' | 'mend' | 'stop' } => r.verdict !== 'pass')
    .sort((a, b) => RULE_SEVERITIES.indexOf(b.verdict) - RULE_SEVERITIES.indexOf(a.verdict));
  if (breaches.length === 0) return null;
  return (
    <ul className="mt-2 grid gap-2.5" aria-label="Findings">
      {breaches.map(({ rule, verdict, says, cure, joints }, i) => (
        <li key={rule + joints.join() + says}>
          <SeverityMark severity={verdict} /> {says} {RULE_REASONS[rule]}{' '}
          {cure ? cureWords(cure) : 'Turning one gap does not fix it: see Optimise.'}
          {cure && !breaches.slice(0, i).some((b) => b.cure?.joint === cure.joint && b.cure.to === cure.to) && (
            <div>
              <Button kind="accent" className="mt-1" onClick={() => onCure(cure)}>
                Turn to {cure.to}°
              </Button>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The rules that hold. */
export function Holding({ judged }: { judged: JudgedClocking }) {
  return (
    <section aria-label="Rules that hold" className="mt-4">
      <h2 className="mb-1">Rules that hold</h2>
      <ul className="text-soft">
        {judged.rules
          .filter((r) => r.verdict === 'pass')
          .map((held) => (
            <li key={heldWords(held)}>
              <span className="text-ok">●</span> {heldWords(held)}
            </li>
          ))}
      </ul>
    </section>
  );
}
