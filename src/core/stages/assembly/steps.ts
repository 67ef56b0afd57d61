/**
 * The walk from piston on rod to the last turn of the crank: which steps there are, by the engine and by the shop's
 * habits. What each says stands in `stepWords.ts`. Common practice, no source.
 */
import type { Rod } from '../../foundation/engine/crankcase';
import { type Step, CHECKS, BLOCK_STEPS } from '../../record/stepIds';
import type { WalkChoices } from './walkChoices';

/**
 * The steps of a cylinder in order. Of a pair on one throw, the crank may be turned after the rearward one alone.
 *
 * @example stepsOf(judgement.choices.walk, { besides: null, faces: 'both' }).length // 6
 */
export function stepsOf(choices: WalkChoices, { besides, faces }: Pick<Rod, 'besides' | 'faces'>): readonly Step[] {
  if (choices.asks === 'checks') return CHECKS;
  const { shells, tighten, fasteners, way, turn } = choices;
  const isLowered = way === 'barrel';
  const isNew = choices.edition === 2;
  const hasClips = choices.clips.count > 0;
  const shellSteps = ['shellsDry', ...(choices.sidedShells ? (['shellSide'] as const) : [])] as const;
  return [
    'frontMark',
    'rod',
    ...(isNew && hasClips ? (['firstClip'] as const) : []),
    'pin',
    ...(isNew && hasClips && isLowered ? (['ragIn'] as const) : []),
    ...(hasClips ? (['clips'] as const) : []),
    'expanderButts',
    'ringsOn',
    'ringsFree',
    'jointsBefore',
    ...(isNew ? (['oiled'] as const) : []),
    'boreWiped',
    ...(shells === 'before' ? shellSteps : []),
    ...(isLowered ? [] : (['throwDown'] as const)),
    ...(fasteners === 'screws' || isLowered ? [] : (['boltsCovered'] as const)),
    'jointsAfter',
    'pistonIn',
    ...(shells === 'after' ? shellSteps : []),
    'capOn',
    ...(tighten === 'each' ? (['tightened'] as const) : isNew ? (['capClosed'] as const) : []),
    ...(turn === 'each' || besides === null || faces === 'rear' ? (['turned'] as const) : []),
    'slides',
  ];
}

/**
 * The steps that are made before a piston may go in.
 *
 * @example beforeIn(['jointsAfter', 'pistonIn', 'capOn']) // [ 'jointsAfter' ]
 */
export function beforeIn(steps: readonly Step[]): readonly Step[] {
  const goesIn = steps.indexOf('pistonIn');
  return goesIn < 0 ? steps : steps.slice(0, goesIn);
}

/**
 * The steps of the engine as a whole, by the habits of the shop.
 *
 * @example blockStepsOf(demo.choices.walk).slice(0, 3) // [ 'clean', 'oilways', 'threads' ]
 */
export const blockStepsOf = ({ asks, tighten, stands }: WalkChoices): readonly (typeof BLOCK_STEPS)[number][] =>
  asks === 'checks'
    ? []
    : BLOCK_STEPS.filter((step) => (step === 'allTight' ? tighten === 'end' : step === 'protected' ? stands : true));
