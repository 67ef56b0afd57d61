/** The steps of one cylinder, and the checks at the block among them, held against what is planned and fitted now. */
import { type ClockingChoices, type JudgedClocking, isBreach, checkJoints } from '../clocking';
import { type Joints, JOINTS, JOINT_WORDS, samePlan, movedFrom } from '../../foundation/parts/joints';
import type { Log } from '../../record/log';
import { isJointCheck } from './checks';
import { beforeIn } from './steps';
import type { Step } from '../../record/stepIds';

/**
 * What a front mark or a rod is checked against, for a check to keep; null where nothing is said of it.
 *
 * @example againstOf('frontMark', cylinder.clocking) // 'arrow/0'
 */
export function againstOf(check: Step, { round, rod }: Pick<JudgedClocking, 'round' | 'rod'>): string | null {
  if (check === 'frontMark') return round.frontMark && `${round.frontMark.what}/${round.frontMark.degrees}`;
  if (check === 'rod') return `${rod.faces}/${rod.numbers ?? ''}`;
  return null;
}

/** `again`: what was checked is no longer so; `against`: joints were found where they break a rule. */
export type CheckState = 'to do' | 'right' | 'moved' | 'against' | 'again';

export interface JudgedCheck {
  check: Step;
  state: CheckState;
  tick: { id: string; by: string; at: string; found: Partial<Joints> } | null;
  /** Why it is to be checked again, or what was found. */
  says: string | null;
}

export interface JudgedBlock {
  checks: JudgedCheck[];
  done: number;
  /** Initials of whoever made the checks that hold, each once. */
  checkedBy: string[];
  /** What is still open of that which comes before the piston goes in. */
  open: JudgedCheck[];
  /** Whether the piston is in. */
  isIn: boolean;
  /** Where the joints are by the last check that counts; null before one. */
  asFound: Joints | null;
}

/** Whether a check at the block stands as it should: as planned, or moved and still within the rules. */
export const isRight = (state: CheckState): boolean => state === 'right' || state === 'moved';

function foundSays(planned: Joints, found: Partial<Joints>): string {
  return movedFrom(planned, found)
    .map(({ joint, to, by }) => `${JOINT_WORDS[joint]} at ${Math.round(to)}°, ${Math.round(by)}° from its plan`)
    .join('; ');
}

/** The steps of one cylinder, held against what is planned and fitted now. */
export function blockOf(
  steps: readonly Step[],
  ticks: NonNullable<ReturnType<Log['ticks']['get']>>,
  parts: string,
  judged: JudgedClocking,
  choices: ClockingChoices,
): JudgedBlock {
  let asFound: Joints | null = null;
  const checks = steps.map((check): JudgedCheck => {
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
  const before = new Set(beforeIn(steps));
  const right = checks.filter((c) => isRight(c.state));
  return {
    checks,
    done: right.length,
    checkedBy: [...new Set(right.flatMap(({ tick }) => tick?.by || []))],
    open: checks.filter((c) => before.has(c.check) && !isRight(c.state)),
    isIn: right.some((c) => c.check === 'pistonIn'),
    asFound,
  };
}
