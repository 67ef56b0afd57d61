'use client';

import { RULE_WORDS, LIMIT_WORDS, SCOPE_WORDS } from '@/core/stages/clocking/ruleNames';
import { RULE_REASONS } from '@/core/stages/clocking/ruleWords';
import {
  type Rule,
  type RuleId,
  type RuleSeverity,
  RULES,
  RULE_SEVERITIES,
  SCOPES,
  STARTING_RULES,
  PAIRS,
} from '@/core/stages/clocking/rules';
import { Button } from '../shared/Button';
import { useTypedDegrees } from '../shared/useTypedDegrees';
import type { Clocking } from './useClocking';

const SEVERITY_WORDS: Record<RuleSeverity, string> = { note: 'note', mend: 'fix', stop: 'stop' };

/** Every rule with its reason: switched on or off, its limit and how grave it is. */
export function RulesView({ clocking: { choices, set } }: { clocking: Clocking }) {
  const change = (id: RuleId, to: Partial<Rule>): void =>
    set({ ...choices, rules: { ...choices.rules, [id]: { ...choices.rules[id], ...to } } });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 pt-3">
      <p className="max-w-prose text-soft">
        Schools differ: some forbid what others ask for. A gap where its school puts it breaks no rule about places.
        Check that the expander ends butt, and do not overlap, as it is fitted.
      </p>
      <ul aria-label="Rules" className="divide-y divide-line border-y border-line">
        {RULES.map((id) => (
          <RuleRow key={id} id={id} rule={choices.rules[id]} change={(to) => change(id, to)} />
        ))}
      </ul>
      <div>
        <Button
          disabled={JSON.stringify(choices.rules) === JSON.stringify(STARTING_RULES)}
          onClick={() => set({ ...choices, rules: STARTING_RULES })}
        >
          All rules as they start
        </Button>
      </div>
    </div>
  );
}

interface RuleRowProps {
  id: RuleId;
  rule: Rule;
  change: (to: Partial<Rule>) => void;
}

function RuleRow({ id, rule, change }: RuleRowProps) {
  return (
    <li className="grid gap-x-4 gap-y-1 py-2 md:grid-cols-[minmax(0,1fr)_auto] md:items-center">
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-5 shrink-0 accent-blue"
          checked={rule.on}
          onChange={(event) => change({ on: event.target.checked })}
        />
        <span>
          <b>{RULE_WORDS[id]}</b>
          <span className="block text-sm text-soft">{RULE_REASONS[id]}</span>
        </span>
      </label>
      <div className={`flex flex-wrap items-end gap-2 ${rule.on ? '' : 'opacity-60'}`}>
        <Degrees
          label={`${RULE_WORDS[id]}: ${LIMIT_WORDS[id]}`}
          shown={LIMIT_WORDS[id]}
          value={rule.limit}
          onSet={(limit) => change({ limit })}
        />
        {rule.stopUnder !== null && (
          <Degrees
            label={`${RULE_WORDS[id]}: stop under, degrees`}
            shown="stop under, degrees"
            value={rule.stopUnder}
            onSet={(stopUnder) => change({ stopUnder })}
          />
        )}
        <select
          aria-label={`${RULE_WORDS[id]}: how grave`}
          className="field w-28!"
          value={rule.severity}
          onChange={(event) => change({ severity: event.target.value as RuleSeverity })}
        >
          {RULE_SEVERITIES.map((severity) => (
            <option key={severity} value={severity}>
              {SEVERITY_WORDS[severity]}
            </option>
          ))}
        </select>
        {!PAIRS[id] && (
          <select
            aria-label={`${RULE_WORDS[id]}: applies to`}
            className="field w-32!"
            value={rule.scope}
            onChange={(event) => change({ scope: event.target.value as Rule['scope'] })}
          >
            {SCOPES.map((scope) => (
              <option key={scope} value={scope}>
                {SCOPE_WORDS[scope]}
              </option>
            ))}
          </select>
        )}
      </div>
    </li>
  );
}

/** A limit in degrees. */
function Degrees({
  label,
  shown,
  value,
  onSet,
}: {
  label: string;
  shown: string;
  value: number;
  onSet: (degrees: number) => void;
}) {
  const { fault, input } = useTypedDegrees(value, 0, 180, onSet);
  return (
    <label className="block w-28 text-sm leading-tight text-soft">
      {shown}
      <input
        aria-label={label}
        aria-invalid={fault !== undefined}
        inputMode="decimal"
        className="field figures text-base"
        {...input}
      />
      {fault && <b className="text-over">{fault}</b>}
    </label>
  );
}
