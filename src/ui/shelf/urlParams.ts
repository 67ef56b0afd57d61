/** What the shelf is asked for, as it stands in the address. */
import { z } from 'zod';
import { type ShelfAsk, SHELF_SORTS } from '@/store/shelfAsk';

const askSchema = z.object({
  q: z.string().max(200).catch(''),
  sort: z.enum(SHELF_SORTS).catch('updated'),
  dir: z.enum(['up', 'down']).optional().catch(undefined),
  page: z.coerce.number().int().min(1).max(100_000).catch(1),
});

/** Reads the address's parameters; whatever is not understood falls back to the usual. */
export function readShelfAsk(params: Record<string, string | string[] | undefined>): ShelfAsk {
  const { q, sort, dir, page } = askSchema.parse(params);
  return { query: q, sort, descending: dir ? dir === 'down' : sort === 'updated', page };
}
