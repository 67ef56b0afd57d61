/** GET /api/builds/:id/aside   entries of a build that could not be read, as they stand */
import { asideOfBuild } from '@/store/aside';
import { database } from '@/store/store';
import { answered } from '../../../../../server/responses';

export const GET = answered(async (_request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params;
  return Response.json({ aside: await asideOfBuild(await database(), id) });
});
