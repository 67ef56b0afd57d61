/** The job card. */
import { z } from 'zod';
import { LAYOUTS, MOST_CYLINDERS, NUMBERING_SCHEMES } from '@/core/engine/engine';
import { engineFaults } from '@/core/engine/engineFaults';
import type { Job } from '@/core/job/job';
import { MOST_CHARACTERS, NAME_ASKED } from '@/core/job/jobFaults';
import { MOST_BOOST } from '@/core/quantity/pressure';
import { type Adder, FUELS, NO_SERVICE, type Service, USES } from '@/core/targets/duty';
import { SURFACES } from '@/core/targets/target';
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
}) satisfies z.ZodType<Job>;
