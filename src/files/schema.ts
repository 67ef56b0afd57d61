/**
 * The shape of every entry as it crosses an edge: a request, a file, a row of the store.
 * Lengths are whole nanometres, times ISO 8601 in UTC.
 */
import { z } from 'zod';
import { type ChoiceKind, type Choices, CHOICE_KINDS, PARTS, SUBJECTS, SUBJECT_IDS } from '@/core/stages';
import { CHECKS } from '@/core/assembly/checks';
import { type ClockingChoices, STARTING_CLOCKING } from '@/core/clocking/choices';
import { THROWS } from '@/core/clocking/crankcase';
import type { Joints } from '@/core/clocking/joints';
import { RULE_SEVERITIES, type Rule, type Rules, SCOPES } from '@/core/clocking/rules';
import { SCHOOLS } from '@/core/clocking/schools';
import { FRONT_MARKS, INTAKE_SIDES, LEFT_PISTONS, SIDES } from '@/core/clocking/surroundings';
import { LAYOUTS, MOST_CYLINDERS, NUMBERING_SCHEMES } from '@/core/engine/engine';
import { engineFaults } from '@/core/engine/engineFaults';
import { type BoreChoices, ABOVE, DEPTHS } from '@/core/bores/grid';
import { MOST_GRADES, type SizingChoices } from '@/core/bores/plan';
import { type Entry } from '@/core/record/record';
import { GAUGE_FROM, type PistonChoices } from '@/core/pistons/piston';
import { PLACING_AIMS } from '@/core/rings/placed';
import type { RateSums } from '@/core/rings/rate';
import { RINGS, SQUARINGS } from '@/core/rings/ring';
import { BEVELS, type RingSet, SECTIONS, UP_MARKS } from '@/core/rings/set';
import { type HeatChoices } from '@/core/heat/assess';
import { RING_METALS } from '@/core/heat/metals';
import { MOST_BOOST } from '@/core/quantity/pressure';
import { ALLOYS, CHART_FIGURES, type Chart } from '@/core/targets/chart';
import { chartFaults } from '@/core/targets/chartEdit';
import { type Adder, FUELS, NO_SERVICE, type Service, USES } from '@/core/targets/duty';
import { type Own, type Papers, SURFACES, type TargetChoices } from '@/core/targets/target';
import { INSTRUMENT_KINDS, type Instrument } from '@/core/uncertainty/instrument';
import { instrumentFaults } from '@/core/uncertainty/instrumentFaults';
import { type BenchChoices, type PlacingChoices, ROUTES, STARTING_BENCH } from '@/core/rings/choices';
import type { Job } from '@/core/job/job';
import type { PairingChoices } from '@/core/pistons/choices';
import type { RingFit } from '@/core/record/reading';

const METRE = 1_000_000_000;

const text = (most: number) => z.string().max(most, `at most ${most} characters`);
const nm = z.int('a whole number of nanometres').min(0, 'not negative').max(METRE, 'at most a metre');
const widthNm = nm.min(1, 'more than nothing');
const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'letters, digits, - and _, 64 at most');
const cylinder = z.string().regex(/^(?:[LR]?\d{1,2})$/, 'a place in the block such as 3, L1 or R2');

export const buildIdSchema = id;

const engine = z
  .strictObject({
    layout: z.enum(LAYOUTS),
    cylinders: z.int().min(1).max(MOST_CYLINDERS),
    bankAngle: z.number().min(0).max(180),
    rotation: z.enum(['clockwise', 'anticlockwise']),
    numbering: z.strictObject({
      scheme: z.enum(NUMBERING_SCHEMES),
      start: z.enum(['front', 'rear']),
      firstBank: z.enum(['left', 'right']),
    }),
  })
  .superRefine((value, context) => {
    for (const message of engineFaults(value)) context.addIssue({ code: 'custom', message });
  });

const boosted = <K extends 'turbo' | 'supercharger'>(kind: K) =>
  z.strictObject({ kind: z.literal(kind), boost: z.int().min(1).max(MOST_BOOST, 'at most 15 bar').nullable() });
