/** What is said of a ring: what to do now, and why. */
import { type Depth, DEPTH_WORDS } from '../../foundation/parts/spots';
import { type Message, fine, say, capital } from '../../foundation/quantity/message';
import { acceptedWords } from '../../record/reading';
import { chanceWords } from '../../foundation/verdict/decide';
import type { CountedGap } from './gapEvidence';
import type { JudgedRing } from './ringGap';

type Said = Pick<
  JudgedRing,
  | 'state'
  | 'called'
  | 'counts'
  | 'chance'
  | 'overChance'
  | 'grace'
  | 'low'
  | 'target'
  | 'step'
  | 'shrunk'
  | 'asksSquaring'
  | 'growth'
  | 'isUndated'
  | 'cutsSince'
  | 'readIn'
  | 'accepted'
  | 'differs'
>;

const at = (depth: Depth | null): Message =>
  depth === null ? say`where the bore is smallest` : say`at the ${DEPTH_WORDS[depth]}`;

/** What the readings of a ring that cannot all be true say, and what settles it. */
function disagreementWords({ counts, shrunk }: Said): Message {
  if (shrunk > 0)
    return say`Narrower by ${fine(shrunk)} than before it was filed: it did not sit square. A domed piston cocks the ring. Square it and read again.`;
  const found = counts?.disagreement;
  if (!found) return [];
  const { narrow, wide, apart } = found;
  const [less, more] = [Math.round(narrow.low), Math.round(wide.low)];
  const taper = Math.round(apart / Math.PI);
  return narrow.direct && wide.direct
    ? say`The readings disagree: ${fine(less)} and ${fine(more)} in one place. It does not sit square; a domed piston cocks the ring. Square it and read again; the narrower counts until then.`
    : say`The readings disagree by ${fine(apart)}: ${fine(less)} and ${fine(more)} where the bore is smallest. ${fine(taper)} of taper that is not measured would explain it. Square it and read again, or measure the bore again; the narrower counts until then.`;
}

/** A gap that grew with no cut logged, and how to answer it. */
function growthWords({ growth }: Said): Message {
  if (!growth) return [];
  const { now, before, taken, advised } = growth;
  const grew = say`${fine(before)} before, ${fine(now)} now, and no cut is logged.`;
  const key = advised ? 'Enter' : 'C, Enter';
  return taken
    ? say`${grew} Filed since: ${key}. Not filed: F. Or read it once more.`
    : say`${grew} Read at another depth, so it may be the bore. Filed since: ${key}. Not filed: F. Or read both depths again.`;
}

/** What would decide a gap that is not proven, the cheapest first. */
export type NextAct =
  | 'next leaf'
  | 'leaf between'
  | 'stroke'
  | 'enter the depth'
  | 'read where it counts'
  | 'read again';

/**
 * The cheapest act that could decide a gap that is not proven: a leaf costs nothing, another depth a minute, a stroke
 * cannot be taken back.
 *
 * @example nextAct(cylinder.rings.top) // 'stroke'
 */
export function nextAct({
  counts,
  called,
  chance,
  step,
}: Pick<Said, 'counts' | 'called' | 'chance' | 'step'>): NextAct {
  if (!counts || called?.open) return 'next leaf';
  const { asRead, evidence } = counts;
  if (called && called.upTo !== null && called.upTo - called.value > 1.5 * step) return 'leaf between';
  if (chance !== null && chance >= 0.5) return 'stroke';
  if (evidence.filter((e) => e.direct).length > 1) return 'stroke';
  if (!asRead)
    return evidence.every((e) => !e.direct && e.high - e.low > 1.5 * step) ? 'enter the depth' : 'read where it counts';
  return 'read again';
}

/** That act, in a sentence. */
function actWords(ring: Said): Message {
  switch (nextAct(ring)) {
    case 'next leaf':
      return say`Try the next leaf.`;
    case 'leaf between':
      return say`Try the leaf between.`;
    case 'stroke':
      return say`One light stroke, deburr, square it, read again.`;
    case 'enter the depth':
      return say`Depth not entered: read it ${at(ring.counts?.depth ?? null)}.`;
    case 'read where it counts':
      return say`Read it ${at(ring.counts?.depth ?? null)}.`;
    case 'read again':
      return say`Square it and read again with finer leaves, or one light stroke.`;
  }
}

