/** GET /api/gap-history   mean gaps of the shop's builds, over heat loads */
import { gapHistory } from '@/store/gapHistory';
import { database } from '@/store/store';
import { answered } from '@/server/responses';

export const GET = answered(async (): Promise<Response> => {
  return Response.json({ builds: await gapHistory(await database()) });
});
