/** The clocking of every cylinder: the plan, how it stands against the rules, rod and front mark, and the checks at the block. */
import { type Check, CHECKS, CHECK_WORDS, isJointCheck, movedFrom, samePlan } from '../clocking/block';
import { type ClockingChoices, type Plan, planOf } from '../clocking/choices';
import { type Rod, rodsOf } from '../clocking/crankcase';
import { type Joints, JOINTS, JOINT_WORDS } from '../clocking/joints';
import { type RuleResult, checkJoints } from '../clocking/rules';
import { NO_PLAN_WORDS } from '../clocking/schools';
import { type Surroundings, sideDirection, surroundingsOf } from '../clocking/surroundings';
import type { Cylinder, Engine } from '../engine/engine';
import type { Nm } from '../quantity/length';
import type { CheckEntry } from './record';

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

export interface ClockingPlace extends Cylinder {
  bore: Nm | null;
}

/** Whether a rule is broken by more than what is worth a note. */
export const isBreach = ({ verdict }: RuleResult): boolean => verdict === 'mend' || verdict === 'stop';

/**
 * The clocking of every cylinder, by its id. Cylinders that share a plan and what lies round them share the work.
 *
 * @param chosen whether someone chose this plan; else it is only what is proposed
 */
export function clockingOf(
  cylinders: readonly ClockingPlace[],
  engine: Engine,
  choices: ClockingChoices,
  chosen: boolean,
): Map<string, JudgedClocking> {
  const rods = rodsOf(cylinders, engine, choices.rods);
  const labels = new Map(cylinders.map((c) => [c.id, c.label]));
  const known = new Map<string, RuleResult[]>();
  return new Map(
    cylinders.map((cylinder): [string, JudgedClocking] => {
      const round = surroundingsOf(cylinder, cylinder.bore, engine, choices.facts);
      const plan = planOf(choices, cylinder.id, round);
      const rod = rods.get(cylinder.id) ?? { throw: 0, faces: 'both' as const, besides: null };
      const judgedRod: JudgedRod = {
        ...rod,
        besidesLabel: rod.besides && (labels.get(rod.besides) ?? null),
        numbers: choices.rods.numbers && sideDirection(choices.rods.numbers, cylinder.bank, choices.facts.intake),
      };
      if (typeof plan === 'string')
        return [
          cylinder.id,
          { round, plan: null, ask: NO_PLAN_WORDS[plan], rules: [], rod: judgedRod, settled: false },
        ];
      const key = JSON.stringify([plan, { ...round, bore: null }]);
      const placed = new Set(JOINTS.filter((joint) => !plan.moved.includes(joint)));
      const rules = known.get(key) ?? checkJoints(plan.joints, choices.rules, round, placed);
      known.set(key, rules);
      return [cylinder.id, { round, plan, ask: null, rules, rod: judgedRod, settled: chosen && !rules.some(isBreach) }];
    }),
  );
}

/** What a front mark or a rod is checked against, for a check to keep; null where nothing is said of it. */
export function againstOf(check: Check, { round, rod }: Pick<JudgedClocking, 'round' | 'rod'>): string | null {
  if (check === 'frontMark') return round.frontMark && `${round.frontMark.what}/${round.frontMark.degrees}`;
  if (check === 'rod') return `${rod.faces}/${rod.numbers ?? ''}`;
  return null;
}

/** `again`: what was checked is no longer so; `against`: joints were found where they break a rule. */
export type CheckState = 'to do' | 'right' | 'moved' | 'against' | 'again';

export interface JudgedCheck {
  check: Check;
  state: CheckState;
  tick: { id: string; by: string; at: string; found: Partial<Joints> } | null;
  /** Why it is to be checked again, or what was found. */
  says: string | null;
}

export interface JudgedBlock {
  checks: JudgedCheck[];
  done: number;
  /** Where the joints are by the last check that counts; null before one. */
  asFound: Joints | null;
}

/** A check that was ticked, and which parts were then in the cylinder. */
export interface Tick {
  entry: CheckEntry;
  parts: string;
}

export const isRight = (state: CheckState): boolean => state === 'right' || state === 'moved';

function foundSays(planned: Joints, found: Partial<Joints>): string {
  return movedFrom(planned, found)
    .map(({ joint, to, by }) => `${JOINT_WORDS[joint]} at ${Math.round(to)}°, ${Math.round(by)}° from its plan`)
    .join('; ');
}

/** The checks of one cylinder, held against what is planned and fitted now. */
export function blockOf(
  ticks: ReadonlyMap<Check, Tick>,
  parts: string,
  judged: JudgedClocking,
  choices: ClockingChoices,
): JudgedBlock {
  let asFound: Joints | null = null;
  const checks = CHECKS.map((check): JudgedCheck => {
    const tick = ticks.get(check);
    if (!tick) return { check, state: 'to do', tick: null, says: null };
    const { id, by, at, found, planned } = tick.entry;
    const judgedAs = (state: CheckState, says: string | null): JudgedCheck => ({
      check,
      state,
      tick: { id, by, at, found },
      says,
    });
    if (tick.parts !== parts) return judgedAs('again', 'a part of this cylinder was changed or a ring filed since');
    if (!isJointCheck(check))
      return tick.entry.expected === againstOf(check, judged)
        ? judgedAs('right', null)
        : judgedAs('again', 'which way it is to face was changed since');
    if (!judged.plan) return judgedAs('again', 'there is no plan now');
    const { joints, moved } = judged.plan;
    if (planned && !samePlan(planned, joints)) return judgedAs('again', 'the plan was changed since');
    asFound = { ...joints, ...found };
    const away = movedFrom(joints, found);
    if (away.length === 0) return judgedAs('right', null);
    const placed = new Set(JOINTS.filter((joint) => !moved.includes(joint) && !away.some((a) => a.joint === joint)));
    const worse = checkJoints(asFound, choices.rules, judged.round, placed).filter(
      (r) => isBreach(r) && r.joints.some((joint) => away.some((a) => a.joint === joint)),
    );
    return judgedAs(
      worse.length > 0 ? 'against' : 'moved',
      [foundSays(joints, found), ...worse.map((r) => r.says)].join('. '),
    );
  });
  return { checks, done: checks.filter((c) => isRight(c.state)).length, asFound };
}

/** What a finding says of a check that does not hold. */
export const checkSays = ({ check, state, says }: JudgedCheck): string =>
  state === 'again' ? `${CHECK_WORDS[check]}: check again, ${says}.` : `${CHECK_WORDS[check]}: ${says}`;
