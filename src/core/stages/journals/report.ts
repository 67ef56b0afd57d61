/** The bottom end on paper and in the table. */
import { type Message, clear, say } from '../../foundation/quantity/message';
import type { LengthStyle } from '../../foundation/quantity/format';
import { passesOf, roundOf } from '../../record/log';
import { acceptedWords, isLive } from '../../record/reading';
import { type Piece, type Row, type SheetPart, type Table, number, words } from '../contract/report';
import { type Owner, readingRow, resultRow } from '../contract/rows';
import type { Report } from '../contract/stage';
import { sizesWords } from '../../foundation/quantity/sizeLimits';
import type { All, JudgedFigure, JudgedBearing, JudgedInspection, Whole } from './types';
import { KIND_WORDS, METHOD_WORDS } from './words';
import { isBottomEndBegun } from './openBearings';
import type { JournalSubject } from './tasks';

/** The part whose renewal ends what a reading holds for. */
const PART: Partial<Record<JournalSubject, string>> = {
  journal: 'journal',
  housing: 'shells',
  bare: 'housing',
  shell: 'shells',
  thread: 'shells',
};

const readingRows = ({ log }: All, owner: Owner, subjects: readonly JournalSubject[]): Row[] =>
  subjects.flatMap((subject) => {
    const part = PART[subject];
    const now = part === undefined ? 0 : roundOf(log, owner.id, part);
    return passesOf(log, owner.id, subject).map((pass) => readingRow(owner, pass, isLive(pass, now), log));
  });

const heldRow = (owner: Owner, what: string, held: JudgedFigure): Row[] =>
  held.value === null
    ? []
    : [resultRow(owner, what, held.value, held.uncertainty, held.state, held.target, held.accepted)];

const bearingRows = (engine: All, b: JudgedBearing): Row[] => [
  ...readingRows(engine, b, ['journal', 'housing', 'bare', 'shell', 'thread']),
  ...(b.journal.size
    ? [
        resultRow(
          b,
          `${b.kind}_journal`,
          b.journal.size.value,
          b.journal.size.uncertainty,
          b.journal.state,
          null,
          b.journal.accepted,
        ),
      ]
    : []),
  ...heldRow(b, `${b.kind}_clearance`, b.clearance),
];

const rows = (engine: All, c: Whole): Row[] => [
  ...bearingRows(engine, c.rod),
  ...readingRows(engine, c, ['side', 'smallEnd']),
  ...(c.sideOf === c.id ? heldRow(c, 'side_clearance', c.side) : []),
  ...heldRow(c, 'small_end_clearance', c.smallEnd),
];

const placeRows = (engine: All): Row[] => [
  ...engine.mains.flatMap((b) => bearingRows(engine, b)),
  ...engine.others.flatMap((o) => [
    ...readingRows(engine, o, ['other']),
    ...heldRow(o, 'other_clearance', o.clearance),
  ]),
  ...(engine.crank
    ? [...readingRows(engine, engine.crank, ['endPlay']), ...heldRow(engine.crank, 'end_play', engine.crank.endPlay)]
    : []),
];

const heldCells = (held: JudgedFigure, as: LengthStyle = 'clearance'): Piece[][] => [
  held.value === null
    ? words('–')
    : held.low === held.high
      ? number(held.value, as)
      : [{ kind: 'number', nm: held.low, as, to: held.high, joint: '–' }],
  held.value === null ? [] : number(held.uncertainty, as),
  [
    { kind: 'state', state: held.state },
    ...(held.accepted ? [{ kind: 'text', text: acceptedWords(held.accepted), look: 'below' } as const] : []),
  ],
];

/** What a figure may be, after its name. */
const limitsCell = ({ target }: JudgedFigure): Piece[] => {
  if (!target.set) return [];
  const { least, most, from } = target.inForce;
  const by = from === '' ? 'the manual' : from;
  return [
    {
      kind: 'said',
      says: most === null ? say` (at least ${clear(least)}, ${by})` : say` (${clear(least)} to ${clear(most)}, ${by})`,
    },
  ];
};

const shellWords = ({ choices: { shells } }: All, b: JudgedBearing): string => {
  const fitted = shells.fitted.find((f) => f.place === b.id);
  if (!fitted) return '–';
  const name = (id: string): string => shells.stock[b.kind].find((s) => s.id === id)?.name ?? id;
  return fitted.upper === fitted.lower ? name(fitted.upper) : `${name(fitted.upper)} / ${name(fitted.lower)}`;
};