const adder: z.ZodType<Adder, Adder> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  boosted('turbo'),
  boosted('supercharger'),
  z.strictObject({
    kind: z.literal('nitrous'),
    shots: z.array(z.number().positive().max(5_000)).max(6),
    cylinders: z.int().min(1).max(MOST_CYLINDERS).nullable(),
  }),
]);
const service: z.ZodType<Service, Service> = z.strictObject({
  use: z.enum(USES).nullable(),
  fuel: z.enum(FUELS),
  now: adder,
  later: adder.nullable(),
});

/** Name of a row or a column in a chart. */
const partId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'letters, digits, - and _, 40 at most');

/** A job card as it comes in: what cards of files of version 1 lack is filled in. */
export const jobSchema = z.strictObject({
  name: text(120).trim().min(1, 'Give the build a name.'),
  customer: text(120),
  description: text(200),
  notes: text(4000),
  engine,
  units: z.enum(['imperial', 'metric']),
  plannedBore: nm.min(10_000_000, 'at least 10 mm').max(500_000_000, 'at most 500 mm').nullable(),
  service: service.default(NO_SERVICE),
  duty: partId.nullable(),
  construction: partId.nullable(),
  surface: z.enum(SURFACES).nullable().default(null),
}) satisfies z.ZodType<Job>;
export type JobInput = z.input<typeof jobSchema>;

const given = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('range'), min: nm, max: nm, from: text(200) }).refine((g) => g.max >= g.min, {
    message: 'the upper end is under the lower end',
    path: ['max'],
  }),
  z.strictObject({ form: z.literal('minimum'), min: nm, from: text(200) }),
  z.strictObject({
    form: z.literal('factor'),
    factor: z.number().positive().max(0.02, 'a factor is at most 0.02 (0.02 in per inch)'),
    from: text(200),
  }),
]);
const own: z.ZodType<Own> = z.strictObject({ given, over: z.boolean() }).refine((o) => o.given.from.trim() !== '', {
  message: 'the reason for the builder’s own figure is asked for',
  path: ['given', 'from'],
});
const papers: z.ZodType<Papers> = z.strictObject({
  sheet: given.nullable(),
  manual: given.nullable(),
  own: own.nullable().default(null),
});
const allowance = z.strictObject({
  cylinder,
  gap: nm.max(1_000_000, 'at most 1 mm'),
  clearance: nm.max(1_000_000, 'at most 1 mm'),
  reason: text(200),
});

export const targetChoicesSchema: z.ZodType<TargetChoices> = z
  .strictObject({
    secondSchool: z.enum(['larger', 'equalOrTighter']),
    feelerStep: widthNm,
    gapWindow: widthNm,
    gapLimit: widthNm,
    clearanceWindow: widthNm,
    clearanceLimit: widthNm,
    gaps: z.strictObject({ top: papers, second: papers, rails: papers }),
    clearance: papers,
    allowances: z
      .array(allowance)
      .max(MOST_CYLINDERS)
      .refine((list) => new Set(list.map((a) => a.cylinder)).size === list.length, 'one allowance a cylinder')
      .default([]),
  })
  .refine((t) => t.gapLimit >= t.gapWindow, {
    message: 'the upper limit lies inside the aim window',
    path: ['gapLimit'],
  })
  .refine((t) => t.clearanceLimit >= t.clearanceWindow, {
    message: 'the upper limit lies inside the aim window',
    path: ['clearanceLimit'],
  });

const celsius = z.number().min(-60, 'at least −60 °C').max(900, 'at most 900 °C');
const words = (most: number) => text(most).trim().min(1, 'some words are asked for');
const time = z.iso.datetime({ message: 'a UTC time such as 2026-05-04T09:12:00.000Z' });
const chartVersion = { id, version: z.int().min(1).max(100_000) };

