/** Targets, charts and the heat model, as chosen. */
import { z } from 'zod';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import type { HeatChoices } from '@/core/models/heat/assess';
import { RING_METALS } from '@/core/models/heat/metals';
import { type Chart, CHART_FIGURES, CHART_KINDS } from '@/core/models/charts/chart';
import { ALLOYS } from '@/core/foundation/parts/materials';
import { chartFaults } from '@/core/models/charts/chartEdit';
import type { Strictness } from '@/core/foundation/verdict/decide';
import { givenFaults, widthFaults } from '@/core/models/targets/targetEntry';
import type { TargetChoices, SecondBy, Papers, Own, Given } from '@/core/models/targets/papers';
import { chartVersion, celsius, cylinder, checkedBy, nm, partId, text, time, widthNm, words } from './parts';
import { withoutGivenTemperatures } from '../upgrade';

const factor = z.number().positive().max(0.02, 'a factor is at most 0.02 (0.02 in per inch)');
const given: z.ZodType<Given> = z.discriminatedUnion('form', [
  z
    .strictObject({
      form: z.literal('range'),
      min: nm,
      max: nm,
      hardTop: z.boolean().default(false),
      aim: z.strictObject({ from: nm, to: nm }).nullable().default(null),
      from: text(200),
    })
    .superRefine(checkedBy(givenFaults)),
  z.strictObject({ form: z.literal('minimum'), min: nm, from: text(200) }),
  z.strictObject({
    form: z.literal('factor'),
    factor,
    from: text(200),
  }),
  z
    .strictObject({ form: z.literal('nominal'), value: widthNm, plusMinus: nm, from: text(200) })
    .superRefine(checkedBy(givenFaults)),
  z
    .strictObject({
      form: z.literal('factors'),
      least: factor,
      most: factor,
      hardTop: z.boolean().default(false),
      from: text(200),
    })
    .superRefine(checkedBy(givenFaults)),
]);
const own: z.ZodType<Own> = z.strictObject({ given, over: z.boolean() }).refine((o) => o.given.from.trim() !== '', {
  message: 'Enter the reason for your figure',
  path: ['given', 'from'],
});
const papers: z.ZodType<Papers> = z.strictObject({
  sheet: given.nullable(),
  manual: given.nullable(),
  own: own.nullable().default(null),
});
/** At most a millimetre over the top ring, or twice it: more is a slip. From memory. */
const secondBy: z.ZodType<SecondBy> = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('factor') }),
  z.strictObject({ by: z.literal('difference'), over: nm.max(1_000_000, 'at most 1 mm') }),
  z.strictObject({ by: z.literal('ratio'), ratio: z.number().min(1, 'at least 1').max(2, 'at most 2') }),
]);
const allowance = z.strictObject({
  cylinder,
  gap: nm.max(1_000_000, 'at most 1 mm'),
  clearance: nm.max(1_000_000, 'at most 1 mm'),
  reason: text(200),
});

export const targetChoicesSchema: z.ZodType<TargetChoices> = z
  .strictObject({
    secondSchool: z.enum(['larger', 'equalOrTighter']),
    secondBy: secondBy.default({ by: 'factor' }),
    feelerStep: widthNm,
    gapWindow: widthNm,
    gapLimit: widthNm,
    clearanceWindow: widthNm,
    clearanceLimit: widthNm,
    gaps: z.strictObject({ top: papers, second: papers, rails: papers }),
    clearance: papers,
    allowances: z
      .array(allowance)
      .max(MOST_CYLINDERS)
      .refine((list) => new Set(list.map((a) => a.cylinder)).size === list.length, 'one allowance a cylinder')
      .default([]),
  })
  .superRefine(checkedBy(widthFaults));

export const chartSchema: z.ZodType<Chart> = z
  .strictObject({
    ...chartVersion,
    kind: z.enum(CHART_KINDS).default('steps'),
    name: words(80),
    saved: z.strictObject({ by: text(12), at: time }).nullable(),
    copiedFrom: z.strictObject({ ...chartVersion, name: text(80) }).nullable(),
    rows: z
      .array(
        z
          .strictObject({
            id: partId,
            words: words(80),
            ringTemperature: celsius.nullable(),
            wallTemperature: celsius.nullable(),
            load: z.number().positive().max(10, 'at most 10').nullable().default(null),
          })
          .transform(withoutGivenTemperatures),
      )
      .max(40, 'at most 40 rows'),
    columns: z
      .array(z.strictObject({ id: partId, words: words(80), alloy: z.enum(ALLOYS), highRing: z.boolean() }))
      .max(12, 'at most 12 columns'),
    cells: z
      .array(
        z.strictObject({
          row: partId,
          column: partId,
          figure: z.enum(CHART_FIGURES),
          factor: z.number(),
          source: text(200),
          confirmed: z.strictObject({ sheet: words(200), by: text(12), at: time }).nullable(),
        }),
      )
      .max(40 * 12 * 4),
  })
  .superRefine((chart, context) => {
    for (const message of chartFaults(chart)) context.addIssue({ code: 'custom', message });
  });

const halfWidth = z.number().min(0, 'not negative').max(300, 'at most 300');
export const heatSchema: z.ZodType<HeatChoices> = z.strictObject({
  ringMetal: z.enum(RING_METALS),
  coolant: celsius.nullable().default(null),
  top: celsius.nullable(),
  second: celsius.nullable(),
  wall: celsius.nullable(),
  skirt: celsius.nullable(),
  spread: z.strictObject({ ring: halfWidth, wall: halfWidth, expansion: z.number().min(0).max(0.5) }),
  feeler: nm.max(500_000, 'at most 0.5 mm'),
});

/** How the shop decides: at least one in two sure, a grace of half a millimetre at the most. */
export const decidingSchema: z.ZodType<Strictness> = z.strictObject({
  sure: z.number().min(0.5, 'at least 50 %').max(0.999, 'at most 99.9 %'),
  gapGrace: nm.max(500_000, 'at most 0.5 mm'),
  clearanceGrace: nm.max(100_000, 'at most 0.1 mm'),
});
