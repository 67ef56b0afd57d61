/** Bores: read spot by spot, what they come to, and what is to be done with them. */
import { findings } from './findings';
import type { Cylinder } from '../../foundation/engine/engine';
import { BORE_EXPANSION } from '../../models/heat/metals';
import { shopTemperature } from '../../foundation/uncertainty/thermal';
import type { Job } from '../../record/jobCard';
import type { Expected } from '../../foundation/quantity/readingField';
import type { Nm, Units } from '../../foundation/quantity/length';
import { median, expectedNear, sizeInBoth } from '../../foundation/quantity/expectedSize';
import { type Message, clear, fine, say, size, capital } from '../../foundation/quantity/message';
import { passesOf, roundOf } from '../../record/log';
import { acceptedWords, livePasses } from '../../record/reading';
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
import type { BoresCylinderResult, Engine, Measured, Whole } from './types';
import { type BoreChoices, type Basis, STARTING_BORES } from './measuringPlan';
import { judgeBore } from './bore';
import { smallestClean, standardBore, startingSizing } from './oversizeChoices';
import { type SuppliedChoices, STARTING_SUPPLIED, isHere, suppliedOf } from './suppliedSizes';
import { boreAdvice } from './verdict';

/** Whether an oversize on the list cleans a bore; true while that cannot be said. */
function isSold(engine: Engine): (largest: Nm) => boolean {
  const standard = standardBore(engine);
  const { oversizes, cleanUp } = engine.choices.sizing;
  if (standard === null || oversizes.length === 0) return () => true;
  return (largest) => smallestClean(largest + cleanUp - standard, oversizes) !== null;
}

const boreExpansion = (job: Job | null): number => BORE_EXPANSION[job?.surface ?? 'iron'];

function judge(engine: Engine, cylinders: readonly Cylinder[], memo: Memo): StageResult<BoresCylinderResult, object> {
  const { log, job, choices } = engine;
  const sold = memo('sold oversizes', ENGINE, [standardBore(engine), choices.sizing], () => isSold(engine));
  const expansion = boreExpansion(job);
  const here = isHere(job, 'bores');
  const measured = cylinders.map((cylinder) => {
    const { id } = cylinder;
    const [passes, round] = [passesOf(log, id, 'bore'), roundOf(log, id, 'bore')];
    const shop = shopTemperature(livePasses(passesOf(log, id, 'piston'), roundOf(log, id, 'piston')));
    const part = memo(
      'bore',
      id,
      [
        passes,
        round,
        choices.bores,
        choices.deciding,
        choices.supplied.bores,
        here,
        expansion,
        shop,
        log.tools,
        log.accepted,
        sold,
      ],
      () => {
        const bore = judgeBore(
          {
            passes,
            round,
            choices: choices.bores,
            ...{ expansion, shop, tools: log.tools },
            strictness: choices.deciding,
            accepted: log.accepted,
          },
          sold,
        );
        return { bore, boreSupplied: suppliedOf(choices.supplied.bores, id, here, bore.size) };
      },
    );
    return { ...cylinder, ...part, part };
  });
  return {
    cylinders: new Map(measured.map(({ id, part }) => [id, part])),
    engine: {},
  };
}

/** Whether only a size without its place is known of a bore: nobody is sent to read it again. */
const isSizeAlone = ({ bore }: Pick<Measured, 'bore'>): boolean => bore.size !== null && bore.shape === null;

/** The spots of every bore in the order of the grid and of the route. A spot is done once it is read as often as asked. */
function boreTasks(cylinders: readonly Measured[], { route, depths, ridge }: BoreChoices): Task<'bore'>[] {
  const all = cylinders.flatMap((c) =>
    c.bore.spots.slice(0, c.bore.total).map(({ depth, angle, done }): Task<'bore'> => ({
      cylinder: c.id,
      subject: 'bore',
      spot: { depth, angle },
      done: done || isSizeAlone(c),
    })),
  );
  if (route === 'byCylinder') return all;
  return [...(ridge ? (['above'] as const) : []), ...depths].flatMap((depth) =>
    all.filter((task) => task.spot?.depth === depth),
  );
}

/** What is still to be done with a bore. */
const missing = (_choices: unknown, { bore }: Measured): Missing[] =>
  bore.done || isSizeAlone({ bore }) ? [] : [{ says: say`bore: ${bore.verdict.state}`, subject: 'bore' }];

