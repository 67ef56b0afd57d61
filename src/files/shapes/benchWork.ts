/** Masses, torques and the fasteners of an engine. Masses are whole milligrams, torques whole millinewton metres. */
import { z } from 'zod';
import { BLOCK, isCylinderId } from '@/core/foundation/engine/places';
import { type BalanceChoices, type SetChoices, MIXED } from '@/core/stages/assembly/weights/choices';
import { TIGHTENINGS, TURNED_AFTER, WEIGHED_PARTS } from '@/core/record/benchWork';
import { type FastenerGroup, MOST_FASTENERS, MOST_USES } from '@/core/stages/assembly/torque/fastenerGroups';
import { cylinder, id, METRE, once, place, smallNm, text, words } from './parts';

const mg = z.int('a whole number of milligrams').min(0, 'not negative').max(20_000_000, 'at most 20 kg');
export const torque = z
  .int('a whole number of millinewton metres')
  .min(1, 'more than none')
  .max(1_500_000, 'at most 1500 N·m');
const degrees = z.number().positive('more than none').max(720, 'at most 720°');
const fastener = z.int().min(0).max(MOST_FASTENERS, `at most ${MOST_FASTENERS}`);

interface Stamped {
  id: z.ZodString;
  at: z.ZodType<string>;
  by: z.ZodString;
}

/** The entries of the bench, with the stamp that every entry bears. */
export const benchSchemas = (stamp: Stamped) =>
  [
    z.strictObject({
      kind: z.literal('weighed'),
      ...stamp,
      part: z.enum(WEIGHED_PARTS),
      cylinder,
      value: mg.min(1, 'more than nothing'),
      typed: text(60),
    }),
    z
      .strictObject({
        kind: z.literal('turned'),
        ...stamp,
        after: z.enum(TURNED_AFTER),
        cylinder: place,
        pistons: z.int().min(0).max(16),
        value: torque,
        starts: torque.nullable(),
        typed: text(60),
      })
      .refine((t) => (t.after === 'piston' ? isCylinderId(t.cylinder) : t.cylinder === BLOCK), {
        message: 'after a piston at its cylinder, else at the block',
        path: ['cylinder'],
      }),
    z
      .strictObject({
        kind: z.literal('tightened'),
        ...stamp,
        group: id,
        cylinder: place,
        fastener,
        what: z.enum(TIGHTENINGS),
        torque: torque.nullable(),
        angle: degrees.nullable(),
        length: z.int().min(0).max(METRE).nullable(),
        typed: text(60),
      })
      .refine((t) => isCylinderId(t.cylinder) || t.cylinder === BLOCK, {
        message: 'on a rod, by its cylinder, or at the block',
        path: ['cylinder'],
      })
      .refine((t) => (t.what === 'back') === (t.fastener === 0), {
        message: 'a fastener is named, but for the wrench set back',
        path: ['fastener'],
      })
      .refine((t) => t.length !== null || (t.what !== 'free' && t.what !== 'stretch'), {
        message: 'a length and a stretch are read',
        path: ['length'],
      })
      .refine((t) => t.torque !== null || t.what !== 'step', { message: 'a step has its torque', path: ['torque'] })
      .refine((t) => t.angle !== null || t.what !== 'angle', { message: 'an angle has degrees', path: ['angle'] }),
  ] as const;

export const groupSchema: z.ZodType<FastenerGroup> = z
  .strictObject({
    id,
    words: words(40),
    on: z.enum(['rods', 'engine']),
    count: z.int().min(1, 'at least one').max(MOST_FASTENERS, `at most ${MOST_FASTENERS}`),
    lubricant: words(60),
    source: text(80),
    steps: z.array(torque).max(8, 'at most 8 steps'),
    angle: degrees.nullable(),
    stretch: z
      .strictObject({ from: smallNm(5_000_000), to: smallNm(5_000_000) })
      .refine(({ from, to }) => from > 0 && from < to, 'from the lesser to the greater')
      .nullable(),
    order: z.array(fastener.min(1)).nullable(),
    measured: z.boolean(),
    used: z.int().min(0).max(MOST_USES, `at most ${MOST_USES}`).optional(),
  })
  .refine((g) => g.steps.every((step, i) => step > (g.steps[i - 1] ?? 0)), {
    message: 'each step is more than the one before',
    path: ['steps'],
  })
  .refine((g) => g.steps.length > 0 || g.stretch !== null, {
    message: 'a torque or a stretch is asked for',
    path: ['steps'],
  })
  .refine((g) => g.angle === null || g.stretch === null, {
    message: 'to an angle or to a stretch, not both',
    path: ['angle'],
  })
  .refine((g) => g.order === null || (g.order.length === g.count && once(g.order) && Math.max(...g.order) <= g.count), {
    message: 'the printed order names each fastener once',
    path: ['order'],
  });

export const fastenersSchema = z
  .array(groupSchema)
  .max(20, 'at most 20 groups')
  .refine((groups) => once(groups.map((g) => g.id)), 'each group once');

const mixed = z.enum(MIXED);

export const balanceSchema: z.ZodType<BalanceChoices> = z.strictObject({
  within: mg.max(100_000, 'at most 100 g'),
  mixes: z.array(mixed).refine(once, 'each once'),
  stays: z.array(z.strictObject({ part: mixed, number: cylinder })).max(64),
  share: z.number().min(0, 'from 0 %').max(100, 'to 100 %').nullable(),
  shells: mg.nullable(),
  oil: mg.max(200_000, 'at most 200 g'),
});

const pairs = z
  .array(z.strictObject({ number: cylinder, cylinder }))
  .max(16, 'at most 16')
  .refine((list) => once(list.map((p) => p.number)) && once(list.map((p) => p.cylinder)), 'each part and place once');

export const setsSchema: z.ZodType<SetChoices> = z.strictObject({ pin: pairs, clips: pairs, rings: pairs, rod: pairs });
