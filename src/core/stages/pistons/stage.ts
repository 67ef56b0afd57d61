/** Pistons: measured at the gauge point, held against their bores, and paired with them. */
import { findings } from './findings';
import { type JudgedBore, type SizingChoices, gradeOf, nearPlan, isHere, suppliedOf } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import { whereParts } from '../../foundation/engine/partPlacement';
import { PISTON_EXPANSION } from '../../models/heat/metals';
import type { Expected } from '../../foundation/quantity/readingField';
import type { Nm, Units } from '../../foundation/quantity/length';
import { expectedNear, sizeInBoth } from '../../foundation/quantity/expectedSize';
import { clear, say } from '../../foundation/quantity/message';
import { beforeOf, passesOf, roundOf } from '../../record/log';
import { type LoggedReading, livePasses } from '../../record/reading';
import { shopTemperature } from '../../foundation/uncertainty/thermal';
import { type Memo, ENGINE } from '../contract/memo';
import {
  type Caption,
  type StageResult,
  type Missing,
  type Outcome,
  type Stage,
  SILENT,
  counted,
} from '../contract/stage';
import type { Task } from '../contract/tasks';
import { type PairingChoices, STARTING_PAIRING } from './choices';
import { type Strictness, leastRight } from '../../foundation/verdict/decide';
import { clearanceDoubt } from '../../models/clearance/clearance';
import { clearanceAdvice } from './clearanceAdvice';
import type { All, Bored, Engine, JudgedPairing, PistonsEngineResult, PistonsCylinderResult, Whole } from './types';
import { type JudgedPiston, judgePiston, withOutliers } from './pistonSize';
import { isZeroedOn, judgeClearance } from './clearance';
import { type PistonChoices, STARTING_PISTONS } from './piston';
import { type Pair, type PairingAsk, standingOf } from './standing';

/** What can be read of a piston and its pin, and the feeler strip drawn beside it as a check. */
export const PISTON_SUBJECTS = ['piston', 'pin', 'pinBore', 'strip'] as const;
export type PistonSubject = (typeof PISTON_SUBJECTS)[number];

/** Of a piston that is not said how it is made: cast. */
const expansionOf = ({ piston }: Engine): number => PISTON_EXPANSION[piston?.alloy ?? 'cast'];

function pistonsOf(engine: Engine, cylinders: readonly Cylinder[], memo: Memo): JudgedPiston[] {
  const { log, choices } = engine;
  const expansion = expansionOf(engine);
  const measured = cylinders.map(({ id, label }) => {
    const round = roundOf(log, id, 'piston');
    const passes = (subject: 'piston' | 'pin' | 'pinBore'): readonly LoggedReading[] => passesOf(log, id, subject);
    const shop = shopTemperature(livePasses(passesOf(log, id, 'bore'), roundOf(log, id, 'bore')));
    const from = [passes('piston'), passes('pin'), passes('pinBore'), label, round, expansion, shop, log.tools];
    return memo('piston', id, [...from, choices.pistons, choices.deciding, log.accepted], () =>
      judgePiston({
        id,
        label,
        passes,
        round,
        ...{ expansion, shop, tools: log.tools },
        choices: choices.pistons,
        strictness: choices.deciding,
        accepted: log.accepted,
      }),
    );
  });
  return memo('pistons', ENGINE, measured, () => withOutliers(measured));
}

function gradesOf(bore: JudgedBore, piston: JudgedPiston, { grades }: SizingChoices): PistonsCylinderResult['grades'] {
  if (!grades) return null;
  const { step, count } = grades;
  return {
    bore: bore.size && gradeOf(bore.size.value, bore.size.uncertainty, { from: grades.bore, step, count }),
    piston: piston.size && gradeOf(piston.size.value, piston.size.uncertainty, { from: grades.piston, step, count }),
  };
}

