/**
 * The shape of every entry as it crosses an edge: a request, a file, a row of the store.
 * Lengths are whole nanometres, times ISO 8601 in UTC.
 */
import { gapsCheckBefore5 } from './upgrade';
import {
  stamp,
  cylinder,
  direction,
  METRE,
  id,
  joints,
  nm,
  place,
  someJoints,
  someSize,
  text,
  words,
} from './shapes/parts';
import { z } from 'zod';
import { RING_METALS } from '@/core/models/heat/metals';
import { CHECKS, BLOCK_STEPS, CYLINDER_STEPS } from '@/core/record/stepIds';
import { PIN_PARTS } from '@/core/record/pinParts';
import { ABOVE, DEPTHS, ENDS } from '@/core/foundation/parts/spots';
import { type RingFit, ACCEPTABLES } from '@/core/record/reading';
import type { Entry } from '@/core/judge/buildRecord';
import type { RateSums } from '@/core/record/filerRate';
import { BLOCK, CRANK, isCylinderId } from '@/core/foundation/engine/places';
import { BEARING_CHECKS } from '@/core/record/bearingChecks';
import { SQUARINGS, RINGS } from '@/core/foundation/parts/rings';
import type { Subject } from '@/core/judge/registry';
import { CHOICE_KINDS, PARTS, SUBJECTS, SUBJECT_IDS } from '@/core/judge/stageTables';
import { benchSchemas } from './shapes/benchWork';
import { CHOICE_SCHEMAS } from './shapes/choices';
import { instrumentSchema } from './shapes/instrument';

const sum = z.number().min(-1e18).max(1e18);
const rateSumsSchema: z.ZodType<RateSums> = z.strictObject({
  cuts: z.int().min(0),
  xx: sum.min(0),
  xy: sum,
  yy: sum.min(0),
});

const depth = z.enum([ABOVE, ...DEPTHS]);
/** Where on a bearing a subject is read: along a journal, or which half shell. */
const ON_BEARING: Partial<Record<string, readonly string[]>> = {
  journal: [...ENDS, 'middle'],
  shell: ['upper', 'lower'],
};

const ringFit: z.ZodType<RingFit> = z.strictObject({
  ring: cylinder,
  depth: depth.nullable(),
  squaring: z.enum(SQUARINGS).nullable(),
  deburred: z.boolean(),
  squared: z.boolean(),
  open: z.boolean(),
});

/** Whether a subject is read at a spot of this name. */
function isSpotOf(subject: Subject, depth: string): boolean {
  const { spots } = SUBJECTS[subject];
  if (spots === 'bore') return depth === ABOVE || DEPTHS.some((d) => d === depth);
  return spots === 'bearing' && (ON_BEARING[subject]?.includes(depth) ?? false);
}

/** Whether something is read on such a place. */
function isPlaceOf(subject: Subject, at: string): boolean {
  const { number } = SUBJECTS[subject];
  if (number === 'crank') return at === CRANK;
  if (number === 'other') return at.startsWith('X');
  return isCylinderId(at) || (number === 'bearing' && at.startsWith('M'));
}

/** The key of a tool, or in files of versions 1 and 2 its name. */
const toolKey = text(80);
const warmth = z.number().min(-60).max(200).nullable();

/** As far as a dial reaches from its zero: 5 mm. */
const FURTHEST_OFF = 5_000_000;

const STEPS = [...CHECKS, ...CYLINDER_STEPS, ...BLOCK_STEPS] as const;

const choice = { ...stamp, replaces: id.nullable() };

/** A figure or a limit: a clearance may be negative. */
const anyNm = z.int('a whole number of nanometres').min(-METRE).max(METRE, 'at most a metre');

