/** Pistons: measured at the gauge point, held against their bores, and paired with them. */
import type { JudgedBore } from '../bores/judged';
import { type Grade, type FinishOrder, type SizingChoices, type SizePlan, finishOrder, gradeOf } from '../bores/plan';
import { nearPlan } from '../bores/stage';
import type { Cylinder } from '../engine/engine';
import { whereParts } from '../engine/whereParts';
import { PISTON_EXPANSION } from '../heat/metals';
import type { Expected } from '../quantity/hear';
import type { Units } from '../quantity/length';
import { near, saidSize } from '../quantity/near';
import { clear, say } from '../quantity/saying';
import { beforeOf, passesOf, roundOf } from '../record/log';
import { type LoggedReading, isLive } from '../record/reading';
import { ENGINE, type Memo } from '../stage/memo';
import { type Piece, type Row, type SheetPart, number, words } from '../stage/report';
import { readingRow, resultRow } from '../stage/rows';
import { type Caption, type Frame, type Judged, type Outcome, SILENT, type Stage, counted } from '../stage/stage';
import type { Task } from '../stage/tasks';
import { type TargetSettings, targetsAt } from '../targets/settings';
import type { TargetsMade, TargetsPart } from '../targets/stage';
import { isFiler } from '../uncertainty/instrument';
import { type PairingChoices, STARTING_PAIRING } from './choices';
import { clearanceAdvice, clearanceIsDone } from './clearance';
import { clearanceFindings, pistonFindings } from './findings';
import { type JudgedPiston, judgedPiston, withOutliers } from './judged';
import { type JudgedClearance, judgedClearance } from './judgedClearance';
import { type PistonChoices, STARTING_PISTONS } from './piston';
import { type Pair, type PairingAsk, type Standing, standingOf } from './standing';

/** What can be read of a piston and its pin, and the feeler strip drawn beside it as a check. */
export const PISTON_SUBJECTS = ['piston', 'pin', 'pinBore', 'strip'] as const;
export type PistonSubject = (typeof PISTON_SUBJECTS)[number];

export interface PistonsChoices {
  pistons: PistonChoices;
  pairing: PairingChoices;
}

export interface PistonsPart {
  /** The piston that is in it. */
  piston: JudgedPiston;
  clearance: JudgedClearance;
  /** Classes of bore and piston where select fits are used. */
  grades: { bore: Grade | null; piston: Grade | null } | null;
}

export interface JudgedPairing {
  /** The pairs that held before the present ones. */
  before: readonly Pair[];
  /** What a pairing is worked out from: the cylinders whose bore and whose piston are measured, and whose target is set. */
  ask: PairingAsk;
  /** How the present pairing stands. */
  standing: Standing;
  /** Labels of the cylinders that are left out of it. */
  waiting: string[];
  /** Whether any piston is in another cylinder than that of its number. */
  swapped: boolean;
}

export interface PistonsMade {
  /** In the order of their numbers. */
  pistons: JudgedPiston[];
  pairing: JudgedPairing;
  /** What each measured piston's bore is bored and honed to. */
  orders: FinishOrder[];
}

type Engine = Frame<PistonsChoices & { sizing: SizingChoices }> & Pick<TargetsMade, 'piston' | 'targetSettings'>;
type Bored = Cylinder & { bore: JudgedBore } & TargetsPart;
type Whole = Bored & PistonsPart;
type All = Engine & PistonsMade & { plan: SizePlan | null };

/** Of a piston that is not said how it is made: cast. */
const expansionOf = ({ piston }: Engine): number => PISTON_EXPANSION[piston?.alloy ?? 'cast'];

function pistonsOf(engine: Engine, cylinders: readonly Cylinder[], memo: Memo): JudgedPiston[] {
  const { log, choices } = engine;
  const expansion = expansionOf(engine);
  const measured = cylinders.map(({ id, label }) => {
    const round = roundOf(log, id, 'piston');
    const passes = (subject: 'piston' | 'pin' | 'pinBore'): readonly LoggedReading[] => passesOf(log, id, subject);
    const from = [passes('piston'), passes('pin'), passes('pinBore'), label, round, expansion, log.tools];
    return memo('piston', id, [...from, choices.pistons], () =>
      judgedPiston({ id, label, passes, round, expansion, tools: log.tools, choices: choices.pistons }),
    );
  });
  return memo('pistons', ENGINE, measured, () => withOutliers(measured));
}