const initials = (looks: readonly JudgedInspection[]): string =>
  looks.length > 0 && looks.every((l) => l.state === 'right')
    ? [...new Set(looks.map((l) => l.by))].filter(Boolean).join(', ') || 'inspected'
    : '–';

const bearingTable = (engine: All, bearings: readonly JudgedBearing[]): Table => ({
  columns: [
    { words: 'bearing' },
    { words: 'journal', unit: 'size', figures: true },
    { words: 'out of round', unit: 'clearance', figures: true },
    { words: 'taper', figures: true },
    { words: 'with shells', unit: 'size', figures: true },
    { words: 'shells' },
    { words: 'clearance', unit: 'clearance', figures: true },
    { words: '±', figures: true },
    { words: 'verdict' },
    { words: 'inspected' },
  ],
  rows: bearings.map((b) => [
    words(b.words),
    [
      ...number(b.journal.size?.value, 'size'),
      ...(b.journal.sizeClass === null
        ? []
        : [{ kind: 'text', text: `class ${b.journal.sizeClass}`, look: 'below' } as const]),
    ],
    number(b.journal.outOfRound, 'clearance'),
    number(b.journal.taper, 'clearance'),
    number(b.housing?.value, 'size'),
    words(shellWords(engine, b)),
    ...heldCells(b.clearance),
    words(initials(b.looks)),
  ]),
});

function limitsSaid({ choices: { journals } }: All): Message[] {
  const from = (source: string): string => (source === '' ? 'the manual' : source);
  return (['main', 'rod'] as const).flatMap((kind) => {
    const { clearance, sizes, tightened } = journals.bearings[kind];
    const { least, most, source } = clearance;
    const measured = sizesWords(sizes);
    const told = tightened === '' ? '' : ` Cap torque ${tightened}.`;
    const said = [
      ...(least === null
        ? []
        : [
            most === null
              ? say` at least ${clear(least)} (${from(source)}).`
              : say` ${clear(least)} to ${clear(most)} (${from(source)}).`,
          ]),
      ...(measured ? [say` Journals ${measured} (${from(sizes.source)}).`] : []),
      ...(told === '' ? [] : [say`${told}`]),
    ];
    return said.length === 0
      ? []
      : [said.reduce<Message>((all, each) => say`${all}${each}`, say`${KIND_WORDS[kind]}:`)];
  });
}

function sheet(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const { mains, rods, crank, others, choices } = engine;
  if (!crank || !isBottomEndBegun(engine, cylinders)) return [];
  const { asks, method } = choices.journals;
  const play: Piece[][][] = [
    ...(asks.endPlay ? [[words('Crank, end play'), ...heldCells(crank.endPlay)]] : []),
    ...cylinders.flatMap((c) =>
      asks.side && c.sideOf === c.id ? [[words(`Rod ${c.label}, side clearance`), ...heldCells(c.side)]] : [],
    ),
    ...cylinders.flatMap((c) =>
      asks.smallEnd || c.smallEnd.value !== null
        ? [[words(`Rod ${c.label}, pin in small end`), ...heldCells(c.smallEnd)]]
        : [],
    ),
    ...others.map((o) => [[...words(o.words), ...limitsCell(o.clearance)], ...heldCells(o.clearance)]),
  ];
  return [
    {
      heading: say`Journals and bearings`,
      before: [...limitsSaid(engine), say`Clearance from ${METHOD_WORDS[method]}.`],
      table: bearingTable(engine, mains),
      after: [],
    },
    { heading: say`Rods`, minor: true, before: [], table: bearingTable(engine, rods), after: [] },
    ...(play.length > 0
      ? [
          {
            heading:
              others.length > 0
                ? say`End play, side clearance, pins, other clearances`
                : say`End play, side clearance, pins`,
            minor: true,
            before: [],
            table: {
              columns: [
                { words: 'what' },
                { words: 'read', unit: 'clearance', figures: true } as const,
                { words: '±', figures: true },
                { words: 'verdict' },
              ],
              rows: play,
            },
            after: asks.looks ? [say`Thrust washers, grooves to the crank: ${initials(crank.looks)}.`] : [],
          },
        ]
      : []),
  ];
}

export const report = { rows, placeRows, sheet } satisfies Partial<Report<All, Whole>>;