/** What was read and done. */
const doneSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('instrument'), ...stamp, value: instrumentSchema }),
  z.strictObject({
    kind: z.literal('setting'),
    ...stamp,
    instrument: toolKey.nullable(),
    to: z.union([someSize, z.enum(['piston', 'journal', 'aim', 'here'])]),
    sizes: id.nullable().default(null),
  }),
  z.strictObject({ kind: z.literal('renewed'), ...stamp, part: z.enum(PARTS), cylinder: place }),
  z
    .strictObject({
      kind: z.literal('reading'),
      ...stamp,
      cylinder: place,
      subject: z.enum(SUBJECT_IDS),
      place: z
        .strictObject({ depth: z.enum([ABOVE, ...DEPTHS, ...ENDS]), angle: direction })
        .nullable()
        .default(null),
      value: z.int('a whole number of nanometres').min(-FURTHEST_OFF).max(METRE, 'at most a metre'),
      upTo: nm.nullable(),
      typed: text(60),
      instrument: toolKey.nullable(),
      temperature: warmth,
      gaugeTemperature: warmth.default(null),
      plate: z.boolean().nullable().default(null),
      fit: ringFit.nullable().default(null),
      zeroed: z
        .union([
          z.strictObject({ piston: cylinder, size: someSize }),
          z.strictObject({ journal: place, size: someSize }),
        ])
        .nullable()
        .default(null),
      zero: id.nullable().default(null),
    })
    .refine(
      (r) =>
        r.zero === null
          ? r.value >= 0
          : SUBJECTS[r.subject].spots === 'bore' && r.place !== null && r.value <= FURTHEST_OFF,
      {
        message:
          'not negative; and only a bore is read from a zero, at a place in it and no further from it than a dial reaches',
        path: ['value'],
      },
    )
    .refine((r) => r.zeroed === null || r.subject === ('piston' in r.zeroed ? 'bore' : 'housing'), {
      message: 'only for a bore is a gauge zeroed on a piston, and only for a housing on a journal',
      path: ['zeroed'],
    })
    .refine((r) => isPlaceOf(r.subject, r.cylinder), {
      message: 'it is not read there',
      path: ['cylinder'],
    })
    .refine((r) => r.fit === null || SUBJECTS[r.subject].fitted, {
      message: 'only a ring is fitted',
      path: ['fit'],
    })
    .refine((r) => r.upTo === null || r.fit?.open !== true, {
      message: 'a leaf beyond which none was tried has no upper leaf',
      path: ['upTo'],
    })
    .refine((r) => r.place === null || isSpotOf(r.subject, r.place.depth), {
      message: 'only a bore, a journal or a shell is read at a place, and at one that it has',
      path: ['place'],
    })
    .refine((r) => r.upTo === null || r.upTo > r.value, {
      message: 'the leaf that does not go must be larger than the one that goes',
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
  z.strictObject({ kind: z.literal('filed'), ...stamp, of: id, was: z.boolean() }),
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
    what: z.enum(ACCEPTABLES).nullable().default(null),
    state: words(40).default('over'),
    reason: text(200).trim().min(1, 'Enter a reason'),
    held: z
      .strictObject({
        figure: anyNm,
        limit: anyNm,
        side: z.enum(['least', 'most']),
        of: z.enum(['mass', 'torque']).optional(),
      })
      .nullable()
      .optional(),
  }),
  z
    .strictObject({
      kind: z.literal('check'),
      ...stamp,
      cylinder: place,
      check: z.enum([...STEPS, ...BEARING_CHECKS]),
      planned: joints.nullable(),
      found: someJoints,
      expected: text(300).nullable(),
    })
    .refine(
      ({ cylinder: at, check }) => (at === BLOCK) === BLOCK_STEPS.some((step) => step === check),
      'a step of the engine at the block, and of a cylinder at none',
    ),
  z
    .strictObject({
      kind: z.literal('pin'),
      ...stamp,
      cylinder: place,
      check: z.enum(STEPS).nullable(),
      part: z.enum(PIN_PARTS).nullable().default(null),
      text: words(200),
    })
    .refine(({ cylinder: at, part }) => part === null || isCylinderId(at), 'a part is of a cylinder'),
  ...benchSchemas(stamp),
  gapsCheckBefore5,
  z.strictObject({
    kind: z.literal('void'),
    ...stamp,
    of: id,
    reason: text(200).trim().min(1, 'Enter a reason'),
  }),
]);

const choiceSchemas = CHOICE_KINDS.map((kind) =>
  z.strictObject({ kind: z.literal(kind), ...choice, value: CHOICE_SCHEMAS[kind] }),
);

export const entrySchema = z.discriminatedUnion('kind', [doneSchema, ...choiceSchemas]) as z.ZodType<Entry>;

/** A list that is counted before any of its members is looked at. */
export const atMost = <T extends z.ZodType>(most: number, member: T, words: string) =>
  z.array(z.unknown()).max(most, words).pipe(z.array(member));

/** Entries as one request may carry them, and bytes it may have. */
const MOST_ENTRIES_A_REQUEST = 500;
export const MOST_ENTRIES_BYTES = 512 * 1024;
export const entriesSchema = atMost(
  MOST_ENTRIES_A_REQUEST,
  entrySchema,
  `at most ${MOST_ENTRIES_A_REQUEST} entries at once`,
).refine((entries) => entries.length > 0, 'no entry in it');

/** A list of faults is cut here, and one fault's words there; the rest is counted. */
const [MOST_FAULTS, MOST_WORDS] = [30, 300];

/** A list of faults, cut where nobody would read on. */
export const cutFaults = (faults: readonly string[]): string[] =>
  faults.length > MOST_FAULTS
    ? [...faults.slice(0, MOST_FAULTS), `and ${faults.length - MOST_FAULTS} more`]
    : [...faults];

/** Faults as sentences that say where and what, in the order they were met; the same one in many places once. */
export function faultsOf(error: z.ZodError): string[] {
  const places = new Map<string, string[]>();
  for (const { path, message } of error.issues) {
    const words = message.length > MOST_WORDS ? `${message.slice(0, MOST_WORDS)} …` : message;
    const known = places.get(words);
    if (known) known.push(path.join('.'));
    else places.set(words, [path.join('.')]);
  }
  return cutFaults(
    [...places].map(([words, [first = '', ...others]]) => {
      const more = others.length > 0 ? ` (and in ${others.length} other places)` : '';
      return first === '' ? `${words}${more}` : `${first}: ${words}${more}`;
    }),
  );
}
