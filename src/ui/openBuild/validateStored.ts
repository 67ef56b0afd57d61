/** Checks what this browser kept before it is used: anything may be in its storage. */
import { z } from 'zod';
import type { Entry } from '@/core/judge/buildRecord';
import { entrySchema } from '@/files/schema';
import type { RejectedEntry } from './rejectedEntry';

const troubleSchema: z.ZodType<RejectedEntry> = z.strictObject({ entry: entrySchema, why: z.string() });

const soundOf = <T>(items: unknown[], schema: z.ZodType<T>): T[] =>
  items.flatMap((item) => {
    const parsed = schema.safeParse(item);
    return parsed.success ? [parsed.data] : [];
  });

/** The entries among some items. */
export const validateEntries = (items: unknown[]): Entry[] => soundOf(items, entrySchema);

/** The troubles among some items. */
export const validateRejected = (items: unknown[]): RejectedEntry[] => soundOf(items, troubleSchema);
