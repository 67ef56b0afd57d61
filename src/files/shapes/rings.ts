/** How rings are read and filed, what they are, and which is where. */
import { ringSetFaults } from '@/core/stages/rings/ringSetFaults';
import { z } from 'zod';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { RING_METALS } from '@/core/models/heat/metals';
import { type BenchChoices, type PlacingChoices, ROUTES, STARTING_BENCH } from '@/core/stages/rings/choices';
import { PLACING_AIMS } from '@/core/stages/rings/placement';
import { type RingSet, BEVELS, SECTIONS, UP_MARKS } from '@/core/stages/rings/set';
import { cylinder, cylinders, checkedBy, nm, once, smallNm, text } from './parts';

/** Files of versions 1 and 2 kept what one bore gauge was set to here; it is dropped: gauges are zeroed anew. */
export const benchSchema: z.ZodType<BenchChoices> = z
  .strictObject({
    route: z.enum(ROUTES),
    rails: z.boolean(),
    repeat: nm.max(1_000_000, 'at most 1 mm').default(STARTING_BENCH.repeat),
    spread: nm.max(1_000_000, 'at most 1 mm').default(STARTING_BENCH.spread),
    chance: z.number().min(0.001, 'at least 0.1 %').max(0.4, 'at most 40 %').default(STARTING_BENCH.chance),
    gaugeSetting: nm.nullable().optional(),
  })
  .transform(({ route, rails, repeat, spread, chance }) => ({ route, rails, repeat, spread, chance }));

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
export const ringSetSchema: z.ZodType<RingSet> = z
  .strictObject({
    name: text(120),
    top: compressionRing,
    second: compressionRing,
    oil: z.strictObject(grooveFit),
    side: z.strictObject({ least: nm, most: nm }),
    grooves: z.enum(['each', 'sample']),
  })
  .superRefine(checkedBy(ringSetFaults));

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
export const placingSchema: z.ZodType<PlacingChoices> = z.strictObject({
  top: kindPlacing,
  second: kindPlacing,
  aim: z.enum(PLACING_AIMS),
});