function caption({ bore: { size: found, verdict, read, total }, boreSupplied: { here, reported } }: Measured): Caption {
  if (!here && !found)
    return {
      state: 'to do',
      word: reported === null ? 'not here' : 'reported',
      figure: reported === null ? [] : say`${size(reported)}`,
    };
  const begun = verdict.state === 'part read' && total > 0;
  return { state: verdict.state, word: verdict.state, figure: begun ? say`${read}/${total}` : [] };
}

/** How near a bore should be to its neighbours, before it is questioned at entry. From memory. */
const NEAR_OTHERS = 250_000;
/** And a reading to the others in the same bore, which wears unevenly before it is honed: 3 and 6 thou. From memory. */
const NEAR_IN_BORE: Record<Basis, Nm> = { honed: 75_000, used: 152_400 };
/** And to the planned bore. From memory. */
const NEAR_PLAN = 1_600_000;

/**
 * The planned bore, as what a size should be near to.
 *
 * @example nearPlan(judgement.job, 'imperial')?.because // 'the planned bore is 4.0650 in'
 */
export const nearPlan = (job: Job | null, units: Units): Expected | null =>
  job?.plannedBore == null
    ? null
    : { nm: job.plannedBore, within: NEAR_PLAN, because: `the planned bore is ${sizeInBoth(job.plannedBore, units)}` };

function expected(
  { job, choices, cylinders }: Engine & { cylinders: readonly Measured[] },
  { id, bore }: Measured,
  _subject: string,
  units: Units,
): Expected | null {
  const here = bore.spots.flatMap((s) => s.value ?? []);
  const others = cylinders.flatMap((c) => (c.id === id ? [] : (c.bore.size?.value ?? [])));
  return (
    expectedNear(here, NEAR_IN_BORE[choices.bores.basis], 'this bore reads', units) ??
    expectedNear(others, NEAR_OTHERS, 'the other bores read', units) ??
    nearPlan(job, units)
  );
}

/** What the planned bore should be near to: the median of the bores read so far, or null when none is. */
export function expectedPlan({ cylinders, job }: { cylinders: readonly Measured[]; job: Job | null }): Expected | null {
  const read = cylinders.flatMap((c) => c.bore.size?.value ?? []);
  if (read.length === 0) return null;
  const nm = median(read);
  return { nm, within: NEAR_PLAN, because: `the bores read about ${sizeInBoth(nm, job?.units ?? 'metric')}` };
}

function outcome({ choices }: Engine, { bore, clearance }: Whole): Outcome {
  const { shape, verdict, read, total } = bore;
  const taper = shape?.taper.thrust ?? shape?.taper.overall ?? null;
  const begun = verdict.state === 'part read';
  const soft: Message[] = [
    begun ? say`${read} of ${total}. ` : [],
    taper ? say`Taper ${fine(taper.value)}. ` : [],
    shape?.outOfRound ? say`Out-of-round ${fine(shape.outOfRound.value)}. ` : [],
    clearance.value === null ? [] : say`Clearance ${clear(clearance.value)}. `,
    begun
      ? []
      : bore.accepted
        ? say`${capital(acceptedWords(bore.accepted))}.`
        : say`${boreAdvice(verdict.state, choices.bores.basis)}`,
  ];
  return { says: [], state: verdict.state, strong: null, soft: soft.flat() };
}

export const bores = {
  ...SILENT,
  words: 'Bores',
  coverage: 'unless left out',
  choices: {
    bores: (): BoreChoices => STARTING_BORES,
    sizing: startingSizing,
    supplied: (): SuppliedChoices => STARTING_SUPPLIED,
  },
  subjects: {
    bore: {
      words: 'bore',
      list: 'bores',
      field: 'bore',
      tool: 'bore',
      number: 'cylinder',
      style: 'size',
      warm: true,
      part: 'bore',
      spots: 'bore',
      fitted: false,
    },
  },
  judge,
  lists: ({ choices }, cylinders) => ({ bores: boreTasks(cylinders, choices.bores) }),
  progress: (_engine, cylinders) => counted(cylinders.map((c) => c.bore.done || isSizeAlone(c))),
  missing,
  caption,
  expected,
  outcome,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Cylinder, BoresCylinderResult, object, Engine & { cylinders: readonly Whole[] }, Whole>;
