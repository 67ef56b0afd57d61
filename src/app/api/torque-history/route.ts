/** GET /api/torque-history?build=ID   what the shop’s other builds of the same kind took to turn */
import { database } from '@/store/store';
import { torqueHistory } from '@/store/torqueHistory';
import { answered } from '@/server/responses';

export const GET = answered(async (request: Request): Promise<Response> => {
  const build = new URL(request.url).searchParams.get('build') ?? '';
  return Response.json({ builds: await torqueHistory(await database(), build.slice(0, 64)) });
});
