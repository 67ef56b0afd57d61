/** The job card. */
import { z } from 'zod';
import { LAYOUTS, MOST_CYLINDERS, NUMBERING_SCHEMES } from '@/core/foundation/engine/engine';
import { engineFaults } from '@/core/foundation/engine/engineFaults';
import type { Job } from '@/core/record/jobCard';
import { MOST_CHARACTERS, NAME_ASKED } from '@/core/stages/job/jobFaults';
import { MOST_BOOST } from '@/core/foundation/quantity/pressure';
import { ALTITUDES, MOST_POWER, SPEEDS, STROKES } from '@/core/models/load/hearPlace';
import { type Adders, type Service, NO_ADDERS, NO_SERVICE } from '@/core/models/load/service';
import { BLOWERS, FUELS, MOST_SHARE, USES } from '@/core/models/load/serviceWords';
import { SURFACES } from '@/core/foundation/parts/materials';
import { nm, partId, text } from './parts';

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

const cylinders = z.int().min(1).max(MOST_CYLINDERS).nullable();
const shots = z.array(z.number().positive().max(5_000)).max(6);
const pressure = z.int().min(1).max(MOST_BOOST, 'at most 15 bar').nullable();
const adders: z.ZodType<Adders, Adders> = z.strictObject({
  boost: z
    .strictObject({ by: z.enum(BLOWERS), pressure, absolute: z.boolean(), cooled: z.boolean().nullable() })
    .nullable(),
  nitrous: z
    .strictObject({ shots, share: z.number().positive().max(MOST_SHARE).nullable(), cylinders })
    .refine((n) => n.share === null || n.shots.length === 0, 'its power or its share, not both')
    .nullable(),
  injection: z.strictObject({ what: z.enum(['water', 'alcohol']), counted: z.boolean() }).nullable(),
});

/** Fuel and altitude were counted before a card said whether they may be. */
const COUNTED: Service['always'] = { fuel: true, altitude: true };

/** One adder at a time, as cards of files of versions 1 to 7 say it. */
const oneAdder = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('none') }),
    z.strictObject({ kind: z.literal('turbo'), boost: pressure }),
    z.strictObject({ kind: z.literal('supercharger'), boost: pressure }),
    z.strictObject({ kind: z.literal('nitrous'), shots, cylinders }),
  ])
  .transform((adder): Adders => {
    if (adder.kind === 'none') return NO_ADDERS;
    if (adder.kind === 'nitrous')
      return { ...NO_ADDERS, nitrous: { shots: adder.shots, share: null, cylinders: adder.cylinders } };
    return { ...NO_ADDERS, boost: { by: adder.kind, pressure: adder.boost, absolute: false, cooled: null } };
  });
const oldService = z
  .strictObject({
    use: z.enum(['plain', 'street', 'race', 'marine']).nullable(),
    fuel: z.enum(['petrol', 'ethanol', 'methanol', 'nitromethane', 'gas', 'diesel']),
    now: oneAdder,
    later: oneAdder.nullable(),
  })
  // what was an ethanol blend is called by another name
  .transform(({ fuel, now, later, ...said }): Service => ({
    ...NO_SERVICE,
    ...said,
    always: COUNTED,
    fuel: fuel === 'ethanol' ? 'e85' : fuel,
    now,
    // what was planned came on top: one of the other kind was no end of the first
    later: later && { ...later, boost: later.boost ?? now.boost, nitrous: later.nitrous ?? now.nitrous },
  }));

const service = z.preprocess(
  (said) => {
    const old = oldService.safeParse(said);
    return old.success ? old.data : said;
  },
  z.strictObject({
    use: z.enum(USES).nullable(),
    fuel: z.enum(FUELS),
    otherFuels: z.array(z.enum(FUELS)).max(FUELS.length).default([]),
    nitro: z.number().min(0).max(1).nullable(),
    now: adders,
    later: adders.nullable(),
    altitude: z.number().min(ALTITUDES.from).max(ALTITUDES.to, 'at most 6,000 m'),
    basePower: z.number().positive().max(MOST_POWER).nullable(),
    stroke: nm.min(STROKES.from, 'at least 10 mm').max(STROKES.to, 'at most 600 mm').nullable().default(null),
    redline: z.number().min(SPEEDS.from).max(SPEEDS.to).nullable().default(null),
    cooling: z.enum(['water', 'air']),
    always: z.strictObject({ fuel: z.boolean(), altitude: z.boolean() }).default(COUNTED),
  }),
);

/** A job card as it comes in: what cards of files of version 1 lack is filled in. */
export const jobSchema = z.strictObject({
  name: text(MOST_CHARACTERS.name).trim().min(1, NAME_ASKED),
  customer: text(MOST_CHARACTERS.customer),
  description: text(MOST_CHARACTERS.description),
  notes: text(MOST_CHARACTERS.notes),
  engine,
  units: z.enum(['imperial', 'metric']),
  plannedBore: nm.min(10_000_000, 'at least 10 mm').max(500_000_000, 'at most 500 mm').nullable(),
  service: service.default(NO_SERVICE),
  duty: partId.nullable(),
  construction: partId.nullable(),
  surface: z.enum(SURFACES).nullable().default(null),
  elsewhere: z.array(partId).max(40).default([]),
  also: z.array(partId).max(40).default([]),
}) satisfies z.ZodType<Job>;
