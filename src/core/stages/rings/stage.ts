/** Rings: every ring read, filed and placed in its cylinder, and how it sits in its groove. */
import type { Nm } from '../../foundation/quantity/length';
import { outcome } from './outcome';
import { findings } from './findings';
import { whereParts } from '../../foundation/engine/partPlacement';
import { type JudgedHeat, heatOf } from '../../models/heat/assess';
import { STEEL_EXPANSION } from '../../foundation/uncertainty/expansion';
import { BORE_EXPANSION, RING_EXPANSION } from '../../models/heat/metals';
import { fine, say } from '../../foundation/quantity/message';
import { beforeOf, historyOf, passesOf, roundOf } from '../../record/log';
import { type LoggedReading, livePasses } from '../../record/reading';
import { type Memo, ENGINE } from '../contract/memo';
import { type StageResult, type Missing, type Stage, type SubjectFacts, SILENT, counted } from '../contract/stage';
import type { Task } from '../contract/tasks';
import { type TargetsPart, gapCaption } from '../targets';
import type { Target } from '../../models/targets/target';
import { notUnder, isOrderGiven } from '../../models/targets/ringGapTarget';
import type { CutAdvice } from './filingAdvice';
import {
  type BenchChoices,
  type PlacingChoices,
  type RailChoices,
  type Route,
  STARTING_BENCH,
  STARTING_PLACING,
  readsRails,
} from './choices';
import type { All, Engine, Fitted, RingsEngineResult, RingsCylinderResult, Whole, Spread } from './types';
import { type GrooveSubject, type JudgedGrooves, GROOVE_SUBJECTS, grooveOf, judgedGrooves } from './grooves';
import type { RingBore } from './gapEvidence';
import { type JudgedRing, judgeRing, ringBore } from './ringGap';
import { type JudgedPlacing, judgePlacement } from './ringPlacement';
import type { Placed } from './placement';
import { type JudgedRate, cutAdvice, metalOf, ratesOf } from './rates';
import { worstOf } from './ring';
import { type Compression, type Ring, RING_WORDS, isCompression, RINGS } from '../../foundation/parts/rings';
import { type RingSet, GROOVE_WORDS, STARTING_RING_SET, landIsDone, ringMetals, sideIsDone } from './set';
import { lackWords } from './words';

/**
 * Rings that must be in their window before the engine is: both compression rings, and the rails where they are read.
 *
 * @example ringsOnRoute(judgement.choices) // [ 'top', 'second' ]
 */
export const ringsOnRoute = (choices: RailChoices): Ring[] => (readsRails(choices) ? [...RINGS] : ['top', 'second']);

type RingBores = ReadonlyMap<string, RingBore>;

/** The bores as rings see them: each the same object until that bore is read or machined. */
function ringBoresOf(cylinders: readonly Fitted[], memo: Memo): RingBores {
  const bores = cylinders.map(({ id, label, bore }): [string, RingBore] => [
    id,
    memo('girths', id, [bore, label], () => ringBore(bore, label)),
  ]);
  return new Map(bores);
}

const targetOf = ({ targets }: TargetsPart, ring: Ring): Target =>
  isCompression(ring) ? targets[ring] : targets.rails;

/** A second ring's target, not under the top ring as it was read on that piston, where the first school was chosen. */
function secondTarget({ id, targets }: Fitted, top: JudgedRing, { choices }: Engine, memo: Memo): Target {
  const isRead = top.counts !== null && top.cutsSince === 0 && !top.isUndated;
  if (!isRead || choices.targets.secondSchool !== 'larger' || isOrderGiven(targets.top, targets.second))
    return targets.second;
  const least = Math.round(top.counts?.low ?? 0);
  return memo('second target', id, [targets.second, least], () =>
    notUnder(targets.second, least, say`not under the top ring's ${fine(least)} as read`),
  );
}

interface RingAt {
  ring: Ring;
  /** Of which number. */
  number: string;
  cylinder: Fitted;
  bores: RingBores;
  target: Target;
}

