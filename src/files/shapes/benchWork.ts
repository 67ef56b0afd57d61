/** Masses, torques and the fasteners of an engine. Masses are whole milligrams, torques whole millinewton metres. */
import { z } from 'zod';
import { BLOCK, isCylinderId } from '@/core/foundation/engine/places';
import { type BalanceChoices, type SetChoices, MIXED } from '@/core/stages/assembly/weights/choices';
import { TIGHTENINGS, TURNED_AFTER, WEIGHED_PARTS } from '@/core/record/benchWork';
import { type FastenerGroup, MOST_FASTENERS, MOST_USES } from '@/core/stages/assembly/torque/fastenerGroups';
import { MOST_ANGLE, MOST_STRETCH, groupFaults } from '@/core/stages/assembly/torque/fastenerGroupForm';
import { cylinder, checkedBy, id, METRE, once, place, smallNm, text } from './parts';

const mg = z.int('a whole number of milligrams').min(0, 'not negative').max(20_000_000, 'at most 20 kg');
export const torque = z
  .int('a whole number of millinewton metres')
  .min(1, 'more than none')
  .max(1_500_000, 'at most 1500 N·m');
const degrees = z.number().positive('more than none').max(MOST_ANGLE, `at most ${MOST_ANGLE}°`);
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

const groupSchema: z.ZodType<FastenerGroup> = z
  .strictObject({
    id,
    words: text(40).trim(),
    on: z.enum(['rods', 'engine']),
    count: z.int().min(1, 'at least one').max(MOST_FASTENERS, `at most ${MOST_FASTENERS}`),
    lubricant: text(60).trim(),
    source: text(80),
    steps: z.array(torque),
    angle: degrees.nullable(),
    stretch: z
      .strictObject({ from: smallNm(MOST_STRETCH).min(1, 'more than nothing'), to: smallNm(MOST_STRETCH) })
      .nullable(),
    order: z.array(fastener.min(1)).nullable(),
    measured: z.boolean(),
    used: z.int().min(0).max(MOST_USES, `at most ${MOST_USES}`).optional(),
  })
  .superRefine(checkedBy(groupFaults));

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