export const chartSchema: z.ZodType<Chart> = z
  .strictObject({
    ...chartVersion,
    name: words(80),
    saved: z.strictObject({ by: text(12), at: time }).nullable(),
    copiedFrom: z.strictObject({ ...chartVersion, name: text(80) }).nullable(),
    rows: z
      .array(z.strictObject({ id: partId, words: words(80), ringTemperature: celsius, wallTemperature: celsius }))
      .max(40, 'at most 40 rows'),
    columns: z
      .array(z.strictObject({ id: partId, words: words(80), alloy: z.enum(ALLOYS), highRing: z.boolean() }))
      .max(12, 'at most 12 columns'),
    cells: z
      .array(
        z.strictObject({
          row: partId,
          column: partId,
          figure: z.enum(CHART_FIGURES),
          factor: z.number(),
          source: text(200),
          confirmed: z.strictObject({ sheet: words(200), by: text(12), at: time }).nullable(),
        }),
      )
      .max(40 * 12 * 4),
  })
  .superRefine((chart, context) => {
    for (const message of chartFaults(chart)) context.addIssue({ code: 'custom', message });
  });

const halfWidth = z.number().min(0, 'not negative').max(300, 'at most 300');
const heatSchema: z.ZodType<HeatChoices> = z.strictObject({
  ringMetal: z.enum(RING_METALS),
  top: celsius.nullable(),
  second: celsius.nullable(),
  wall: celsius.nullable(),
  skirt: celsius.nullable(),
  spread: z.strictObject({ ring: halfWidth, wall: halfWidth, expansion: z.number().min(0).max(0.5) }),
  feeler: nm.max(500_000, 'at most 0.5 mm'),
});

/** Files of versions 1 and 2 kept what one bore gauge was set to here; it is dropped: gauges are zeroed anew. */
const benchSchema: z.ZodType<BenchChoices> = z
  .strictObject({
    route: z.enum(ROUTES),
    rails: z.boolean(),
    repeat: nm.max(1_000_000, 'at most 1 mm').default(STARTING_BENCH.repeat),
    spread: nm.max(1_000_000, 'at most 1 mm').default(STARTING_BENCH.spread),
    chance: z.number().min(0.001, 'at least 0.1 %').max(0.4, 'at most 40 %').default(STARTING_BENCH.chance),
    gaugeSetting: nm.nullable().optional(),
  })
  .transform(({ route, rails, repeat, spread, chance }) => ({ route, rails, repeat, spread, chance }));

const once = <T>(list: T[]): boolean => new Set(list).size === list.length;

const direction = z.number().min(0, 'from 0°').lt(180, 'under 180°');
const formLimits = z.strictObject({ taper: nm, outOfRound: nm });
const boreLimits = z
  .strictObject({ within: formLimits, hone: formLimits, source: text(200) })
  .refine((l) => l.hone.taper >= l.within.taper && l.hone.outOfRound >= l.within.outOfRound, {
    message: 'what honing mends is under what is well already',
    path: ['hone'],
  });
const boresSchema: z.ZodType<BoreChoices> = z.strictObject({
  depths: z
    .array(z.enum(DEPTHS))
    .min(1, 'at least one depth')
    .max(6, 'at most six depths')
    .refine(once, 'each depth once'),
  directions: z
    .array(direction)
    .min(1, 'at least one direction')
    .max(6, 'at most six directions')
    .refine(once, 'each direction once'),
  ridge: z.boolean(),
  repeats: z.int().min(1).max(5),
  order: z.enum(['round', 'down']),
  route: z.enum(['byCylinder', 'byDepth']),
  plate: z.boolean().nullable(),
  basis: z.enum(['honed', 'used']),
  limits: z.strictObject({ honed: boreLimits, used: boreLimits }),
});

