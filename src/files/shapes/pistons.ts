/** How pistons are read, and which is where. */
import { pistonFaults } from '@/core/stages/pistons/pistonFaults';
import { z } from 'zod';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import type { PairingChoices } from '@/core/stages/pistons/choices';
import { type PistonChoices, GAUGE_FROM } from '@/core/stages/pistons/piston';
import { cylinder, cylinders, checkedBy, nm, once, smallNm } from './parts';

export const pistonsSchema: z.ZodType<PistonChoices> = z
  .strictObject({
    readings: z.int().min(1).max(5),
    pins: z.boolean(),
    gauge: z.strictObject({ height: smallNm(200_000_000).nullable(), from: z.enum(GAUGE_FROM) }),
    pin: z.strictObject({ least: nm, most: nm }),
  })
  .superRefine(checkedBy(pistonFaults));

export const pairingSchema: z.ZodType<PairingChoices> = z.strictObject({
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
