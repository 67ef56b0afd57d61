/**
 * GET  /api/archive   the whole shop as open files in one archive
 * POST /api/archive   one is read in: { came }
 */
import { Readable } from 'node:stream';
import { asker } from '@/people/asking';
import { archiveOf, readIn } from '@/store/archive';
import { noteDone } from '@/store/audit';
import { database } from '@/store/store';
import { answered, bytesWithin, fault } from '../answers';

const MOST = 256 * 1024 * 1024;

export const GET = answered(async () => {
  const pieces = Readable.from(archiveOf(await database()));
  return new Response(Readable.toWeb(pieces) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="spatium-shop-${new Date().toISOString().slice(0, 10)}.zip"`,
    },
  });
});

export const POST = answered(async (request: Request) => {
  const bytes = await bytesWithin(request, MOST);
  if (bytes === null)
    return fault(413, `An archive is at most ${MOST / 1024 / 1024} MB here; a larger one goes in by npm run import.`);
  const db = await database();
  const came = await readIn(db, bytes);
  if (typeof came === 'string') return fault(422, came);
  const asking = asker();
  const { builds, charts, tools, people } = came;
  const says = `Read in: ${builds.added} builds added, ${builds.grown} grown, ${builds.same} the same; ${charts} versions of charts, ${tools} tools, ${people} people`;
  await noteDone(db, 'import', { of: '', says }, { by: asking.person?.initials ?? '', asking });
  return Response.json({ came, says });
});