function pairingOf(
  cylinders: readonly Whole[],
  choices: PairingChoices,
  before: readonly Pair[],
  deciding: Strictness,
): JudgedPairing {
  const ready = cylinders.flatMap(({ id, bore, piston, clearance: { target, value } }) => {
    const [bored, made] = [bore.size, piston.size];
    if (!bored || !made || value === null || !target.set) return [];
    const { aimFrom, aimTo } = target.inForce;
    const wanted = Math.round((aimFrom + (aimTo ?? aimFrom)) / 2);
    const bounds = { ...target.inForce, grace: deciding.clearanceGrace };
    const leastOf = (zeroed: boolean): Nm =>
      Math.ceil(leastRight(bounds, clearanceDoubt(bored, made, zeroed), deciding.sure));
    return [
      {
        bore: {
          cylinder: id,
          bore: bored.value,
          wanted,
          least: leastOf(false),
          ...(isZeroedOn(bore, piston) && { zeroed: { piston: piston.id, least: leastOf(true) } }),
        },
        piston: { piston: piston.id, size: made.value, own: { standard: made.doubt.own, freedom: made.doubt.freedom } },
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

/**
 * Every cylinder's piston: as found for those that could be paired, as it is for the rest.
 *
 * @example
 *   everyPair(demo.cylinders.slice(0, 2), [{ cylinder: '2', piston: '3' }])
 *   // [{ cylinder: '1', piston: '1' }, { cylinder: '2', piston: '3' }]
 */
export const everyPair = (cylinders: readonly (Cylinder & PistonsCylinderResult)[], found: readonly Pair[]): Pair[] =>
  cylinders.map((c) => ({
    cylinder: c.id,
    piston: found.find((p) => p.cylinder === c.id)?.piston ?? c.piston.id,
  }));

function judge(
  engine: Engine,
  cylinders: readonly Bored[],
  memo: Memo,
): StageResult<PistonsCylinderResult, PistonsEngineResult> {
  const { log, choices } = engine;
  const pistons = pistonsOf(engine, cylinders, memo);
  const byNumber = new Map(pistons.map((p) => [p.id, p]));
  const put = choices.pairing.pairs.map(({ cylinder, piston: part }) => ({ cylinder, part }));
  const here = isHere(engine.job, 'pistons');
  const plannedBore = engine.job?.plannedBore ?? null;
  const pistonIn = memo('which piston where', ENGINE, [choices.pairing.pairs, ...pistons.map((p) => p.id)], () =>
    whereParts(cylinders, put),
  );
  const judged = cylinders.flatMap((cylinder): (Whole & { part: PistonsCylinderResult })[] => {
    const { id, bore, targets } = cylinder;
    const piston = byNumber.get(pistonIn.get(id) ?? id);
    if (!piston) return [];
    const strips = passesOf(log, id, 'strip');
    const { boreSupplied } = cylinder;
    const from = [
      bore,
      boreSupplied,
      piston,
      targets.clearance,
      strips,
      choices.sizing.grades,
      choices.deciding,
      choices.supplied.pistons,
      here,
      log.accepted,
      plannedBore,
    ];
    const part = memo('clearance', id, from, () => {
      const pistonSupplied = suppliedOf(choices.supplied.pistons, piston.id, here, piston.size);
      return {
        piston,
        pistonSupplied,
        clearance: judgeClearance({
          cylinder: id,
          bore,
          piston,
          reported: { bore: boreSupplied.reported, piston: pistonSupplied.reported },
          finished:
            boreSupplied.ordered !== null
              ? { size: boreSupplied.ordered, from: 'ordered' }
              : plannedBore === null
                ? null
                : { size: plannedBore, from: 'planned' },
          target: targets.clearance,
          strips,
          strictness: choices.deciding,
          accepted: log.accepted,
        }),
        grades: gradesOf(bore, piston, choices.sizing),
      };
    });
    return [{ ...cylinder, ...part, part }];
  });
  const parts = judged.map((c) => c.part);
  const before = beforeOf<Pair>(log, 'pairing');
  return {
    cylinders: new Map(judged.map(({ id, part }) => [id, part])),
    engine: memo(
      'pistons of the engine',
      ENGINE,
      [pistons, choices.pairing, choices.deciding, before, ...parts],
      () => ({
        pistons,
        pairing: pairingOf(judged, choices.pairing, before, choices.deciding),
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
/** How far under its bore a piston is expected, nm. From memory. */
const UNDER_BORE = 100_000;
/** And within what, nm. From memory. */
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
    return expectedNear(pins, NEAR_OTHERS, 'the other pins and their bores read', units);
  }
  const others = pistons.flatMap((p) => (p.id === piston.id ? [] : (p.size?.value ?? [])));
  const found = expectedNear(others, NEAR_OTHERS, 'the other pistons read', units);
  if (found) return found;
  if (!targetBore) return nearPlan(job, units);
  const because = `its bore is ${targetBore.from === 'measured' ? '' : `${targetBore.from} as `}${sizeInBoth(targetBore.nm, units)}`;
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
  const { reported } = clearance;
  if (reported && reported.from !== 'reported')
    return {
      ...{ says: say`clearance in the ${reported.from} bore ${clear(reported.value)}: `, state: reported.state },
      ...{ strong: null, soft: say`The bore is still to be machined.` },
    };
  if (clearance.value === null) return quiet(`piston ${piston.label}`);
  return {
    says: say`clearance ${clear(clearance.value)}: `,
    state: clearance.state,
    strong: null,
    soft: clearanceAdvice(clearance, clearance.uncertainty, clearance.accepted),
  };
}

/** Whether a clearance is done; of a bore that is not measured here, whether its piston is read. */
const isSettled = ({ clearance, bore, boreSupplied, piston }: Whole, { readings }: PistonChoices): boolean =>
  clearance.done || (!boreSupplied.here && bore.size === null && piston.read >= readings);

/** What is still to be done with a piston, its pin and its clearance. A pin that nobody reads asks for nothing. */
function missing(choices: All['choices'], cylinder: Whole): Missing[] {
  const { clearance, piston } = cylinder;
  const pin = piston.pin.clearance;
  const pinAsks = pin ? pin.state !== 'in window' && !pin.accepted : choices.pistons.pins;
  return [
    ...(isSettled(cylinder, choices.pistons) ? [] : [{ says: say`clearance: ${clearance.state}`, subject: 'piston' }]),
    ...(pinAsks ? [{ says: say`pin clearance: ${pin?.state ?? 'to do'}`, subject: 'pin' }] : []),
  ];
}

function caption({ clearance: { state, value, reported }, boreSupplied, pistonSupplied }: Whole): Caption {
  if (reported && reported.from !== 'reported') return { state, word: reported.from, figure: [clear(reported.value)] };
  if (value === null && !(boreSupplied.here && pistonSupplied.here))
    return {
      state,
      word: reported === null ? 'not here' : 'reported',
      figure: reported === null ? [] : [clear(reported.value)],
    };
  return { state, word: state, figure: value === null ? [] : [clear(value)] };
}

/** What all four have alike. */
const OF_A_PISTON = {
  list: 'pistons',
  number: 'piston',
  style: 'size',
  warm: true,
  part: 'piston',
  spots: null,
  fitted: false,
} as const;

export const pistons = {
  ...SILENT,
  words: 'Pistons',
  coverage: 'unless left out',
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
  progress: ({ choices }, cylinders) => counted(cylinders.map((c) => isSettled(c, choices.pistons))),
  missing,
  caption,
  expected,
  outcome,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Bored, PistonsCylinderResult, PistonsEngineResult, All, Whole>;
