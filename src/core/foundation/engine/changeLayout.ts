/** An engine given another layout, and its numbering in words. */
import { type Engine, type Layout, cylindersOf, hasTwoBanks } from './engine';
import { engineFaults } from './engineFaults';

/** As many cylinders as an engine of a layout most often has. From memory. */
const MOST_OFTEN: Record<Layout, number> = { single: 1, inline: 4, vee: 8, flat: 4 };

/** As many as it had where that can be, but a four is seldom a V. */
function cylindersFor(layout: Layout, before: number): number {
  if (layout === 'single') return 1;
  const fits = before >= 2 && (layout === 'inline' || before % 2 === 0);
  return fits && !(layout === 'vee' && before === MOST_OFTEN.inline) ? before : MOST_OFTEN[layout];
}

function bankAngleFor(layout: Layout, before: number): number {
  if (layout === 'flat') return 180;
  if (layout !== 'vee') return 0;
  return before > 0 && before < 180 ? before : 90;
}

/**
 * The engine as another layout, keeping what still makes sense.
 *
 * @example changeLayout(judgement.job.engine, 'flat').bankAngle // 180
 */
export function changeLayout(engine: Engine, layout: Layout): Engine {
  const two = hasTwoBanks(layout);
  const isNumberedSo = two !== (engine.numbering.scheme === 'sequence');
  const scheme = isNumberedSo ? engine.numbering.scheme : two ? 'alternate' : 'sequence';
  return {
    ...engine,
    layout,
    cylinders: cylindersFor(layout, engine.cylinders),
    bankAngle: bankAngleFor(layout, engine.bankAngle),
    numbering: { ...engine.numbering, scheme },
  };
}

/**
 * How the cylinders are numbered, seen from the front; empty while the engine cannot be.
 *
 * @example
 *   numberingWords({ layout: 'inline', cylinders: 3, bankAngle: 0, rotation: 'clockwise', numbering: { scheme:
 *   'sequence', start: 'front', firstBank: 'left' } }) // 'From the front: 1 2 3.'
 */
export function numberingWords(engine: Engine): string {
  if (engineFaults(engine).length > 0) return '';
  const labels = (bank: string): string =>
    cylindersOf(engine)
      .filter((c) => c.bank === bank)
      .sort((a, b) => a.row - b.row)
      .map((c) => c.label)
      .join(' ');
  return hasTwoBanks(engine.layout)
    ? `From the front: left bank ${labels('left')}; right bank ${labels('right')}.`
    : `From the front: ${labels('only')}.`;
}
