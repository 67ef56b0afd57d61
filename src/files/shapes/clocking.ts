/** Where the joints point, and what is known of the crown. */
import { schoolFaults } from '@/core/stages/clocking/schoolFaults';
import { z } from 'zod';
import { type ClockingChoices, STARTING_CLOCKING } from '@/core/stages/clocking/choices';
import { THROWS } from '@/core/foundation/engine/crankcase';
import { type Rule, type Rules, RULE_SEVERITIES, SCOPES } from '@/core/stages/clocking/rules';
import { SCHOOLS } from '@/core/stages/clocking/schools';
import { FRONT_MARKS, INTAKE_SIDES, LEFT_PISTONS } from '@/core/stages/clocking/surroundings';
import { SIDES } from '@/core/foundation/engine/sides';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { bearing, cylinder, checkedBy, joints, nm, once, someJoints, text } from './parts';

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
export const clockingSchema: z.ZodType<ClockingChoices> = z.strictObject({
  school: z.enum(SCHOOLS),
  mirrorLeft: z.boolean(),
  settings: z
    .strictObject({
      offPin: bearing,
      railArc: nm,
      thirdsFrom: bearing,
      twelve: bearing,
      acrossTop: bearing,
      acrossRail: bearing,
    })
    .superRefine(checkedBy(schoolFaults))
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
