/**
 * GET  /api/builds?q=&sort=&dir=&page=   the shelf, a page at a time
 * POST /api/builds[?copy=1]              a build file is read in; with copy, under a new id
 */
import { MOST_BYTES } from '@/files/buildFile';
import { requestContext } from '@/people/requestContext';
import { freshenInBackground, inBackground } from '@/server/background';
import { noteDone } from '@/store/audit';
import { isRemoved } from '@/store/builds';
import { database } from '@/store/store';
import { readShelfAsk } from '@/ui/shelf/urlParams';
import { answered, bytesWithin, fault, sizeText } from '@/server/responses';
import { shelf } from '@/store/shelf';

export const GET = answered(async (request: Request): Promise<Response> => {
  const ask = readShelfAsk(Object.fromEntries(new URL(request.url).searchParams));
  return Response.json(await shelf(await database(), ask, freshenInBackground));
});

export const POST = answered(async (request: Request): Promise<Response> => {
  const bytes = await bytesWithin(request, MOST_BYTES);
  if (bytes === null) return fault(413, `The file is larger than ${sizeText(MOST_BYTES)}.`);
  const isCopy = new URL(request.url).searchParams.get('copy') === '1';
  const asking = requestContext();
  const imported = await inBackground('importBuild', { bytes, isCopy, isForeign: asking.hasPeople });
  if (!imported.ok) return fault(422, ...imported.faults);
  const { id, created } = imported;
  if (created === 'taken')
    return fault(
      409,
      'Another record of this build is in the list already, with other entries. Import the file as a copy to keep both.',
    );
  const db = await database();
  if (created === 'created')
    await noteDone(
      db,
      'readInBuild',
      { of: id, says: isCopy ? 'Imported from a file, as a copy' : 'Imported from a file' },
      { by: asking.person?.initials ?? '', asking },
    );
  const isInDrawer = created === 'already here' && (await isRemoved(db, id));
  return Response.json(
    { id, url: `/builds/${id}/job`, created: created === 'created', isInDrawer },
    { status: created === 'created' ? 201 : 200 },
  );
});
