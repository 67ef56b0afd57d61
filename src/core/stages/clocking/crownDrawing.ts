/** The crown of a judged cylinder as a drawing, the way it is met. */
import type { ClockingChoices } from './choices';
import { crownScene } from './crown';
import type { CrownStyle, Scene } from './crownScene';
import { keptFree } from './rules';
import { type View, turnOf } from './viewpoint';
import { type JudgedClocking, isBreach } from './cylinderClocking';

/**
 * Null where there is no plan.
 *
 * @example crownOf(cylinder.clocking, judgement.choices.clocking, 'bench', 'card')?.marks.length // 5
 */
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

/**
 * The piston as it is hung on its rod, without its rings; null where nothing is known of its front mark.
 *
 * @example
 *   hungOf(demo.cylinders[0].clocking, demo.choices.clocking, 'bench').items.flatMap((item) => item.text ?? [])
 *   // ['arrow', 'front', 'major thrust, right', 'flywheel', 'minor thrust, left']
 */
export function hungOf({ round }: JudgedClocking, choices: ClockingChoices, view: View): Scene | null {
  if (!round.frontMark) return null;
  const turn = turnOf(view, round, choices.stand, choices.facts.lean);
  return crownScene({ joints: null, round, free: [], broken: new Set(), turn, style: 'card' });
}
