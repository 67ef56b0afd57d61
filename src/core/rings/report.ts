/** Rings and grooves, on paper and in the table. */
import { say } from '../quantity/saying';
import { isLive } from '../record/reading';
import { type Piece, type Row, type SheetPart, words } from '../stage/report';
import { cutRow, readingRow, resultRow } from '../stage/rows';
import type { Report } from '../stage/stage';
import type { All, Whole } from './found';
import { type Ring, RINGS, RING_WORDS, isCompression } from './ring';

function rows({ log }: All, cylinder: Whole): Row[] {
  const { piston, grooves, rings } = cylinder;
  return [
    ...grooves.passes.map((pass) => readingRow(piston, pass, isLive(pass, piston.round), log)),
    ...Object.values(rings).flatMap((ring) => [
      ...ring.history.map((item) =>
        item.kind === 'reading'
          ? readingRow({ label: cylinder.label, id: item.cylinder }, item, item.id === ring.reading?.id, log)
          : cutRow(cylinder, item, log),
      ),
      resultRow(
        cylinder,
        ring.ring,
        ring.gap?.value ?? null,
        ring.readIn?.move?.uncertainty ?? null,
        ring.state,
        ring.target,
      ),
      ...(ring.counts
        ? [
            resultRow(
              cylinder,
              `${ring.ring}_smallest`,
              ring.counts.gap.value,
              ring.counts.move.uncertainty,
              ring.counts.state,
              ring.target,
            ),
          ]
        : []),
    ]),
  ];
}

function gapCell(cylinder: Whole, ring: Ring): Piece[] {
  const { gap, readIn, state, passes, accepted, number, label } = cylinder.rings[ring];
  const small = (text: string): Piece => ({ kind: 'text', text, look: 'small' });
  return [
    {
      kind: 'number',
      nm: gap?.value ?? null,
      as: 'fine',
      to: readIn ? null : (gap?.upTo ?? null),
      joint: '/',
      atLeast: gap?.open ?? false,
    },
    { kind: 'state', state },
    ...(passes.length > 1 ? [small(`${passes.length} passes`)] : []),
    ...(number === cylinder.id ? [] : [small(`ring no. ${label}`)]),
    ...(readIn ? [small('predicted')] : []),
    ...(accepted ? [{ kind: 'text' as const, text: `accepted: ${accepted.reason}`, look: 'below' as const }] : []),
  ];
}

function sheet({ choices }: All, cylinders: readonly Whole[]): SheetPart[] {
  const shown = RINGS.filter((r) => isCompression(r) || cylinders.some((c) => c.rings[r].reading));
  const { name } = choices.ringSet;
  return [
    {
      heading: say`Ring end gaps`,
      unit: 'fine',
      before: name ? [say`${name}`] : [],
      table: {
        columns: [{ words: 'cylinder' }, ...shown.map((ring) => ({ words: RING_WORDS[ring] }))],
        rows: cylinders.map((c) => [words(c.label), ...shown.map((ring) => gapCell(c, ring))]),
      },
      after: [],
    },
  ];
}

export const report = { rows, sheet } satisfies Partial<Report<All, Whole>>;