/** One ring without its advice, which follows once all rates are known. */
function ringAt(
  { ring, number, cylinder, bores, target }: RingAt,
  { log, choices, labels, job }: Engine,
  memo: Memo,
): JudgedRing {
  const history = historyOf(log, number, ring);
  const round = roundOf(log, number, ring);
  const label = labels.get(number) ?? number;
  const { bench, targets, deciding } = choices;
  const from: unknown[] = [
    deciding,
    number,
    history,
    round,
    label,
    target,
    bench,
    targets.feelerStep,
    log.accepted,
    log.filedBefore,
    log.tools,
  ];
  const metals = {
    ring: isCompression(ring) ? RING_EXPANSION[ringMetals(choices.ringSet, choices.heat)[ring]] : STEEL_EXPANSION,
    wall: BORE_EXPANSION[job?.surface ?? 'iron'],
    diameter: cylinder.targetBore?.nm ?? null,
  };
  from.push(metals.ring, metals.wall, metals.diameter, bores.get(cylinder.id));
  for (const item of history) if (item.cylinder !== cylinder.id) from.push(bores.get(item.cylinder));
  return memo(ring, cylinder.id, from, () =>
    judgeRing({
      ring,
      number,
      label,
      cylinder: cylinder.id,
      target,
      history,
      round,
      accepted: log.accepted,
      filedBefore: log.filedBefore,
      bench,
      strictness: deciding,
      tools: log.tools,
      feelerStep: targets.feelerStep,
      bores,
      metals,
    }),
  );
}

/** A ring with what to cut from it next. */
function advised(ring: JudgedRing, cylinder: string, rates: JudgedRate[], { choices }: Engine, memo: Memo): JudgedRing {
  const metal = metalOf(choices.ringSet, ring.ring);
  const { chance } = choices.bench;
  return memo(`advised ${ring.ring}`, cylinder, [ring, rates, metal, chance], () => {
    const advice: CutAdvice | null = cutAdvice(ring, rates, metal, chance);
    return advice === null ? ring : { ...ring, advice };
  });
}

/** The readings of a groove that count. */
const grooveReadings = ({ log }: Engine, piston: string, subject: GrooveSubject): readonly LoggedReading[] =>
  livePasses(passesOf(log, piston, subject), roundOf(log, piston, 'piston'));

/** The first piston's readings of a groove, for where one stands for all. */
function sampledReading(
  engine: Engine,
  subject: GrooveSubject,
): { readings: readonly LoggedReading[]; label: string } | null {
  for (const [id, label] of engine.labels) {
    const readings = grooveReadings(engine, id, subject);
    if (readings.length > 0) return { readings, label };
  }
  return null;
}

/** What stands for all pistons, by groove subject: the same for every cylinder. */
type Samples = readonly ReturnType<typeof sampledReading>[];

function groovesOf({ piston }: Fitted, samples: Samples, engine: Engine, memo: Memo): JudgedGrooves {
  const { log, choices } = engine;
  const histories = GROOVE_SUBJECTS.map((s) => passesOf(log, piston.id, s));
  const sampled = samples.flatMap((s) => (s ? [...s.readings, s.label] : [null]));
  return memo(
    'grooves',
    piston.id,
    [...histories, ...sampled, piston.round, choices.ringSet, choices.deciding, log.tools, log.accepted],
    () =>
      judgedGrooves({
        set: choices.ringSet,
        own: (subject) => grooveReadings(engine, piston.id, subject),
        sampled: (subject) => samples[GROOVE_SUBJECTS.indexOf(subject)] ?? null,
        passes: histories.flat(),
        tools: log.tools,
        strictness: choices.deciding,
        accepted: log.accepted,
      }),
  );
}

function heatIn(
  { targetBore, targets, clearance }: Fitted,
  rings: RingsCylinderResult['rings'],
  engine: Engine,
): JudgedHeat | null {
  const { job, duty, piston, choices } = engine;
  const { heat, ringSet } = choices;
  if (!targetBore || !job) return null;
  return heatOf({
    bore: targetBore.nm,
    row: duty.row,
    column: piston,
    surface: job.surface,
    cooling: job.service.cooling,
    choices: heat,
    targets,
    measured: { top: rings.top.counts, second: rings.second.counts },
    metals: ringMetals(ringSet, heat),
    clearance: clearance.value,
  });
}

