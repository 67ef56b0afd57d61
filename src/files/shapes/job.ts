/** The job card. */
import { z } from 'zod';
import { LAYOUTS, MOST_CYLINDERS, NUMBERING_SCHEMES } from '@/core/foundation/engine/engine';
import { engineFaults } from '@/core/foundation/engine/engineFaults';
import type { Job } from '@/core/record/jobCard';
import { MOST_CHARACTERS, NAME_ASKED } from '@/core/stages/job/jobFaults';
import { ALTITUDES, MOST_POWER, SPEEDS, STROKES } from '@/core/models/load/parsePowerAndAltitude';
import { type Adders, NO_SERVICE } from '@/core/models/load/service';
import { BLOWERS, FUELS, MOST_SHARE, USES } from '@/core/models/load/serviceWords';
import { SURFACES } from '@/core/foundation/parts/materials';
import { COUNTED, serviceBefore8 } from '../upgrade';
import { boostPressure, fedCylinders, nitrousShots, nm, partId, text } from './parts';

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

const adders: z.ZodType<Adders, Adders> = z.strictObject({
  boost: z
    .strictObject({
      by: z.enum(BLOWERS),
      pressure: boostPressure,
      absolute: z.boolean(),
      cooled: z.boolean().nullable(),
    })
    .nullable(),
  nitrous: z
    .strictObject({
      shots: nitrousShots,
      share: z.number().positive().max(MOST_SHARE).nullable(),
      cylinders: fedCylinders,
    })
    .refine((n) => n.share === null || n.shots.length === 0, 'its power or its share, not both')
    .nullable(),
  injection: z.strictObject({ what: z.enum(['water', 'alcohol']), counted: z.boolean() }).nullable(),
});

const service = z.preprocess(
  (said) => {
    const old = serviceBefore8.safeParse(said);
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
