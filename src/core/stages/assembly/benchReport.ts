/** Masses, fasteners and turning on paper and in the table. */
import { bobweightsOf } from './weights/bobweight';
import { PART_WORDS, weightsOf } from './weights/weights';
import { gramsText } from '../../foundation/quantity/mass';
import { toInches, toMm } from '../../foundation/quantity/length';
import { clear, say } from '../../foundation/quantity/message';
import { bothTorques } from '../../foundation/quantity/torque';
import { benchedOf } from '../../record/countedWork';
import { acceptedWords } from '../../record/reading';
import { type Piece, type Row, type SheetPart, words } from '../contract/report';
import { usedWords } from './torque/fastenerGroups';
import { torqueRecordOf } from './torque/torqueRecord';
import { figureWords } from './torque/words';
import { afterWords, rotatingTorqueOf } from './rotating/rotatingTorque';
import type { All, Whole } from './types';

const grams = (mg: number): string => (mg / 1000).toFixed(3);
const newtonMetres = (torque: number | null): string => (torque === null ? '' : (torque / 1000).toFixed(3));

/** What was weighed, tightened and turned at a place. */
export function benchRows({ log, choices }: All, place: string, label: string): Row[] {
  const base = (entry: { by: string; at: string; typed: string }): Row => ({
    cylinder: label,
    place,
    typed: entry.typed,
    by: entry.by,
    at_utc: entry.at,
  });
  const at = <E extends { entry: { cylinder: string } }>(all: readonly E[]): E[] =>
    all.filter(({ entry }) => entry.cylinder === place);
  return [
    ...at(benchedOf(log, 'weighed')).map(({ entry }) => ({
      ...base(entry),
      what: `mass ${entry.part}`,
      entry: 'weighed',
      mass_g: grams(entry.value),
    })),
    ...at(benchedOf(log, 'tightened')).map(({ entry }) => ({
      ...base(entry),
      what: `${(choices.fasteners ?? []).find((g) => g.id === entry.group)?.words ?? entry.group} ${entry.fastener || ''}`.trim(),
      entry: `tightened ${entry.what}`,
      torque_nm: newtonMetres(entry.torque),
      angle_deg: entry.angle === null ? '' : String(entry.angle),
      ...(entry.length === null
        ? {}
        : { value_mm: toMm(entry.length).toFixed(6), value_in: toInches(entry.length).toFixed(7) }),
    })),
    ...at(benchedOf(log, 'turned')).map(({ entry }) => ({
      ...base(entry),
      what: `turning after ${entry.after}`,
      entry: 'turned',
      torque_nm: newtonMetres(entry.value),
      note: entry.starts === null ? '' : `to start ${newtonMetres(entry.starts)} N·m`,
    })),
  ];
}

/** What a cylinder’s set and its rod’s fasteners come to; of the block, the fasteners of the engine. */
export function benchResults(engine: All, cylinders: readonly Whole[], place: string, label: string): Row[] {
  const masses = weightsOf({ ...engine, cylinders });
  const set = masses.inPlay.length === 0 ? undefined : masses.sets.find((s) => s.id === place);
  const base = { cylinder: label, place, entry: 'result' };
  return [
    ...(set
      ? [
          {
            ...base,
            what: 'set mass',
            mass_g: set.total === null ? '' : grams(set.total),
            state: set.state,
            accepted: set.accepted ? acceptedWords(set.accepted) : '',
            note: set.over === null ? '' : `${gramsText(set.over)} over the lightest`,
          },
        ]
      : []),
    ...torqueRecordOf(engine, cylinders).flatMap(({ group, fasteners }) =>
      fasteners
        .filter((f) => f.cylinder === place && f.state !== 'to do')
        .map((f) => ({
          ...base,
          what: `${group.words} ${f.fastener}`,
          ...(f.stretch === null
            ? {}
            : { value_mm: toMm(f.stretch).toFixed(6), value_in: toInches(f.stretch).toFixed(7) }),
          by: f.by ?? '',
          state: f.state,
          accepted: f.accepted ? acceptedWords(f.accepted) : '',
          note: f.secondBy === null ? '' : `second round by ${f.secondBy || 'someone'}`,
        })),
    ),
  ];
}

