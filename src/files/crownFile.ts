/** The crowns of a build as an SVG document. */
import { expectedOf } from '@/core/stages/assembly/orientationWords';
import { crownOf } from '@/core/stages/clocking/crownDrawing';
import { type View, viewWords } from '@/core/stages/clocking/viewpoint';
import { type CrownDrawing, crownSvg } from './crownSvg';
import type { Judgement } from '@/core/judge/judgement';

/** One cylinder's crown, or all; null where none of them has a plan. */
export function crownFile(
  { job, cylinders, choices: { clocking } }: Judgement,
  view: View,
  cylinder: string | null,
): string | null {
  const { stand, facts, rods } = clocking;
  const crowns = cylinders.flatMap((c): CrownDrawing[] => {
    const { round } = c.clocking;
    const scene = cylinder === null || c.id === cylinder ? crownOf(c.clocking, clocking, view, 'full') : null;
    if (!scene) return [];
    const lines = [
      viewWords(view, round, stand, facts.lean),
      ...(['frontMark', 'rod'] as const).map((check) => expectedOf(check, c.clocking, rods.numbers)),
    ].filter((line) => line !== null);
    return [
      {
        id: c.id,
        title: `Cylinder ${c.label}${c.bank === 'only' ? '' : `, ${c.bank} bank`}`,
        lines,
        scene,
        bore: round.bore,
      },
    ];
  });
  return crowns.length === 0
    ? null
    : crownSvg(crowns, `${job?.name ?? ''}: ring end gaps, degrees clockwise from the front`);
}
