/** Rings and grooves, on paper and in the table. */
import { readsRails } from './choices';
import { say } from '../../foundation/quantity/message';
import { acceptedWords, isLive } from '../../record/reading';
import { type Piece, type Row, type SheetPart, words } from '../contract/report';
import { cutRow, readingRow, resultRow } from '../contract/rows';
import type { Report } from '../contract/stage';
import type { All, Whole } from './types';
import { type Ring, RING_WORDS, isCompression, RINGS } from '../../foundation/parts/rings';
import { countsWords } from './words';

function rows({ log, labels }: All, cylinder: Whole): Row[] {
  const { piston, grooves, rings } = cylinder;
  return [
    ...grooves.passes.map((pass) => readingRow(piston, pass, isLive(pass, piston.round), log)),
    ...Object.values(rings).flatMap((ring) => {
      const counting = new Set(ring.counts?.evidence.map((e) => e.id));
      return [
        ...ring.history.map((item) => {
          const where = { label: labels.get(item.cylinder) ?? item.cylinder, id: item.cylinder };
          return item.kind === 'reading'
            ? { ...readingRow(where, item, counting.has(item.id), log), ring: ring.number }
            : cutRow(where, item, log);
        }),
        {
          ...resultRow(
            cylinder,
            ring.ring,
            ring.counts?.value ?? null,
            ring.counts?.uncertainty ?? null,
            ring.state,
            ring.target,
            ring.accepted,
          ),
          ring: ring.number,
        },
      ];
    }),
  ];
}

function gapCell(cylinder: Whole, ring: Ring): Piece[] {
  const { called, counts, differs, readIn, state, passes, round, accepted, number, label } = cylinder.rings[ring];
  const small = (text: string): Piece => ({ kind: 'text', text, look: 'small' });
  const live = passes.filter((pass) => isLive(pass, round)).length;
  return [
    {
      kind: 'number',
      nm: called?.value ?? null,
      as: 'fine',
      to: called?.upTo ?? null,
      joint: '/',
      atLeast: called?.open ?? false,
    },
    { kind: 'state', state },
    ...(counts && differs ? [{ kind: 'said' as const, says: countsWords(counts, readIn !== null) }] : []),
    ...(live > 1 ? [small(`${live} passes`)] : []),
    ...(number === cylinder.id ? [] : [small(`ring no. ${label}`)]),
    ...(readIn ? [small(`read in cylinder ${readIn.label}`)] : []),
    ...(accepted ? [{ kind: 'text' as const, text: acceptedWords(accepted), look: 'below' as const }] : []),
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
      after: readsRails(choices) || shown.length > 2 ? [] : [say`Oil rails: not measured here.`],
    },
  ];
}

export const report = { rows, sheet } satisfies Partial<Report<All, Whole>>;
