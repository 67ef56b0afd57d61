/** GET /api/fitted   mean gaps of the shop's builds, over heat loads */
import { fittedBuilds } from '@/store/fitted';
import { database } from '@/store/store';
import { answered } from '../../../server/responses';

export const GET = answered(async (): Promise<Response> => {
  return Response.json({ builds: await fittedBuilds(await database()) });
});