function gradesOf(bore: JudgedBore, piston: JudgedPiston, { grades }: SizingChoices): PistonsPart['grades'] {
  if (!grades) return null;
  const { step, count } = grades;
  return {
    bore: bore.size && gradeOf(bore.size.value, bore.size.uncertainty, { from: grades.bore, step, count }),
    piston: piston.size && gradeOf(piston.size.value, piston.size.uncertainty, { from: grades.piston, step, count }),
  };
}

/** Finish bores of the pistons that are measured, with the clearance that the size they come to asks for. */
function ordersOf(cylinders: readonly Whole[], settings: TargetSettings, { honing }: SizingChoices): FinishOrder[] {
  return cylinders.flatMap(({ id, piston, bore, allowance }) => {
    if (!piston.size) return [];
    const target = targetsAt({ nm: piston.size.value, measured: false }, settings, allowance).clearance;
    if (!target.set) return [];
    const present = bore.shape && { smallest: bore.shape.smallest.value, largest: bore.shape.largest.value };
    return [finishOrder(id, piston.size.value, target.inForce, present, honing)];
  });
}

function pairingOf(cylinders: readonly Whole[], choices: PairingChoices, before: readonly Pair[]): JudgedPairing {
  const ready = cylinders.flatMap(({ id, bore, piston, clearance: { target } }) => {
    if (!bore.size || !piston.size || !target.set) return [];
    const { min, aimTo } = target.inForce;
    const wanted = Math.round((min + (aimTo ?? min)) / 2);
    return [
      {
        bore: { cylinder: id, bore: bore.size.value, wanted, least: min },
        piston: { piston: piston.id, size: piston.size.value },
      },
    ];
  });
  const { locked, marked, gain, neverTight } = choices;
  const ask: PairingAsk = {
    bores: ready.map((r) => r.bore),
    pistons: ready.map((r) => r.piston),
    now: ready.map((r) => ({ cylinder: r.bore.cylinder, piston: r.piston.piston })),
    locked,
    marked,
    gain,
    neverTight,
  };
  const asked = new Set(ask.bores.map((b) => b.cylinder));
  return {
    before,
    ask,
    standing: standingOf(ask, ask.now),
    waiting: cylinders.flatMap((c) => (asked.has(c.id) ? [] : [c.label])),
    swapped: choices.pairs.some((p) => p.cylinder !== p.piston),
  };
}

/** Every cylinder's piston: as found for those that could be paired, as it is for the rest. */
export const everyPair = (cylinders: readonly (Cylinder & PistonsPart)[], found: readonly Pair[]): Pair[] =>
  cylinders.map((c) => ({
    cylinder: c.id,
    piston: found.find((p) => p.cylinder === c.id)?.piston ?? c.piston.id,
  }));

function judge(engine: Engine, cylinders: readonly Bored[], memo: Memo): Judged<PistonsPart, PistonsMade> {
  const { log, choices, targetSettings: settings } = engine;
  const pistons = pistonsOf(engine, cylinders, memo);
  const byNumber = new Map(pistons.map((p) => [p.id, p]));
  const put = choices.pairing.pairs.map(({ cylinder, piston: part }) => ({ cylinder, part }));
  const pistonIn = memo('which piston where', ENGINE, [choices.pairing.pairs, ...pistons.map((p) => p.id)], () =>
    whereParts(cylinders, put),
  );
  const judged = cylinders.flatMap((cylinder): (Whole & { part: PistonsPart })[] => {
    const { id, bore, targets } = cylinder;
    const piston = byNumber.get(pistonIn.get(id) ?? id);
    if (!piston) return [];
    const strips = passesOf(log, id, 'strip');
    const part = memo('clearance', id, [bore, piston, targets.clearance, strips, choices.sizing.grades], () => ({
      piston,
      clearance: judgedClearance(bore, piston, targets.clearance, strips),
      grades: gradesOf(bore, piston, choices.sizing),
    }));
    return [{ ...cylinder, ...part, part }];
  });
  const parts = judged.map((c) => c.part);
  const before = beforeOf<Pair>(log, 'pairing');
  return {
    cylinders: new Map(judged.map(({ id, part }) => [id, part])),
    engine: memo(
      'pistons of the engine',
      ENGINE,
      [pistons, settings, choices.sizing, choices.pairing, before, ...parts],
      () => ({
        pistons,
        pairing: pairingOf(judged, choices.pairing, before),
        orders: settings ? ordersOf(judged, settings, choices.sizing) : [],
      }),
    ),
  };
}