const bearing = z.number().min(0, 'from 0°').lt(360, 'under 360°');
const joints: z.ZodType<Joints> = z.strictObject({
  top: bearing,
  second: bearing,
  upperRail: bearing,
  expander: bearing,
  lowerRail: bearing,
});
const someJoints = z.strictObject({
  top: bearing.optional(),
  second: bearing.optional(),
  upperRail: bearing.optional(),
  expander: bearing.optional(),
  lowerRail: bearing.optional(),
});
const rule: z.ZodType<Rule> = z.strictObject({
  on: z.boolean(),
  limit: z.number().min(0, 'not negative').max(180, 'at most 180°'),
  severity: z.enum(RULE_SEVERITIES),
  stopUnder: z.number().min(0).max(180).nullable(),
  scope: z.enum(SCOPES),
});
const rules: z.ZodType<Rules> = z.strictObject({
  topToSecond: rule,
  railsApart: rule,
  railsOffExpander: rule,
  pinEnds: rule,
  majorThrust: rule,
  minorThrust: rule,
  lowSide: rule,
  pockets: rule,
  ownSectors: rule,
});
const lean = z.number().min(-90, 'at most 90° to the left').max(90, 'at most 90° to the right');
const crownLength = nm.max(500_000_000, 'at most 500 mm');
const facts = z.strictObject({
  lean,
  intake: z.enum(INTAKE_SIDES).nullable(),
  frontMark: z.strictObject({ what: z.enum(FRONT_MARKS), points: z.enum(SIDES) }).nullable(),
  pockets: z
    .array(
      z.strictObject({
        valve: z.enum(['intake', 'exhaust']),
        at: bearing,
        out: crownLength,
        across: crownLength.min(1, 'more than nothing'),
      }),
    )
    .max(8, 'at most eight pockets'),
  leftPistons: z.enum(LEFT_PISTONS),
  flipped: z.array(cylinder).max(MOST_CYLINDERS).refine(once, 'each once'),
  sectors: z.array(z.strictObject({ words: text(80), from: bearing, to: bearing })).max(8, 'at most eight sectors'),
});

/** Files of versions 1 to 4 have the school and the mirroring alone; the rest is as it starts. */
const clockingSchema: z.ZodType<ClockingChoices> = z.strictObject({
  school: z.enum(SCHOOLS),
  mirrorLeft: z.boolean(),
  settings: z
    .strictObject({
      offPin: bearing,
      railArc: nm.min(1_000_000, 'at least 1 mm').max(200_000_000, 'at most 200 mm'),
      thirdsFrom: bearing,
      twelve: bearing,
      acrossTop: bearing,
      acrossRail: bearing,
    })
    .default(STARTING_CLOCKING.settings),
  sheet: z
    .strictObject({ joints, zero: bearing, sense: z.enum(['clockwise', 'anticlockwise']), from: text(200) })
    .nullable()
    .default(null),
  rules: rules.default(STARTING_CLOCKING.rules),
  own: z
    .array(z.strictObject({ cylinder, joints: someJoints }))
    .max(MOST_CYLINDERS)
    .refine((list) => once(list.map((o) => o.cylinder)), 'each cylinder once')
    .default([]),
  facts: facts.default(STARTING_CLOCKING.facts),
  rods: z
    .strictObject({
      throws: z.enum(THROWS).nullable(),
      forwardBank: z.enum(['left', 'right']).nullable(),
      numbers: z.enum(SIDES).nullable(),
    })
    .default(STARTING_CLOCKING.rods),
  stand: z
    .strictObject({ roll: z.number().min(-180).max(180), side: z.enum(['left', 'right']) })
    .default(STARTING_CLOCKING.stand),
});

const someSize = nm.min(10_000_000, 'at least 10 mm').max(500_000_000, 'at most 500 mm');
const smallNm = (most: number) => nm.max(most, `at most ${most / 1_000_000} mm`);
const sizingSchema: z.ZodType<SizingChoices> = z.strictObject({
  standard: someSize.nullable(),
  oversizes: z
    .array(smallNm(10_000_000).min(1, 'more than nothing'))
    .max(20, 'at most 20 oversizes')
    .refine(once, 'each oversize once'),
  cleanUp: smallNm(2_000_000),
  honing: smallNm(1_000_000),
  grades: z
    .strictObject({ bore: someSize, piston: someSize, step: widthNm, count: z.int().min(1).max(MOST_GRADES) })
    .nullable(),
});

const pistonsSchema: z.ZodType<PistonChoices> = z.strictObject({
  readings: z.int().min(1).max(5),
  pins: z.boolean(),
  gauge: z.strictObject({ height: smallNm(200_000_000).nullable(), from: z.enum(GAUGE_FROM) }),
  pin: z.strictObject({ least: nm, most: nm }).refine((p) => p.most >= p.least, 'the most is under the least'),
});

