/** The clocking of one cylinder: the plan, how it stands against the rules, and which way the rod faces. */
import type { Cylinder, Engine } from '../../foundation/engine/engine';
import type { Nm } from '../../foundation/quantity/length';
import { type ClockingChoices, type Plan, planOf } from './choices';
import type { Rod } from '../../foundation/engine/crankcase';
import { JOINTS } from '../../foundation/parts/joints';
import { type RuleResult, checkJoints } from './rules';
import { NO_PLAN_WORDS } from './schools';
import { type Surroundings, sideDirection, surroundingsOf } from './surroundings';

/** A cylinder's rod, and which way its numbers point. */
export interface JudgedRod extends Rod {
  /** Label of the cylinder whose rod is on the same throw. */
  besidesLabel: string | null;
  /** Degrees; null where not said. */
  numbers: number | null;
}

export interface JudgedClocking {
  round: Surroundings;
  /** Null where the school gives none; `ask` then says what it needs. */
  plan: Plan | null;
  ask: string | null;
  /** The plan against the rules. */
  rules: RuleResult[];
  rod: JudgedRod;
  /** Whether the plan was chosen, and breaks no rule that is more than a note. */
  settled: boolean;
}

/**
 * Whether a rule is broken by more than what is worth a note.
 *
 * @example ['pass', 'warn', 'stop'].map((verdict) => isBreach({ verdict })) // [ false, false, true ]
 */
export const isBreach = ({ verdict }: RuleResult): boolean => verdict === 'mend' || verdict === 'stop';

export interface ClockingAsk {
  cylinder: Cylinder;
  /** Measured or planned; null while neither. */
  bore: Nm | null;
  engine: Engine;
  choices: ClockingChoices;
  /** Whether someone chose this plan; else it is only what is proposed. */
  chosen: boolean;
  rod: Rod;
  labels: ReadonlyMap<string, string>;
}

/** What rules said of plans before: cylinders that share a plan and what lies round them share the work. */
export type KnownRules = Map<string, RuleResult[]>;

/** One cylinder's clocking: what lies round its crown, the plan in force, each rule kept or broken, in degrees on the crown. */
export function judgeClocking(ask: ClockingAsk, known: KnownRules): JudgedClocking {
  const { cylinder, bore, engine, choices, chosen, rod, labels } = ask;
  const round = surroundingsOf(cylinder, bore, engine, choices.facts);
  const { numbers } = choices.rods;
  const judgedRod: JudgedRod = {
    ...rod,
    besidesLabel: rod.besides && (labels.get(rod.besides) ?? null),
    numbers: numbers && sideDirection(numbers, cylinder.bank, choices.facts.intake),
  };
  const plan = planOf(choices, cylinder.id, round);
  if (typeof plan === 'string')
    return { round, plan: null, ask: NO_PLAN_WORDS[plan], rules: [], rod: judgedRod, settled: false };
  const key = JSON.stringify([plan, { ...round, bore: null }]);
  const placed = new Set(JOINTS.filter((joint) => !plan.moved.includes(joint)));
  const rules = known.get(key) ?? checkJoints(plan.joints, choices.rules, round, placed);
  known.set(key, rules);
  return { round, plan, ask: null, rules, rod: judgedRod, settled: chosen && !rules.some(isBreach) };
}