/** The pistons by cylinder, with pin and pin bore where they are on the route. */
function pistonTasks(cylinders: readonly Whole[], { readings, pins }: PistonChoices): Task<PistonSubject>[] {
  const task = (c: Whole, subject: PistonSubject, done: boolean): Task<PistonSubject> => ({
    cylinder: c.id,
    subject,
    spot: null,
    done,
  });
  return cylinders.flatMap((c) => [
    task(c, 'piston', c.piston.read >= readings),
    ...(pins ? [task(c, 'pin', c.piston.pin.pin !== null), task(c, 'pinBore', c.piston.pin.bore !== null)] : []),
  ]);
}

/** How near a piston and a pin should be to their neighbours, and a piston to its bore. From memory. */
const NEAR_OTHERS = 100_000;
const UNDER_BORE = 100_000;
const NEAR_BORE = 300_000;

function expected(
  { pistons, job }: All,
  { piston, targetBore }: Whole,
  subject: string,
  units: Units,
): Expected | null {
  if (subject === 'strip') return null;
  if (subject !== 'piston') {
    const pins = pistons.flatMap((p) => [p.pin.pin?.value ?? [], p.pin.bore?.value ?? []].flat());
    return near(pins, NEAR_OTHERS, 'the other pins and their bores read', units);
  }
  const others = pistons.flatMap((p) => (p.id === piston.id ? [] : (p.size?.value ?? [])));
  const found = near(others, NEAR_OTHERS, 'the other pistons read', units);
  if (found) return found;
  if (!targetBore) return nearPlan(job, units);
  const because = `its bore is ${targetBore.measured ? '' : 'planned as '}${saidSize(targetBore.nm, units)}`;
  return { nm: targetBore.nm - UNDER_BORE, within: NEAR_BORE, because };
}

const quiet = (soft: string): Outcome => ({ says: [], state: null, strong: null, soft: say`${soft}` });

function pinOutcome({ piston }: Whole, subject: string): Outcome {
  const pin = piston.pin.clearance;
  if (!pin) return quiet(`The pin${subject === 'pin' ? ' bore' : ''} makes a clearance of it.`);
  return { says: say`pin clearance ${clear(pin.value)}: `, state: pin.state, strong: null, soft: [] };
}

function stripOutcome({ clearance: { strip, value } }: Whole): Outcome {
  if (!strip.check) return quiet('A check only: the clearance comes from bore and piston.');
  return {
    says: [],
    state: null,
    strong: strip.check.agrees ? 'Agrees' : 'Does not agree',
    soft: say`with the measured ${clear(value ?? 0)}. A check only.`,
  };
}

function outcome(_engine: All, cylinder: Whole, subject: string): Outcome {
  const { clearance, piston } = cylinder;
  if (subject === 'strip') return stripOutcome(cylinder);
  if (subject !== 'piston') return pinOutcome(cylinder, subject);
  if (clearance.value === null) return quiet(`piston ${piston.label}`);
  return {
    says: say`clearance ${clear(clearance.value)}: `,
    state: clearance.state,
    strong: null,
    soft: clearanceAdvice(clearance.state, clearance.uncertainty),
  };
}

const caption = ({ clearance: { state, value } }: Whole): Caption => ({
  state,
  word: state,
  figure: value === null ? [] : [clear(value)],
});