function massParts(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const masses = weightsOf({ ...engine, cylinders });
  if (masses.inPlay.length === 0) return [];
  const cell = (mass: number | undefined, look?: 'below'): Piece[] =>
    words(mass === undefined ? '–' : gramsText(mass).replace(' g', '')).map((p) => ({
      ...p,
      ...(look ? { look } : {}),
    }));
  const bobweights = bobweightsOf({ ...engine, cylinders }, masses);
  const hasBig = masses.inPlay.includes('bigEnd');
  return [
    {
      heading: say`Weights, g`,
      before:
        masses.spread === null
          ? []
          : [
              say`Between the heaviest and the lightest set: ${gramsText(masses.spread)}; allowed ${gramsText(masses.choices.within)}.`,
            ],
      table: {
        columns: [
          { words: 'cylinder' },
          ...masses.inPlay.map((part) => ({ words: PART_WORDS[part], figures: true })),
          { words: 'set', figures: true },
          { words: 'over the lightest', figures: true },
          ...(hasBig ? [{ words: 'big end over', figures: true }] : []),
          { words: 'verdict' },
        ],
        rows: masses.sets.map((set) => [
          words(set.label),
          ...masses.inPlay.map((part) => cell(set.parts[part]?.mass)),
          cell(set.total ?? undefined),
          cell(set.over ?? undefined),
          ...(hasBig ? [cell(set.bigOver ?? undefined)] : []),
          [{ kind: 'state' as const, state: set.state }],
        ]),
      },
      after: [
        ...(typeof bobweights === 'string'
          ? []
          : bobweights.map(
              (b, i) =>
                say`Bobweight, throw ${i + 1} (${b.labels.join(', ')}): ${gramsText(b.mass)} = big ends ${gramsText(b.bigEnds)} + shells ${gramsText(b.shells)} + oil ${gramsText(b.oil)} + ${b.share} % of ${gramsText(b.reciprocating)}`,
            )),
        ...masses.sets.flatMap((s) =>
          s.accepted ? [say`Weights of cylinder ${s.label} ${acceptedWords(s.accepted)}`] : [],
        ),
      ],
    },
  ];
}

const who = (names: readonly (string | null)[]): string =>
  [...new Set(names.filter((name): name is string => name !== null && name !== ''))].join(', ') || '–';

function fastenerParts(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const ledger = torqueRecordOf(engine, cylinders).filter((g) =>
    g.fasteners.some((f) => f.made > 0 || f.stretch !== null),
  );
  if (ledger.length === 0) return [];
  const units = engine.job?.units ?? 'metric';
  const wrong = ledger.flatMap((g) => g.fasteners.filter((f) => f.state === 'over' || f.state === 'short'));
  return [
    {
      heading: say`Fasteners`,
      before: [],
      table: {
        columns: [
          { words: 'group' },
          { words: 'figure' },
          { words: 'tight' },
          { words: 'stretch' },
          { words: 'by' },
          { words: 'second round' },
        ],
        rows: ledger.map((g) => [
          words(g.group.words),
          words([figureWords(g.group, units), usedWords(g.group)].filter(Boolean).join('; ')),
          words(`${g.done} of ${g.fasteners.length}`),
          g.spread
            ? [{ kind: 'said' as const, says: say`${clear(g.spread.least)} to ${clear(g.spread.most)}` }]
            : words('–'),
          words(who(g.fasteners.map((f) => f.by))),
          words(
            g.seconded === 0
              ? '☐'
              : `${g.seconded} of ${g.fasteners.length}, ${who(g.fasteners.map((f) => f.secondBy))}`,
          ),
        ]),
      },
      after: wrong.map((f) => say`${f.words} ${f.says}${f.accepted ? `, ${acceptedWords(f.accepted)}` : ''}`),
    },
  ];
}

function turningParts(engine: All): SheetPart[] {
  const { turns } = rotatingTorqueOf(engine, []);
  if (turns.length === 0) return [];
  const units = engine.job?.units ?? 'metric';
  return [
    {
      heading: say`What it took to turn`,
      before: [],
      table: {
        columns: [
          { words: 'turned' },
          { words: 'to keep turning' },
          { words: 'to start' },
          { words: 'added' },
          { words: 'by' },
        ],
        rows: turns.map((t) => [
          words(afterWords(t.entry, t.label)),
          words(
            `${bothTorques(t.entry.value, units)}${t.isOver && t.most !== null ? `, over ${bothTorques(t.most, units)}` : ''}`,
          ),
          words(t.entry.starts === null ? '–' : bothTorques(t.entry.starts, units)),
          words(
            t.share === null
              ? '–'
              : `${t.share < 0 ? '−' : '+'}${bothTorques(Math.abs(t.share), units)}${t.isJump ? ', a jump' : ''}`,
          ),
          words(t.entry.by || '–'),
        ]),
      },
      after: turns.flatMap((t) =>
        (t.isJump || t.isOver) && t.accepted
          ? [
              say`${t.isJump ? `The jump with cylinder ${t.label}` : `What it took, ${afterWords(t.entry, t.label)},`} ${acceptedWords(t.accepted)}`,
            ]
          : [],
      ),
    },
  ];
}

/** What of it stands on the sheet. */
export const benchParts = (engine: All, cylinders: readonly Whole[]): SheetPart[] => [
  ...massParts(engine, cylinders),
  ...fastenerParts(engine, cylinders),
  ...turningParts(engine),
];