function notProvenWords(ring: Said): Message {
  const { counts, readIn, chance, overChance, called, grace, target } = ring;
  if (readIn && !counts) return say`Read in cylinder ${readIn.label}, and not both bores are measured: read it here.`;
  if (readIn) return say`Predicted from cylinder ${readIn.label}, too near a limit to be sure: read it here.`;
  if (chance === null) return called?.open ? say`No larger leaf was tried. Try the next one.` : say`Read it again.`;
  if (target.set && overChance > chance)
    return say`Too near ${fine(target.inForce.most ?? 0)} to be sure that it is not over. ${actWords(ring)}`;
  const under = grace > 0 ? say`under its minimum by more than ${fine(grace)}` : say`under its minimum`;
  return say`The chance that it is ${under} is ${chanceWords(chance)}. ${actWords(ring)}`;
}

/** The leaves of a gap as they are said: 15 goes, 16 does not. */
const leavesOf = ({ called, step }: Said): Message =>
  called && !called.open ? say`${fine(called.value)} goes, ${fine(called.upTo ?? called.value + step)} does not` : [];

function inWindowWords(ring: Said): Message {
  const { low, target, differs, called } = ring;
  if (!target.set || low === null) return say`Stop here.`;
  const { least, aimFrom, rank } = target.inForce;
  const stay = say`It may stay; the aim begins at ${fine(aimFrom)}.`;
  if (low === 'under the aim') return say`Within its limits. ${stay}`;
  const whose = rank === 'chart' ? say`the rule’s product` : say`its minimum`;
  return differs || !called || called.open
    ? say`At its minimum of ${fine(least)}. ${stay}`
    : say`At its minimum: ${leavesOf(ring)}, ${whose} is ${fine(least)}. ${stay}`;
}

/** What to do about a gap in its state, where nothing else comes first. */
function stateAdvice(ring: Said): Message {
  const { state, readIn, asksSquaring, differs } = ring;
  switch (state) {
    case 'to do':
      return say`Square it in its own bore and read the gap.`;
    case 'no target':
      return say`Recorded, but nothing says yet what it must be.`;
    case 'short':
      return differs && !readIn
        ? say`Wide enough where it was read, short where the bore is smallest: file it.`
        : say`File from one end, deburr, square it, read again.`;
    case 'not proven':
      return notProvenWords(ring);
    case 'over':
      return say`See under Swap whether it suits another cylinder. Else another ring, or accept it with a reason.`;
    case 'loose':
    case 'in window': {
      if (asksSquaring)
        return say`A domed piston cocks the ring, and so does the eye: square it otherwise and read it once more.`;
      if (readIn) return say`Predicted from cylinder ${readIn.label}. A reading here would prove it.`;
      return state === 'loose' ? say`A little blow-by, no danger. Leave it.` : inWindowWords(ring);
    }
  }
}

/** What to do about a ring now, in a sentence or two. */
export function ringAdvice(ring: Said): Message {
  const { counts, cutsSince, accepted, shrunk, growth, isUndated } = ring;
  if (accepted) return say`${capital(acceptedWords(accepted))}.`;
  if (cutsSince > 0) return say`Cut since it was read: deburr, square it, read again.`;
  if (growth) return growthWords(ring);
  if (isUndated)
    return say`Read ${at(counts?.depth ?? null)} before it was filed, or after: that is not known. Read it there again.`;
  return shrunk > 0 || counts?.disagreement ? disagreementWords(ring) : stateAdvice(ring);
}

/**
 * Why a ring is not done, in a word or two.
 *
 * @example lackWords(cylinder.rings.top) // 'in window'
 */
export function lackWords({ state, cutsSince, asksSquaring, growth }: Said): string {
  if (cutsSince > 0) return 'cut since it was read';
  if (growth) return 'wider with no cut logged: filed or not?';
  return asksSquaring && (state === 'in window' || state === 'loose') ? 'to be squared otherwise once' : state;
}

/** What a gap counts for, beside what was called: `21.2 where the bore is smallest`. */
export const countsWords = ({ value, depth, asRead }: CountedGap, readIn: boolean): Message =>
  readIn && !asRead ? say`${fine(value)} here` : say`${fine(value)} ${at(depth)}`;
