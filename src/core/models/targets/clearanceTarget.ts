/** Target of the piston-to-wall clearance. */
import { say } from '../../foundation/quantity/message';
import {
  type TargetAsk,
  type Widths,
  NO_STEP,
  widthOn,
  cellsFor,
  NO_BORE,
  noFigure,
  fromFactor,
  chartCandidate,
  resolveTarget,
} from './chartTarget';
import type { Target, Candidate } from './target';

const PLATED_NO_FIGURE =
  'plated bores need less, but the chart has no figure for one: the iron bore’s is kept, the looser of the two';

/**
 * Target of the piston-to-wall clearance: factor × bore, unless the piston's sheet or the manual gives it.
 * Factors from memory: `chart.ts`.
 */
export function clearanceTarget(ask: TargetAsk): Target {
  const { bore, choices, surface } = ask;
  const widths: Widths = {
    step: NO_STEP,
    window: widthOn(choices, 'clearanceWindow', ask, NO_STEP),
    limit: widthOn(choices, 'clearanceLimit', ask, NO_STEP),
  };
  const cells = cellsFor(ask, 'the clearance');
  const below = (): Candidate | string => {
    if (typeof cells === 'string' || !bore) return typeof cells === 'string' ? cells : NO_BORE;
    const plated = surface === 'plated' ? cells.of('clearancePlated') : null;
    const cell = plated ?? cells.of('clearance');
    if (!cell) return noFigure(cells.from, 'clearance');
    const product = fromFactor(cell.factor, bore, widths);
    const lines = surface === 'plated' && !plated ? [product.line, say`${PLATED_NO_FIGURE}`] : [product.line];
    return chartCandidate(cell, product, widths, `${cells.from}, ${plated ? 'plated bore' : 'iron bore'}`, lines);
  };
  const why = [
    say`Aluminium grows more with heat than the bore does. Low-silicon forgings grow most; boost and long full load add heat. Plated aluminium bores grow with the piston and need less.`,
  ];
  return resolveTarget(choices.clearance, bore, widths, below(), why);
}
