/** What the shapes of entries are made of. Lengths are whole nanometres, times ISO 8601 in UTC. */
import { z } from 'zod';
import type { Joints } from '@/core/foundation/parts/joints';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { MOST_BOOST } from '@/core/foundation/quantity/pressure';
import type { Faults } from '@/core/foundation/quantity/faults';
import type { SizeLimits } from '@/core/foundation/quantity/sizeLimits';

export const METRE = 1_000_000_000;

/** Checks a value by a rule of core, and reports each fault at its field. */
export const checkedBy =
  <T>(faultsOf: (value: T) => Faults) =>
  (value: T, context: { addIssue: (issue: { code: 'custom'; message: string; path: string[] }) => void }): void => {
    for (const [path, message] of Object.entries(faultsOf(value)))
      context.addIssue({ code: 'custom', message, path: path.split('.') });
  };

export const text = (most: number) => z.string().max(most, `at most ${most} characters`);
export const nm = z.int('a whole number of nanometres').min(0, 'not negative').max(METRE, 'at most a metre');
export const widthNm = nm.min(1, 'more than nothing');
export const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'letters, digits, - and _, 64 at most');
export const cylinder = z.string().regex(/^(?:[LR]?\d{1,2})$/, 'a place in the block such as 3, L1 or R2');

/** What something is read on: a cylinder, a main bearing or the crank. */
export const place = z
  .string()
  .regex(/^(?:[LRMX]?\d{1,2}|crank|block)$/, 'a place such as 3, L1, R2, M4, X1, crank or block');

export const buildIdSchema = id;

/** Name of a row or a column in a chart. */
export const partId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'letters, digits, - and _, 40 at most');

export const celsius = z.number().min(-60, 'at least −60 °C').max(900, 'at most 900 °C');
export const words = (most: number) => text(most).trim().min(1, 'some words are asked for');
export const time = z.iso.datetime({ message: 'a UTC time such as 2026-05-04T09:12:00.000Z' });
export const chartVersion = { id, version: z.int().min(1).max(100_000) };
export const once = <T>(list: T[]): boolean => new Set(list).size === list.length;

export const direction = z.number().min(0, 'from 0°').lt(180, 'under 180°');
export const bearing = z.number().min(0, 'from 0°').lt(360, 'under 360°');
export const joints: z.ZodType<Joints> = z.strictObject({
  top: bearing,
  second: bearing,
  upperRail: bearing,
  expander: bearing,
  lowerRail: bearing,
});
export const someJoints = z.strictObject({
  top: bearing.optional(),
  second: bearing.optional(),
  upperRail: bearing.optional(),
  expander: bearing.optional(),
  lowerRail: bearing.optional(),
});
export const someSize = nm.min(10_000_000, 'at least 10 mm').max(500_000_000, 'at most 500 mm');
export const smallNm = (most: number) => nm.max(most, `at most ${most / 1_000_000} mm`);
export const cylinders = z.array(cylinder).max(MOST_CYLINDERS).refine(once, 'each once');

/** Size limits as the manual gives them. */
export const sizeLimits: z.ZodType<SizeLimits> = z.strictObject({
  least: someSize.nullable(),
  most: someSize.nullable(),
  classes: z.array(z.strictObject({ name: words(12), from: someSize, to: someSize })).max(12, 'at most 12 classes'),
  source: text(120),
});

/** Cylinders that a shot of nitrous is fed to; its power by stages; boost in Pa. */
export const fedCylinders = z.int().min(1).max(MOST_CYLINDERS).nullable();
export const nitrousShots = z.array(z.number().positive().max(5_000)).max(6);
export const boostPressure = z.int().min(1).max(MOST_BOOST, 'at most 15 bar').nullable();

/** Initials, with a mark where they came with an imported file (`src/store/builds.ts`). */
export const stamp = { id, at: time, by: text(20) };
