/** Pistons and clearances, on paper and in the table, and what is to be machined for them. */
import { clear, say } from '../../foundation/quantity/message';
import type { Nm } from '../../foundation/quantity/length';
import { suppliedRows, readingRow, resultRow } from '../contract/rows';
import type { Supplied } from '../bores';
import { finishOrdersOf, sizePlanOf } from './oversize';
import { type Acceptance, acceptedWords, isLive } from '../../record/reading';
import { type Piece, type Row, type SheetPart, number, words } from '../contract/report';
import type { Report } from '../contract/stage';
import { isFiler } from '../../foundation/uncertainty/instrument';
import type { All, Whole } from './types';

function rows({ log }: All, cylinder: Whole): Row[] {
  const { piston, pistonSupplied, clearance } = cylinder;
  const { clearance: pin } = piston.pin;
  const passes = [...piston.passes, ...piston.pinPasses.pin, ...piston.pinPasses.pinBore];
  return [
    ...passes.map((pass) => readingRow(piston, pass, isLive(pass, piston.round), log)),
    resultRow(piston, 'piston', piston.size?.value ?? null, piston.size?.uncertainty ?? null, '', null),
    ...suppliedRows(piston, 'piston', pistonSupplied),
    ...(pin ? [resultRow(piston, 'pin_clearance', pin.value, pin.uncertainty, pin.state, null, pin.accepted)] : []),
    ...clearance.strip.passes.map((pass) => readingRow(cylinder, pass, pass.voided === null, log)),
    resultRow(
      cylinder,
      'clearance',
      clearance.value,
      clearance.value === null ? null : clearance.uncertainty,
      clearance.state,
      clearance.target,
      clearance.accepted,
    ),
  ];
}

/** The initials of whoever measured a cylinder and its piston. */
const whoRead = ({ bore, piston }: Whole): string => {
  const by = [...bore.passes, ...piston.passes].filter((p) => p.voided === null).map((p) => p.by);
  return [...new Set(by)].filter(Boolean).join(', ');
};

/** That a verdict was accepted, under it. */
const acceptedPiece = (accepted: Acceptance | null): Piece[] =>
  accepted ? [{ kind: 'text', text: acceptedWords(accepted), look: 'below' }] : [];

const AS_REPORTED: Piece = { kind: 'text', text: ' as reported', look: 'small' };

/** A size as found, else as reported and said so. */
const bySize = (found: { value: Nm } | null, { reported }: Supplied): Piece[] =>
  !found && reported !== null ? [...number(reported, 'size'), AS_REPORTED] : number(found?.value, 'size');

const sizeRow = (c: Whole): Piece[][] => [
  words(c.label),
  [
    ...bySize(c.bore.size, c.boreSupplied),
    ...(c.bore.sizeClass === null
      ? []
      : [{ kind: 'text' as const, text: ` class ${c.bore.sizeClass}`, look: 'small' as const }]),
  ],
  number(c.bore.shape?.taper.thrust?.value, 'clearance'),
  number(c.bore.shape?.outOfRound?.value, 'clearance'),
  [
    ...words(c.bore.shape ? c.bore.verdict.state : c.boreSupplied.here || c.bore.size ? '–' : 'not measured here'),
    ...acceptedPiece(c.bore.accepted),
  ],
  [
    ...bySize(c.piston.size, c.pistonSupplied),
    ...(c.piston.id === c.id
      ? []
      : [{ kind: 'text' as const, text: ` no. ${c.piston.label}`, look: 'small' as const }]),
  ],
  c.clearance.reported === null
    ? number(c.clearance.value, 'clearance')
    : [
        ...number(c.clearance.reported.value, 'clearance'),
        c.clearance.reported.from === 'reported'
          ? AS_REPORTED
          : { kind: 'text', text: ` in the ${c.clearance.reported.from} bore`, look: 'small' },
      ],
  c.clearance.value === null ? [] : number(c.clearance.uncertainty, 'clearance'),
  [{ kind: 'state', state: c.clearance.state }, ...acceptedPiece(c.clearance.accepted)],
  words(whoRead(c)),
];