/** What a set of rings comes to in one cylinder, once their advice is in. */
function partOf(
  cylinder: Fitted,
  rings: RingsCylinderResult['rings'],
  samples: Samples,
  engine: Engine,
  memo: Memo,
): RingsCylinderResult {
  const grooves = groovesOf(cylinder, samples, engine, memo);
  const { job, duty, piston, choices } = engine;
  const { targetBore, targets, clearance, id } = cylinder;
  const { top, second, upperRail, lowerRail } = rings;
  const from = [top, second, targetBore, targets, clearance.value, job, duty, piston, choices.heat, choices.ringSet];
  const heat = memo('heat', id, from, () => heatIn(cylinder, rings, engine));
  return memo('rings', id, [top, second, upperRail, lowerRail, grooves, heat], () => ({
    rings,
    worst: { compression: worstOf([top, second]).ring, rail: worstOf([upperRail, lowerRail]).ring },
    grooves,
    heat,
  }));
}

function spreadsOf(cylinders: readonly Whole[], limit: Nm): Spread[] {
  return RINGS.flatMap((ring) => {
    const values = cylinders.flatMap((c) => c.rings[ring].counts?.value ?? []);
    if (values.length < 2) return [];
    const least = Math.min(...values);
    const most = Math.max(...values);
    return [{ ring, least, most, spread: most - least, isWide: most - least > limit }];
  });
}

function judge(
  engine: Engine,
  cylinders: readonly Fitted[],
  memo: Memo,
): StageResult<RingsCylinderResult, RingsEngineResult> {
  const { log, choices } = engine;
  const bores = ringBoresOf(cylinders, memo);
  const numberIn = (kind: Compression): Map<string, string> => {
    const put = choices.placing[kind].pairs.map(({ cylinder, ring: part }) => ({ cylinder, part }));
    return whereParts(cylinders, put);
  };
  const numbers = { top: numberIn('top'), second: numberIn('second') };
  const unadvised = cylinders.map((cylinder) => {
    const at = (ring: Ring, target = targetOf(cylinder, ring)): JudgedRing => {
      const number = (isCompression(ring) ? numbers[ring].get(cylinder.id) : null) ?? cylinder.id;
      return ringAt({ ring, number, cylinder, bores, target }, engine, memo);
    };
    const top = at('top');
    const second = at('second', secondTarget(cylinder, top, engine, memo));
    return { cylinder, rings: [top, second, at('upperRail'), at('lowerRail')] };
  });
  const taken = unadvised.flatMap((u) => u.rings.filter((r) => r.taken.length > 0));
  const rates = memo('rates', ENGINE, [log.shopRates, choices.ringSet, ...taken.map((r) => r.taken)], () =>
    ratesOf(taken, log.shopRates, choices.ringSet),
  );
  const samples = GROOVE_SUBJECTS.map((subject) => sampledReading(engine, subject));
  const judged = unadvised.map(({ cylinder, rings }): Whole & { part: RingsCylinderResult } => {
    const done = rings.map((ring): [Ring, JudgedRing] => [ring.ring, advised(ring, cylinder.id, rates, engine, memo)]);
    const part = partOf(cylinder, Object.fromEntries(done) as RingsCylinderResult['rings'], samples, engine, memo);
    return { ...cylinder, ...part, part };
  });
  const placed = (kind: Compression): JudgedPlacing => {
    const before = beforeOf<Placed>(log, `placing ${kind}`);
    const from = [
      choices.placing,
      choices.deciding,
      before,
      ...bores.values(),
      ...judged.map((c) => c.rings[kind]),
      engine.labels,
    ];
    return memo('placing', kind, from, () =>
      judgePlacement(judged, kind, choices.placing, before, bores, choices.deciding),
    );
  };
  return {
    cylinders: new Map(judged.map(({ id, part }) => [id, part])),
    engine: {
      ...{ rates, placing: { top: placed('top'), second: placed('second') } },
      spreads: spreadsOf(judged, choices.bench.spread),
    },
  };
}

/** The rings in the order of the route: where it is free, as by cylinder. A ring is done when it may go in. */
function ringTasks(cylinders: readonly Whole[], route: Route, rings: Ring[]): Task<Ring>[] {
  const task = (c: Whole, ring: Ring): Task<Ring> => ({
    cylinder: c.id,
    subject: ring,
    spot: null,
    done: c.rings[ring].done,
  });
  if (route === 'byRing') return rings.flatMap((ring) => cylinders.map((c) => task(c, ring)));
  const banks = [...new Set(cylinders.map((c) => c.bank))];
  const inOrder = route === 'byBank' ? banks.flatMap((bank) => cylinders.filter((c) => c.bank === bank)) : cylinders;
  return inOrder.flatMap((c) => rings.map((ring) => task(c, ring)));
}

