/** How bores are read, judged and sized. */
import { z } from 'zod';
import { DEPTHS } from '@/core/foundation/parts/spots';
import { boreFaults, sizingFaults } from '@/core/stages/bores/boreFaults';
import type { BoreChoices } from '@/core/stages/bores/measuringPlan';
import { type SizingChoices, MOST_GRADES } from '@/core/stages/bores/oversizeChoices';
import type { SuppliedChoices } from '@/core/stages/bores/suppliedSizes';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { NO_SIZES } from '@/core/foundation/quantity/sizeLimits';
import { cylinder, direction, checkedBy, nm, once, sizeLimits, smallNm, someSize, text, widthNm } from './parts';

const formLimits = z.strictObject({ taper: nm, outOfRound: nm });
const boreLimits = z.strictObject({ within: formLimits, hone: formLimits, source: text(200) });
export const boresSchema: z.ZodType<BoreChoices> = z
  .strictObject({
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
    sizes: sizeLimits.default(NO_SIZES),
  })
  .superRefine(checkedBy(boreFaults));

export const sizingSchema: z.ZodType<SizingChoices> = z
  .strictObject({
    standard: someSize.nullable(),
    oversizes: z.array(smallNm(10_000_000).min(1, 'more than nothing')).max(20, 'at most 20 oversizes'),
    cleanUp: smallNm(2_000_000),
    honing: smallNm(1_000_000),
    grades: z
      .strictObject({ bore: someSize, piston: someSize, step: widthNm, count: z.int().min(1).max(MOST_GRADES) })
      .nullable(),
  })
  .superRefine(checkedBy(sizingFaults));

const supply = z.strictObject({
  by: text(120),
  ordered: someSize.nullable(),
  sizes: z
    .array(z.strictObject({ number: cylinder, size: someSize }))
    .max(MOST_CYLINDERS)
    .refine((sizes) => once(sizes.map((s) => s.number)), 'each number once'),
});
export const suppliedSchema: z.ZodType<SuppliedChoices> = z.strictObject({ bores: supply, pistons: supply });
