/** The walk through an engine: every step in the order it is made in, and which one is next. */
import { BLOCK } from '../../foundation/engine/places';
import type { Assembled, Whole } from './types';
import type { PinEntry } from '../../record/reading';
import { blockStepsIn } from './engineSteps';
import { type JudgedCheck, isRight } from './cylinderSteps';
import type { FitOrder, OrderAsk, ToFit } from './installOrder';
import { PHASE_OF } from './phases';
import { blockStepsOf } from './steps';
import type { Step } from '../../record/stepIds';
import { bottomsOf } from './throws';

/** A step, and of what: a cylinder, or the block. */
export interface WalkAt {
  place: string;
  step: Step;
}

/** When the piston of a cylinder went in; empty where it is not in. */
const wentIn = ({ block }: Whole): string =>
  (block.isIn && block.checks.find((c) => c.check === 'pistonIn')?.tick?.at) || '';

/** Cylinders whose pistons are in, the first one first. */
const inAlready = <C extends Whole>(cylinders: readonly C[]): C[] =>
  cylinders.filter((c) => c.block.isIn).sort((a, b) => (wentIn(a) < wentIn(b) ? -1 : 1));

/**
 * What the order of the cylinders that are not in yet is worked out from; null where it is not known how the throws
 * stand.
 */
export function orderAsk({ job, cylinders, choices }: Assembled): OrderAsk | null {
  if (!job) return null;
  const { walk } = choices;
  const rods = new Map(cylinders.map((c) => [c.id, c.clocking.rod]));
  const bottoms = bottomsOf(job.engine, cylinders, rods, walk.throws);
  if (!bottoms) return null;
  const left = cylinders.filter((c) => !c.block.isIn);
  const last = inAlready(cylinders).at(-1);
  return {
    cylinders: left.map(({ id, bank, clocking: { rod } }): ToFit => ({
      id,
      bottom: bottoms.get(id) ?? 0,
      bank,
      mate: left.some((c) => c.id === rod.besides) ? rod.besides : null,
    })),
    from: last ? { angle: bottoms.get(last.id) ?? 0, bank: last.bank, mate: last.clocking.rod.besides } : null,
    saves: walk.saves,
    bothWays: walk.bothWays,
  };
}

/** The cylinders in the order their pistons went in, and are to go in. */
export function inOrder<C extends Whole>({ cylinders }: { cylinders: readonly C[] }, order: FitOrder | null): C[] {
  const at = new Map(order?.steps.map((s, i) => [s.id, i]));
  const left = cylinders.filter((c) => !c.block.isIn);
  return [...inAlready(cylinders), ...left.sort((a, b) => (at.get(a.id) ?? 0) - (at.get(b.id) ?? 0))];
}

/**
 * Steps of some cylinders, each cylinder's together. Where the crank is turned once for a pair, that waits until both
 * are in.
 */
function together(cylinders: readonly Whole[], steps: (c: Whole) => readonly Step[]): WalkAt[] {
  const waiting = new Map<string, WalkAt>();
  return cylinders.flatMap((c, i) => {
    const mate = cylinders.slice(i + 1).find((o) => o.id === c.clocking.rod.besides);
    const isForBoth = mate !== undefined && !mate.block.checks.some((k) => k.check === 'turned');
    const made = steps(c).flatMap((step): WalkAt[] => {
      const at = { place: c.id, step };
      if (step !== 'turned' || !isForBoth) return [at];
      waiting.set(mate.id, at);
      return [];
    });
    // its own turning, where it has one, and whether it slides come after that of the pair
    const due = waiting.get(c.id);
    const last = made.at(-1);
    if (!due) return made;
    return last?.step === 'slides' ? [...made.slice(0, -1), due, last] : [...made, due];
  });
}

/**
 * Every step of the engine in the order it is made in.
 *
 * @param order the cylinders in the order their pistons go in, see `inOrder`
 * @example walkOf(judgement, judgement.cylinders)[0]?.step // 'ringsFree'
 */
