/** The crown of a judged cylinder as a drawing, the way it is met. */
import type { ClockingChoices } from '../clocking/choices';
import { type CrownStyle, type Scene, crownScene } from '../clocking/crown';
import { keptFree } from '../clocking/rules';
import { type View, turnOf } from '../clocking/view';
import { type JudgedClocking, isBreach } from './clocking';

/** Null where there is no plan. */
export function crownOf(
  { plan, round, rules }: JudgedClocking,
  choices: ClockingChoices,
  view: View,
  style: CrownStyle,
): Scene | null {
  if (!plan) return null;
  const broken = new Set(rules.filter(isBreach).flatMap((r) => r.joints));
  return crownScene({
    joints: plan.joints,
    round,
    free: keptFree(choices.rules, round),
    broken,
    turn: turnOf(view, round, choices.stand, choices.facts.lean),
    style,
  });
}
