/** GET /api/builds/:id/quarantine   entries of a build that could not be read, as they stand */
import { quarantinedInBuild } from '@/store/quarantine';
import { database } from '@/store/store';
import { answered } from '@/server/responses';

export const GET = answered(async (_request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params;
  return Response.json({ aside: await quarantinedInBuild(await database(), id) });
});