const cylinders = z.array(cylinder).max(MOST_CYLINDERS).refine(once, 'each once');
const pairingSchema: z.ZodType<PairingChoices> = z.strictObject({
  pairs: z
    .array(z.strictObject({ cylinder, piston: cylinder }))
    .max(MOST_CYLINDERS)
    .refine(
      (pairs) => once(pairs.map((p) => p.cylinder)) && once(pairs.map((p) => p.piston)),
      'each cylinder and each piston once',
    ),
  locked: cylinders,
  marked: cylinders,
  gain: smallNm(1_000_000),
  neverTight: z.boolean(),
});

const grooveFit = {
  axial: smallNm(50_000_000).nullable(),
  radial: smallNm(50_000_000).nullable(),
  grooveHeight: smallNm(50_000_000).nullable(),
  grooveDepth: smallNm(50_000_000).nullable(),
  mass: z.int().min(0).max(10_000_000, 'at most 10 kg').nullable(),
  finish: text(80),
};
const compressionRing = z.strictObject({
  ...grooveFit,
  metal: z.enum(RING_METALS).nullable(),
  section: z.enum(SECTIONS),
  bevel: z.enum(BEVELS),
  mark: z.enum(UP_MARKS).nullable(),
});
const ringSetSchema: z.ZodType<RingSet> = z.strictObject({
  name: text(120),
  top: compressionRing,
  second: compressionRing,
  oil: z.strictObject(grooveFit),
  side: z.strictObject({ least: nm, most: nm }).refine((w) => w.most >= w.least, 'the most is under the least'),
  grooves: z.enum(['each', 'sample']),
});

const kindPlacing = z.strictObject({
  pairs: z
    .array(z.strictObject({ cylinder, ring: cylinder }))
    .max(MOST_CYLINDERS)
    .refine(
      (pairs) => once(pairs.map((p) => p.cylinder)) && once(pairs.map((p) => p.ring)),
      'each cylinder and each ring once',
    ),
  locked: cylinders,
});
const placingSchema: z.ZodType<PlacingChoices> = z.strictObject({
  top: kindPlacing,
  second: kindPlacing,
  aim: z.enum(PLACING_AIMS),
});

const sum = z.number().min(-1e18).max(1e18);
const rateSumsSchema: z.ZodType<RateSums> = z.strictObject({
  cuts: z.int().min(0),
  xx: sum.min(0),
  xy: sum,
  yy: sum.min(0),
});

const depth = z.enum([ABOVE, ...DEPTHS]);
const ringFit: z.ZodType<RingFit> = z.strictObject({
  ring: cylinder,
  depth: depth.nullable(),
  squaring: z.enum(SQUARINGS).nullable(),
  deburred: z.boolean(),
  squared: z.boolean(),
  open: z.boolean(),
});

const day = z.iso.date('a day such as 2026-05-04');
export const instrumentSchema: z.ZodType<Instrument> = z
  .strictObject({
    ...chartVersion,
    kind: z.enum(INSTRUMENT_KINDS),
    name: words(80),
    from: nm,
    to: nm,
    resolution: nm,
    limit: nm,
    calibrated: day.nullable(),
    months: z.int().min(1).max(240).nullable(),
    kit: z
      .strictObject({
        rods: z.array(widthNm).max(60, 'at most 60 rods'),
        washers: z.array(widthNm).max(16, 'at most 16 washers'),
        body: nm,
        preload: nm,
        division: widthNm,
        turn: widthNm,
        larger: z.enum(['clockwise', 'anticlockwise']),
      })
      .nullable(),
  })
  .superRefine((instrument, context) => {
    for (const message of instrumentFaults(instrument)) context.addIssue({ code: 'custom', message });
  });

/** The key of a tool, or in files of versions 1 and 2 its name. */
const toolKey = text(80);
const warmth = z.number().min(-60).max(200).nullable();

const stamp = { id, at: time, by: text(12) };
const choice = { ...stamp, replaces: id.nullable() };

/** Files of versions 1 to 4 noted that the joints were set, and no more: they were looked at before the compressor. */
const joints4 = z
  .strictObject({ kind: z.literal('joints'), ...stamp, cylinder })
  .transform(({ id: own, at, by, cylinder: place }) => ({
    kind: 'check' as const,
    id: own,
    at,
    by,
    cylinder: place,
    check: 'jointsBefore' as const,
    planned: null,
    found: {},
    expected: null,
  }));

