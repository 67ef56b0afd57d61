/**
 * What a later entry changed elsewhere: targets that moved and verdicts that turned, in words. What was not judged
 * before is no change.
 */
import type { Nm } from '../foundation/quantity/length';
import { type MessageLength, type Message, clear, fine, say } from '../foundation/quantity/message';
import { RING_WORDS, RINGS } from '../foundation/parts/rings';
import type { Target } from '../models/targets/target';
import type { JudgedCylinder, Judgement } from './judgement';

const minimumOf = (target: Target): Nm | null => (target.set ? target.inForce.aimFrom : null);

/** A clearance moved by less than its last digit, 0.0001 in, did not move. */
const LAST_DIGIT: Nm = 2_540;

function moved(label: string, what: string, before: Target, after: Target, as: (nm: Nm) => MessageLength): Message[] {
  const [from, to] = [minimumOf(before), minimumOf(after)];
  return from === null || to === null || Math.abs(to - from) < LAST_DIGIT
    ? []
    : [say`Cylinder ${label}, ${what} minimum ${as(from)} → ${as(to)}`];
}

const UNJUDGED: readonly string[] = ['to do', 'part read', 'no target'];

function turned(label: string, what: string, before: string, after: string): Message[] {
  return before === after || UNJUDGED.includes(before) ? [] : [say`Cylinder ${label}, ${what}: ${before} → ${after}`];
}

/** Checks at the block that no longer hold. */
function again(label: string, before: JudgedCylinder, after: JudgedCylinder): Message[] {
  const count = ({ block }: JudgedCylinder): number => block.checks.filter((c) => c.state === 'again').length;
  return count(after) > count(before) ? [say`Cylinder ${label}: check again at the block`] : [];
}

function changesIn(before: JudgedCylinder, after: JudgedCylinder): Message[] {
  const { label } = after;
  return [
    ...moved(label, 'top gap', before.rings.top.target, after.rings.top.target, fine),
    ...moved(label, 'second gap', before.rings.second.target, after.rings.second.target, fine),
    ...moved(label, 'clearance', before.clearance.target, after.clearance.target, clear),
    ...turned(label, 'bore', before.bore.verdict.state, after.bore.verdict.state),
    ...turned(label, 'clearance', before.clearance.state, after.clearance.state),
    ...again(label, before, after),
    ...RINGS.flatMap((ring) =>
      before.rings[ring].reading?.id === after.rings[ring].reading?.id
        ? turned(label, RING_WORDS[ring], before.rings[ring].state, after.rings[ring].state)
        : [],
    ),
  ];
}

/**
 * What turned or moved from one judgement of a build to a later one, cylinder by cylinder.
 *
 * @example
 *   judgementDiff(judgement, { cylinders: [{ ...cylinder, rings: { ...cylinder.rings, top: { ...cylinder.rings.top,
 *   state: 'over' } } }] }) // [['Cylinder ', '1', ', ', 'top ring', ': ', 'in window', ' → ', 'over']]
 */
export function judgementDiff(before: Judgement, after: Judgement): Message[] {
  const was = new Map(before.cylinders.map((c) => [c.id, c]));
  return after.cylinders.flatMap((cylinder) => {
    const then = was.get(cylinder.id);
    return then ? changesIn(then, cylinder) : [];
  });
}
