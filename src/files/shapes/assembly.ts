/** How a shop puts an engine together. */
import { z } from 'zod';
import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import { torque } from './benchWork';
import { text } from './parts';

const degrees = z.number().min(0, 'from 0').lt(360, 'under 360');

export const walkSchema: z.ZodType<WalkChoices> = z.strictObject({
  asks: z.enum(['whole', 'checks']),
  edition: z.union([z.literal(1), z.literal(2)]).default(1),
  shells: z.enum(['before', 'after']),
  tighten: z.enum(['each', 'end']),
  turn: z.enum(['each', 'pair']),
  route: z.enum(['cylinder', 'phase']),
  clips: z.strictObject({
    kind: z.enum(['wire', 'spiral']),
    count: z.union([z.literal(0), z.literal(2), z.literal(4)]),
    gaps: z.enum(['down', 'clear']),
  }),
  fasteners: z.enum(['bolts', 'studs', 'screws']),
  way: z.enum(['sleeve', 'band', 'spring', 'barrel']),
  oils: z.strictObject({
    bore: text(60),
    bearings: text(60),
    threads: text(60),
    rings: text(60).default(''),
    standing: text(60).default(''),
  }),
  stands: z.boolean().default(false),
  sidedShells: z.boolean().default(false),
  turnMost: z.strictObject({ crank: torque.nullable(), all: torque.nullable() }).default({ crank: null, all: null }),
  throws: z.array(degrees).min(1).max(16, 'at most 16 throws').nullable(),
  saves: z.enum(['stand', 'crank']),
  bothWays: z.boolean(),
});