function rows({ log }: All, cylinder: Whole): Row[] {
  const { piston, clearance } = cylinder;
  const { clearance: pin } = piston.pin;
  const passes = [...piston.passes, ...piston.pinPasses.pin, ...piston.pinPasses.pinBore];
  return [
    ...passes.map((pass) => readingRow(piston, pass, isLive(pass, piston.round), log)),
    resultRow(piston, 'piston', piston.size?.value ?? null, piston.size?.uncertainty ?? null, '', null),
    ...(pin ? [resultRow(piston, 'pin_clearance', pin.value, pin.uncertainty, pin.state, null)] : []),
    ...clearance.strip.passes.map((pass) => readingRow(cylinder, pass, pass.voided === null, log)),
    resultRow(
      cylinder,
      'clearance',
      clearance.value,
      clearance.value === null ? null : clearance.uncertainty,
      clearance.state,
      clearance.target,
    ),
  ];
}

/** The initials of whoever measured a cylinder and its piston. */
const whoRead = ({ bore, piston }: Whole): string => {
  const by = [...bore.passes, ...piston.passes].filter((p) => p.voided === null).map((p) => p.by);
  return [...new Set(by)].filter(Boolean).join(', ');
};

const sizeRow = (c: Whole): Piece[][] => [
  words(c.label),
  number(c.bore.size?.value, 'size'),
  number(c.bore.shape?.taper.thrust?.value, 'clearance'),
  number(c.bore.shape?.outOfRound?.value, 'clearance'),
  words(c.bore.shape ? c.bore.verdict.state : '–'),
  [
    ...number(c.piston.size?.value, 'size'),
    ...(c.piston.id === c.id
      ? []
      : [{ kind: 'text' as const, text: ` no. ${c.piston.label}`, look: 'small' as const }]),
  ],
  number(c.clearance.value, 'clearance'),
  c.clearance.value === null ? [] : number(c.clearance.uncertainty, 'clearance'),
  [{ kind: 'state', state: c.clearance.state }],
  words(whoRead(c)),
];

function machiningPart({ orders, plan }: All, cylinders: readonly Whole[]): SheetPart[] {
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

function measuredWith({ log }: All): ReturnType<typeof say>[] {
  const tools = [...log.tools.values()].filter((i) => !isFiler(i));
  if (tools.length === 0) return [];
  const named = tools.map(
    (i) => `${i.name} (${i.calibrated ? `calibrated ${i.calibrated}` : 'no calibration on record'})`,
  );
  return [say`Measured with: ${[...new Set(named)].join('; ')}.`];
}

function sheet(engine: All, cylinders: readonly Whole[]): SheetPart[] {
  const machining = machiningPart(engine, cylinders);
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

/** What all four have alike. */
const OF_A_PISTON = {
  list: 'pistons',
  number: 'piston',
  style: 'size',
  warm: true,
  part: 'piston',
  spots: false,
  fitted: false,
} as const;

export const pistons = {
  ...SILENT,
  words: 'Pistons',
  choices: { pistons: (): PistonChoices => STARTING_PISTONS, pairing: (): PairingChoices => STARTING_PAIRING },
  subjects: {
    piston: { ...OF_A_PISTON, words: 'piston', field: 'piston', tool: 'piston' },
    pin: { ...OF_A_PISTON, words: 'pin', field: 'pin', tool: 'pin' },
    pinBore: { ...OF_A_PISTON, words: 'pin bore', field: 'pin', tool: 'pinBore' },
    strip: {
      ...OF_A_PISTON,
      words: 'feeler strip',
      field: 'clearance',
      tool: 'gap',
      number: 'cylinder',
      style: 'fine',
      warm: false,
      part: null,
    },
  },
  judge,
  lists: ({ choices }, cylinders) => ({ pistons: pistonTasks(cylinders, choices.pistons) }),
  progress: (_engine, cylinders) => counted(cylinders.map((c) => clearanceIsDone(c.clearance.state))),
  findings: (_engine, cylinders, memo) =>
    cylinders.flatMap((c) =>
      memo('piston findings', c.id, [c], () => [...pistonFindings(c.piston), ...clearanceFindings(c)]),
    ),
  caption,
  expected,
  outcome,
  rows,
  sheet,
} satisfies Stage<Engine, Bored, PistonsPart, PistonsMade, All, Whole>;
