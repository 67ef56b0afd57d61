/** The four figures a build is set by, as the targets screen names and reaches them. */
import type { Field } from '@/core/foundation/quantity/readingField';
import type { Target } from '@/core/models/targets/target';
import type { TargetChoices, Papers } from '@/core/models/targets/papers';
import type { JudgedCylinder } from '@/core/judge/judgement';

export type Figure = 'top' | 'second' | 'rails' | 'clearance';

export interface FigureKind {
  figure: Figure;
  words: string;
  kind: Extract<Field, 'gap' | 'rail' | 'clearance'>;
}

export const FIGURES: [FigureKind, ...FigureKind[]] = [
  { figure: 'top', words: 'Top ring gap', kind: 'gap' },
  { figure: 'second', words: 'Second ring gap', kind: 'gap' },
  { figure: 'rails', words: 'Oil rail gaps', kind: 'rail' },
  { figure: 'clearance', words: 'Piston to wall', kind: 'clearance' },
];

export function targetOf(cylinder: JudgedCylinder, figure: Figure): Target {
  if (figure === 'clearance') return cylinder.clearance.target;
  return figure === 'rails' ? cylinder.rings.upperRail.target : cylinder.rings[figure].target;
}

export const papersOf = (choices: TargetChoices, figure: Figure): Papers =>
  figure === 'clearance' ? choices.clearance : choices.gaps[figure];

export const withPapers = (choices: TargetChoices, figure: Figure, papers: Papers): TargetChoices =>
  figure === 'clearance'
    ? { ...choices, clearance: papers }
    : { ...choices, gaps: { ...choices.gaps, [figure]: papers } };