export function walkOf(judgement: Assembled, order: readonly Whole[]): WalkAt[] {
  const { choices } = judgement;
  const ofBlock = (isAfter: boolean): WalkAt[] =>
    blockStepsOf(choices.walk).flatMap((check) =>
      (PHASE_OF[check] === 'engine') === isAfter ? [{ place: BLOCK, step: check }] : [],
    );
  // whether a rod slides means something only once its cap is tight
  const isTightLast = choices.walk.tighten === 'end';
  const stepsIn = (c: Whole): Step[] =>
    c.block.checks.flatMap((k) => (isTightLast && k.check === 'slides' ? [] : [k.check]));
  const slides = order.flatMap((c): WalkAt[] =>
    isTightLast && c.block.checks.some((k) => k.check === 'slides') ? [{ place: c.id, step: 'slides' }] : [],
  );
  const ofPhase =
    (wanted: (step: Step) => boolean) =>
    (c: Whole): Step[] =>
      stepsIn(c).filter(wanted);
  const parts =
    choices.walk.route === 'cylinder'
      ? together(order, stepsIn)
      : [
          ...together(
            order,
            ofPhase((s) => PHASE_OF[s] === 'hang'),
          ),
          ...together(
            order,
            ofPhase((s) => PHASE_OF[s] === 'rings'),
          ),
          ...together(
            order,
            ofPhase((s) => PHASE_OF[s] !== 'hang' && PHASE_OF[s] !== 'rings'),
          ),
        ];
  return [
    ...ofBlock(false),
    ...parts,
    ...ofBlock(true).flatMap((at) => (at.step === 'allTight' ? [at, ...slides] : [at])),
  ];
}

/** What was found of a step; undefined where the engine has no such. */
export const stepAt = (judgement: Assembled, { place, step }: WalkAt): JudgedCheck | undefined =>
  (place === BLOCK
    ? blockStepsIn(judgement)
    : (judgement.cylinders.find((c) => c.id === place)?.block.checks ?? [])
  ).find((c) => c.check === step);

/** What is pinned on a step, or on what it is of. */
export const pinsAt = ({ cylinders, blockPins }: Assembled, { place, step }: WalkAt): PinEntry[] =>
  (place === BLOCK
    ? blockPins.filter((p) => p.cylinder === BLOCK)
    : (cylinders.find((c) => c.id === place)?.pins ?? [])
  ).filter((p) => p.check === null || p.check === step);

const isSame = (a: WalkAt, b: WalkAt | null): boolean => a.place === b?.place && a.step === b.step;

/**
 * The next step that is open, from one on and round to it again; past steps with a reminder on them, unless nothing
 * else is open. Null where all is done.
 *
 * @example nextStep(demo, walkOf(demo, demo.cylinders), null) // { place: '2', step: 'frontMark' }
 */
export function nextStep(judgement: Assembled, walk: readonly WalkAt[], from: WalkAt | null): WalkAt | null {
  const start = walk.findIndex((at) => isSame(at, from)) + 1;
  const open = [...walk.slice(start), ...walk.slice(0, start)].filter((at) => {
    const found = stepAt(judgement, at);
    return found && !isRight(found.state) && !isSame(at, from);
  });
  const isHeld = (at: WalkAt): boolean => pinsAt(judgement, at).some((p) => p.check === at.step);
  return open.find((at) => !isHeld(at)) ?? open[0] ?? null;
}

/**
 * Where the walk is taken up again: at what was left open of what was worked on last, else at what follows it.
 *
 * @example resumedAt(demo, walkOf(demo, demo.cylinders)) // { place: '2', step: 'frontMark' }
 */
export function resumedAt(judgement: Assembled, walk: readonly WalkAt[]): WalkAt | null {
  let last: { at: WalkAt; when: string } | null = null;
  for (const at of walk) {
    const when = stepAt(judgement, at)?.tick?.at ?? '';
    if (when !== '' && when >= (last?.when ?? '')) last = { at, when };
  }
  if (!last) return nextStep(judgement, walk, null);
  const { at: made } = last;
  const before = walk
    .slice(
      0,
      walk.findIndex((w) => isSame(w, made)),
    )
    .filter((w) => w.place === made.place);
  return nextStep(judgement, before, null) ?? nextStep(judgement, walk, made);
}

/** The step before or after one, whatever stands there. */
export function stepBeside(walk: readonly WalkAt[], at: WalkAt, by: 1 | -1): WalkAt | null {
  const here = walk.findIndex((w) => isSame(w, at));
  return here < 0 ? null : (walk[here + by] ?? null);
}