function machiningPart(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const orders = finishOrdersOf({ ...engine, cylinders });
  const plan = sizePlanOf({ ...engine, cylinders });
  const toMachine = orders.filter((o) => o.toBore);
  if (toMachine.length === 0) return [];
  const labels = new Map(cylinders.map((c) => [c.id, c.label]));
  const over =
    plan?.oversize == null ? [] : say`: ${clear(plan.oversize)} over ${{ nm: plan.standard, as: 'size' as const }}`;
  return [
    {
      heading: say`To be bored and honed${over}`,
      minor: true,
      before: [],
      table: {
        columns: [
          { words: 'cylinder' },
          { words: 'piston', unit: 'size', figures: true },
          { words: 'bore to', figures: true },
          { words: 'hone to', figures: true },
          { words: 'not outside', figures: true },
        ],
        rows: toMachine.map((o) => [
          words(labels.get(o.cylinder) ?? o.cylinder),
          number(o.piston, 'size'),
          number(o.bore, 'size'),
          number(o.hone.aim, 'size'),
          [{ kind: 'number', nm: o.hone.least, as: 'size', to: o.hone.most, joint: '–' }],
        ]),
      },
      after: [],
    },
  ];
}

/** What was ordered and reported, beside what is found; nothing where nobody said anything. */
function suppliedParts(cylinders: readonly Whole[]): SheetPart[] {
  const kinds = [
    { what: 'Bores', of: (c: Whole) => ({ said: c.boreSupplied, found: c.bore.size, label: c.label }) },
    { what: 'Pistons', of: (c: Whole) => ({ said: c.pistonSupplied, found: c.piston.size, label: c.piston.label }) },
  ];
  return kinds.flatMap(({ what, of }): SheetPart[] => {
    const all = cylinders.map(of);
    const [first] = all;
    if (!first || all.every(({ said }) => said.ordered === null && said.reported === null)) return [];
    const by = first.said.by === '' ? '' : `, reported by ${first.said.by}`;
    return [
      {
        heading: say`${what} as supplied${by}`,
        minor: true,
        before: [],
        table: {
          columns: [
            { words: 'number' },
            { words: 'ordered', unit: 'size', figures: true },
            { words: 'reported', figures: true },
            { words: 'found here', figures: true },
            { words: 'found − reported', unit: 'clearance', figures: true },
          ],
          rows: all.map(({ said, found, label }) => [
            words(label),
            number(said.ordered, 'size'),
            number(said.reported, 'size'),
            found ? number(found.value, 'size') : words('not measured'),
            number(said.against?.off, 'clearance'),
          ]),
        },
        after: [],
      },
    ];
  });
}

function measuredWith({ log }: All): ReturnType<typeof say>[] {
  const tools = [...log.tools.values()].filter((i) => !isFiler(i));
  if (tools.length === 0) return [];
  const named = tools.map(
    (i) => `${i.name} (${i.calibrated ? `calibrated ${i.calibrated}` : 'no calibration on record'})`,
  );
  return [say`Measured with: ${[...new Set(named)].join('; ')}.`];
}

function sheet(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const machining = [...suppliedParts(cylinders), ...machiningPart(engine, cylinders)];
  const tools = measuredWith(engine);
  const last = machining.at(-1);
  const sizes: SheetPart = {
    heading: say`Bores, pistons, clearance`,
    before: [],
    table: {
      columns: [
        { words: 'cylinder' },
        { words: 'bore', unit: 'size', figures: true },
        { words: 'taper', unit: 'clearance', figures: true },
        { words: 'out-of-round', figures: true },
        { words: 'bore is' },
        { words: 'piston', unit: 'size', figures: true },
        { words: 'clearance', unit: 'clearance', figures: true },
        { words: '±', figures: true },
        { words: 'verdict' },
        { words: 'by' },
      ],
      rows: cylinders.map(sizeRow),
    },
    after: last ? [] : tools,
  };
  return [sizes, ...machining.map((part) => (part === last ? { ...part, after: tools } : part))];
}

export const report = { rows, sheet } satisfies Partial<Report<All, Whole>>;