function grooveIsDone({ grooves }: Whole, subject: GrooveSubject): boolean {
  const { groove, figure } = grooveOf(subject);
  const found = grooves.grooves.find((g) => g.groove === groove);
  if (!found) return false;
  const { accepted } = found[figure];
  return accepted !== null || (figure === 'side' ? sideIsDone(found.side.state) : landIsDone(found.land.state));
}

/** The grooves of each piston, or of the first one for all. Those that follow from the sizes of the set are done. */
function grooveTasks(cylinders: readonly Whole[], { grooves }: RingSet): Task<GrooveSubject>[] {
  const checked = grooves === 'sample' ? cylinders.slice(0, 1) : cylinders;
  return checked.flatMap((c) =>
    GROOVE_SUBJECTS.map((subject) => ({ cylinder: c.id, subject, spot: null, done: grooveIsDone(c, subject) })),
  );
}

/** What is still to be done with the rings of a cylinder, and in the grooves they go into: a groove that nobody reads asks for nothing. */
function missing(choices: All['choices'], { rings, grooves }: Whole): Missing[] {
  const route = ringsOnRoute(choices);
  const open = RINGS.filter((ring) => !rings[ring].done && (route.includes(ring) || rings[ring].reading !== null));
  return [
    ...open.map((ring) => ({ says: say`${RING_WORDS[ring]}: ${lackWords(rings[ring])}`, subject: ring })),
    ...grooves.grooves.flatMap(({ groove, side, land }) => [
      ...(side.state === 'to do' || side.accepted || sideIsDone(side.state)
        ? []
        : [{ says: say`${GROOVE_WORDS[groove]}, axial clearance: ${side.state}`, subject: `${groove}Side` }]),
      ...(land.state === 'to do' || land.accepted || landIsDone(land.state)
        ? []
        : [{ says: say`${GROOVE_WORDS[groove]}, under the land: ${land.state}`, subject: `${groove}Land` }]),
    ]),
  ];
}

/** What every ring has alike, and every groove. */
const OF_A_RING = {
  list: 'rings',
  tool: 'gap',
  number: 'ring',
  style: 'fine',
  warm: true,
  spots: null,
  fitted: true,
} as const;
const OF_A_GROOVE = {
  list: 'grooves',
  tool: 'gap',
  number: 'piston',
  style: 'fine',
  warm: false,
  part: 'piston',
  spots: null,
  fitted: false,
} as const;

export const rings = {
  ...SILENT,
  words: 'Rings',
  coverage: 'unless left out',
  choices: {
    bench: (): BenchChoices => STARTING_BENCH,
    ringSet: (): RingSet => STARTING_RING_SET,
    placing: (): PlacingChoices => STARTING_PLACING,
  },
  subjects: {
    top: { ...OF_A_RING, words: RING_WORDS.top, field: 'gap', part: 'top' },
    second: { ...OF_A_RING, words: RING_WORDS.second, field: 'gap', part: 'second' },
    upperRail: { ...OF_A_RING, words: RING_WORDS.upperRail, field: 'rail', part: 'upperRail' },
    lowerRail: { ...OF_A_RING, words: RING_WORDS.lowerRail, field: 'rail', part: 'lowerRail' },
    topSide: { ...OF_A_GROOVE, words: 'top groove, axial', field: 'groove' },
    secondSide: { ...OF_A_GROOVE, words: 'second groove, axial', field: 'groove' },
    oilSide: { ...OF_A_GROOVE, words: 'oil groove, axial', field: 'groove' },
    topLand: { ...OF_A_GROOVE, words: 'top ring under the land', field: 'land' },
    secondLand: { ...OF_A_GROOVE, words: 'second ring under the land', field: 'land' },
    oilLand: { ...OF_A_GROOVE, words: 'oil pack under the land', field: 'land' },
  } satisfies Record<Ring | GrooveSubject, SubjectFacts>,
  judge,
  lists: ({ choices: { bench, ringSet, targets } }, cylinders) => ({
    grooves: grooveTasks(cylinders, ringSet),
    rings: ringTasks(cylinders, bench.route, ringsOnRoute({ bench, targets })),
  }),
  progress: ({ choices }, cylinders) =>
    counted(cylinders.flatMap((c) => ringsOnRoute(choices).map((ring) => c.rings[ring].done))),
  missing,
  caption: gapCaption,
  outcome,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Fitted, RingsCylinderResult, RingsEngineResult, All, Whole>;
