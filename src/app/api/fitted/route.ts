/** GET /api/fitted   mean gaps of the shop's builds, over heat loads */
import { fittedBuilds } from '@/store/fitted';
import { database } from '@/store/store';

export async function GET(): Promise<Response> {
  return Response.json({ builds: await fittedBuilds(await database()) });
}