/** What was read and done. */
const doneSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('instrument'), ...stamp, value: instrumentSchema }),
  z.strictObject({
    kind: z.literal('setting'),
    ...stamp,
    instrument: toolKey.nullable(),
    to: z.union([someSize, z.literal('piston')]),
  }),
  z.strictObject({ kind: z.literal('renewed'), ...stamp, part: z.enum(PARTS), cylinder }),
  z
    .strictObject({
      kind: z.literal('reading'),
      ...stamp,
      cylinder,
      subject: z.enum(SUBJECT_IDS),
      place: z.strictObject({ depth, angle: direction }).nullable().default(null),
      value: nm,
      upTo: nm.nullable(),
      typed: text(60),
      instrument: toolKey.nullable(),
      temperature: warmth,
      gaugeTemperature: warmth.default(null),
      plate: z.boolean().nullable().default(null),
      fit: ringFit.nullable().default(null),
    })
    .refine((r) => r.fit === null || SUBJECTS[r.subject].fitted, {
      message: 'only a ring is fitted',
      path: ['fit'],
    })
    .refine((r) => r.upTo === null || r.fit?.open !== true, {
      message: 'a leaf beyond which none was tried has no upper leaf',
      path: ['upTo'],
    })
    .refine((r) => r.place === null || SUBJECTS[r.subject].spots, {
      message: 'only a bore is read at a place',
      path: ['place'],
    })
    .refine((r) => r.upTo === null || r.upTo > r.value, {
      message: 'the leaf that does not pass is not thicker than the one that does',
      path: ['upTo'],
    }),
  z.strictObject({
    kind: z.literal('cut'),
    ...stamp,
    cylinder,
    ring: z.enum(RINGS),
    filer: toolKey.nullable(),
    count: z.number().positive('more than none').max(9_999).nullable(),
  }),
  z.strictObject({
    kind: z.literal('rate'),
    ...stamp,
    filer: id,
    metal: z.enum([...RING_METALS, 'unknown']),
    sums: rateSumsSchema,
  }),
  z.strictObject({
    kind: z.literal('accepted'),
    ...stamp,
    of: id,
    reason: text(200).trim().min(1, 'a reason is asked for'),
  }),
  z.strictObject({
    kind: z.literal('check'),
    ...stamp,
    cylinder,
    check: z.enum(CHECKS),
    planned: joints.nullable(),
    found: someJoints,
    expected: text(300).nullable(),
  }),
  joints4,
  z.strictObject({
    kind: z.literal('void'),
    ...stamp,
    of: id,
    reason: text(200).trim().min(1, 'a reason is asked for'),
  }),
]);

/** What each choice holds. */
const CHOICE_SCHEMAS: { [K in ChoiceKind]: z.ZodType<NonNullable<Choices[K]>> } = {
  job: jobSchema,
  targets: targetChoicesSchema,
  chart: chartSchema,
  heat: heatSchema,
  bores: boresSchema,
  sizing: sizingSchema,
  pistons: pistonsSchema,
  pairing: pairingSchema,
  bench: benchSchema,
  ringSet: ringSetSchema,
  placing: placingSchema,
  clocking: clockingSchema,
};

const choiceSchemas = CHOICE_KINDS.map((kind) =>
  z.strictObject({ kind: z.literal(kind), ...choice, value: CHOICE_SCHEMAS[kind] }),
);

export const entrySchema = z.discriminatedUnion('kind', [doneSchema, ...choiceSchemas]) as z.ZodType<Entry>;

/**
 * The shape that entries are written in: one more whenever an older entry needs to be read through the schema to mean
 * what it meant. A row of the store that was written in this shape is read as it stands.
 */
export const ENTRY_SHAPE = 5;

/** Entries as one request may carry them. */
export const MOST_ENTRIES_A_REQUEST = 500;
export const entriesSchema = z
  .array(entrySchema)
  .min(1, 'no entry in it')
  .max(MOST_ENTRIES_A_REQUEST, `at most ${MOST_ENTRIES_A_REQUEST} entries at once`);

/** Faults as sentences that say where, what, and in the order they were met. */
export function faultsOf(error: z.ZodError): string[] {
  return error.issues.map(({ path, message }) => (path.length ? `${path.join('.')}: ${message}` : message));
}
