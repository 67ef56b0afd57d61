/** The shape of each choice, by kind: every kind that a stage brings has one here. */
import type { z } from 'zod';
import type { ChoiceKind, Choices } from '@/core/judge/registry';
import { walkSchema } from './assembly';
import { balanceSchema, fastenersSchema, setsSchema } from './benchWork';
import { boresSchema, sizingSchema, suppliedSchema } from './bores';
import { clockingSchema } from './clocking';
import { jobSchema } from './job';
import { journalsSchema, shellsSchema } from './journals';
import { pairingSchema, pistonsSchema } from './pistons';
import { benchSchema, placingSchema, ringSetSchema } from './rings';
import { chartSchema, decidingSchema, heatSchema, targetChoicesSchema } from './targets';

export const CHOICE_SCHEMAS: { [K in ChoiceKind]: z.ZodType<NonNullable<Choices[K]>> } = {
  job: jobSchema,
  targets: targetChoicesSchema,
  chart: chartSchema,
  heat: heatSchema,
  deciding: decidingSchema,
  bores: boresSchema,
  sizing: sizingSchema,
  supplied: suppliedSchema,
  pistons: pistonsSchema,
  pairing: pairingSchema,
  journals: journalsSchema,
  shells: shellsSchema,
  bench: benchSchema,
  ringSet: ringSetSchema,
  placing: placingSchema,
  clocking: clockingSchema,
  walk: walkSchema,
  fasteners: fastenersSchema,
  balance: balanceSchema,
  sets: setsSchema,
};
