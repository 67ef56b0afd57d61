/** How bearings are read, what they may be, and the shells there are. */
import { z } from 'zod';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { MOST_OTHERS, mostMains } from '@/core/foundation/engine/places';
import {
  type BearingChoices,
  type FittedShells,
  type GivenLimits,
  type JournalChoices,
  type ShellChoices,
  type ShellStock,
  METHODS,
  STANDARD,
  STARTING_JOURNALS,
} from '@/core/stages/journals/choices';
import { MOST_COAT } from '@/core/stages/journals/typedStock';
import { journalFaults } from '@/core/stages/journals/journalFaults';
import { HOUSING_METALS, ROD_METALS } from '@/core/models/heat/metals';
import { NO_SIZES } from '@/core/foundation/quantity/sizeLimits';
import { checkedBy, nm, once, partId, place, sizeLimits, smallNm, someSize, text, time, words } from './parts';

const MOST_MAINS = mostMains(MOST_CYLINDERS);
const small = smallNm(5_000_000);

const limits: z.ZodType<GivenLimits> = z.strictObject({
  least: small.nullable(),
  aim: z.strictObject({ from: small, to: small }).nullable(),
  most: small.nullable(),
  source: text(120),
});

const bearing: z.ZodType<BearingChoices> = z.strictObject({
  clearance: limits,
  nominal: someSize.nullable(),
  tightened: text(120),
  sizes: sizeLimits.default(NO_SIZES),
});

export const journalsSchema: z.ZodType<JournalChoices> = z
  .strictObject({
    mains: z.int().min(2, 'at least two mains').max(MOST_MAINS).nullable(),
    thrust: z.int().min(1).max(MOST_MAINS).nullable(),
    widths: z.strictObject({ main: smallNm(200_000_000).nullable(), rod: smallNm(200_000_000).nullable() }),
    method: z.enum(METHODS),
    ends: z.union([z.literal(1), z.literal(2)]),
    directions: z.union([z.literal(1), z.literal(2)]),
    route: z.enum(['byKind', 'byBearing']),
    bearings: z.strictObject({ main: bearing, rod: bearing }),
    form: z.strictObject({ outOfRound: small.nullable(), taper: small.nullable() }),
    spread: small.nullable(),
    mainsNoLooser: z.boolean(),
    endPlay: limits,
    side: limits,
    smallEnd: limits,
    others: z
      .array(z.strictObject({ id: z.string().regex(/^X\d{1,2}$/, 'X1 and on'), words: text(60).trim(), limits }))
      .max(MOST_OTHERS, `at most ${MOST_OTHERS}`)
      .refine((all) => once(all.map((o) => o.id)), 'each once')
      .default([]),
    asks: z.strictObject({ endPlay: z.boolean(), side: z.boolean(), smallEnd: z.boolean(), looks: z.boolean() }),
    sidePer: z.enum(['rod', 'throw']),
    metals: z
      .strictObject({
        housing: z.enum(HOUSING_METALS).nullable(),
        cap: z.enum(HOUSING_METALS).nullable(),
        rod: z.enum(ROD_METALS),
      })
      .default(STARTING_JOURNALS.metals),
  })
  .superRefine(checkedBy(journalFaults));

const stock: z.ZodType<ShellStock> = z.strictObject({
  id: partId,
  name: words(40),
  gives: z.int().min(-500_000, 'at most 0.5 mm').max(500_000, 'at most 0.5 mm'),
  coat: smallNm(MOST_COAT).default(0),
  under: smallNm(5_000_000),
  price: z.number().min(0).max(1_000_000).nullable(),
  drawer: z.int().min(0).max(9_999).nullable(),
});
const stocks = z
  .array(stock)
  .min(1, 'at least the standard shells')
  .max(40, 'at most 40 grades')
  .refine((all) => once(all.map((s) => s.id)), 'each grade once')
  .refine((all) => all.some((s) => s.id === STANDARD), 'the standard shells are among them');

const fitted = z.strictObject({ place, upper: partId, lower: partId });
const planned = fitted.extend({
  ordered: z
    .strictObject({ at: time, by: text(40) })
    .nullable()
    .default(null),
});
const eachOnce = <S extends FittedShells>(of: z.ZodType<S>) =>
  z
    .array(of)
    .max(MOST_MAINS + MOST_CYLINDERS)
    .refine((all) => once(all.map((f) => f.place)), 'each bearing once');

export const shellsSchema: z.ZodType<ShellChoices> = z.strictObject({
  stock: z.strictObject({ main: stocks, rod: stocks }),
  apart: nm.max(500_000, 'at most 0.5 mm'),
  prefer: z.enum(['even', 'aim']),
  thinner: z.enum(['upper', 'lower']),
  fitted: eachOnce(fitted),
  planned: eachOnce(planned),
});
