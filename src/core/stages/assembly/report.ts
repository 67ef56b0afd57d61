/** The walk on paper and in the table: who did what, and when. */
import { torqueRecordOf, unrecorded } from './torque/torqueRecord';
import { isTightened } from './benchFindings';
import { BLOCK } from '../../foundation/engine/places';
import { type Message, say } from '../../foundation/quantity/message';
import type { PinEntry } from '../../record/reading';
import { type Piece, type Row, type SheetPart, words } from '../contract/report';
import type { Report } from '../contract/stage';
import { benchParts, benchResults, benchRows } from './benchReport';
import { blockStepsIn } from './engineSteps';
import type { All, Whole } from './types';
import { type JudgedCheck, isRight } from './cylinderSteps';
import { PIN_PART_WORDS } from '../../record/pinParts';
import { PHASE_WORDS, STEP_WORDS } from './stepNames';
import { type Phase, PHASE_OF } from './phases';

const stepRows = (label: string, place: string, steps: readonly JudgedCheck[]): Row[] =>
  steps.flatMap(({ check, state, tick }) =>
    tick ? [{ cylinder: label, place, what: check, entry: 'check', by: tick.by, at_utc: tick.at, state }] : [],
  );

const pinRows = (label: string, pins: readonly PinEntry[]): Row[] =>
  pins.map(({ cylinder, check, part, text, by, at }) => ({
    cylinder: label,
    place: cylinder,
    what: part ?? check ?? '',
    entry: 'pin',
    by,
    at_utc: at,
    state: 'pinned',
    note: text,
  }));

const rows = (engine: All, { id, label, block, pins }: Whole): Row[] => [
  ...stepRows(label, id, block.checks),
  ...benchRows(engine, id, label),
  ...pinRows(label, pins),
];

const placeRows = (engine: All, cylinders: readonly Whole[]): Row[] => [
  ...stepRows('', BLOCK, blockStepsIn(engine)),
  ...benchRows(engine, BLOCK, ''),
  ...pinRows('', engine.blockPins),
  ...cylinders.flatMap(({ id, label }) => benchResults(engine, cylinders, id, label)),
  ...benchResults(engine, cylinders, BLOCK, ''),
];

const day = (at: string): string => at.slice(0, 10);

/** Who did some steps and on which days; how many are open where some are. */
function doneBy(steps: readonly JudgedCheck[]): Piece[] {
  if (steps.length === 0) return words('–');
  const open = steps.filter((s) => !isRight(s.state)).length;
  if (open === steps.length) return words('☐');
  if (open > 0) return words(`${steps.length - open} of ${steps.length}`);
  const who = [...new Set(steps.map((s) => s.tick?.by ?? ''))].filter(Boolean).join(', ') || 'done';
  const last = steps.reduce((at, s) => ((s.tick?.at ?? '') > at ? (s.tick?.at ?? '') : at), '');
  return [
    { kind: 'text', text: who },
    { kind: 'text', text: day(last), look: 'below' },
  ];
}

const ON_PAPER = ['hang', 'rings', 'in', 'cap', 'turn'] as const satisfies readonly Phase[];

/** What everything was put together with. */
function oilWords({ choices: { walk } }: All): Message[] {
  const said = [
    ['bores', walk.oils.bore],
    ['bearings and pins', walk.oils.bearings],
    ['threads', walk.oils.threads],
    ['rings and skirts', walk.oils.rings],
    ...(walk.stands ? [['while stored', walk.oils.standing] as const] : []),
  ].flatMap(([what, oil]) =>
    oil === ''
      ? []
      : [what.startsWith('rings') || what.startsWith('while') ? `${what}: ${oil}` : `${what} with ${oil}`],
  );
  return said.length === 0 ? [] : [say`Put together: ${said.join(', ')}.`];
}

function sheet(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const { blockPins, choices } = engine;
  const blockSteps = blockStepsIn(engine);
  const isBegun =
    blockSteps.some((s) => s.tick) || cylinders.some((c) => c.block.checks.some((s) => s.tick)) || blockPins.length > 0;
  const bench = benchParts(engine, cylinders);
  if (choices.walk.asks === 'checks' || !isBegun) return bench;
  const pins = [...blockPins, ...cylinders.flatMap((c) => c.pins)];
  const named = new Map(cylinders.map((c) => [c.id, `Cylinder ${c.label}`]));
  return [
    {
      heading: say`Assembly: who did and checked what`,
      before: oilWords(engine),
      table: {
        columns: [{ words: 'cylinder' }, ...ON_PAPER.map((phase) => ({ words: PHASE_WORDS[phase] }))],
        rows: cylinders.map(({ label, block }) => [
          words(label),
          ...ON_PAPER.map((phase) => doneBy(block.checks.filter((s) => PHASE_OF[s.check] === phase))),
        ]),
      },
      after: [],
    },
    {
      heading: say`The engine as a whole`,
      minor: true,
      before: [],
      table: {
        columns: [{ words: 'step' }, { words: 'by' }],
        rows: blockSteps.map((s) => [words(STEP_WORDS[s.check]), doneBy([s])]),
      },
      after: [
        ...(isTightened(engine, cylinders)
          ? unrecorded(torqueRecordOf(engine, cylinders)).map((what) => say`${what}: torque not recorded.`)
          : []),
        ...pins.map(
          (p) =>
            say`Reminder, ${named.get(p.cylinder) ?? 'the engine'}${p.part ? `, ${PIN_PART_WORDS[p.part]}` : ''}: ${p.text} (${p.by || 'no initials'}, ${day(p.at)})`,
        ),
      ],
    },
    ...bench,
  ];
}

export const report = { rows, placeRows, sheet } satisfies Partial<Report<All, Whole>>;
