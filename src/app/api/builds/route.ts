/**
 * GET  /api/builds?q=&sort=&dir=&page=   the shelf, a page at a time
 * POST /api/builds[?copy=1]              a build file is read in; with copy, under a new id
 */
import { randomUUID } from 'node:crypto';
import { MOST_BYTES, readBuildFile } from '@/files/buildFile';
import { asker } from '@/people/asking';
import { noteDone } from '@/store/audit';
import { createBuild, importBuild, isRemoved } from '@/store/builds';
import { database } from '@/store/store';
import { readShelfAsk } from '@/ui/shelf/ask';
import { answered, bodyWithin, fault } from '../answers';
import { shelf } from '@/store/shelf';

export const GET = answered(async (request: Request): Promise<Response> => {
  const ask = readShelfAsk(Object.fromEntries(new URL(request.url).searchParams));
  return Response.json(await shelf(await database(), ask));
});

export const POST = answered(async (request: Request): Promise<Response> => {
  const text = await bodyWithin(request);
  if (text === null) return fault(413, `The file is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  const read = readBuildFile(text);
  if (!read.ok) return fault(422, ...read.faults);
  const copy = new URL(request.url).searchParams.get('copy') === '1';
  const record = copy ? { ...read.record, id: randomUUID() } : read.record;
  const db = await database();
  const asking = asker();
  const created = await (asking.hasPeople ? importBuild : createBuild)(db, record);
  if (created === 'taken')
    return fault(
      409,
      'Another record of this build is on the shelf already, with other entries. Read the file in as a copy to keep both.',
    );
  if (created === 'created')
    await noteDone(
      db,
      'readInBuild',
      { of: record.id, says: copy ? 'Read in from a file, as a copy' : 'Read in from a file' },
      { by: asking.person?.initials ?? '', asking },
    );
  const url = `/builds/${record.id}/job`;
  const isInDrawer = created === 'already here' && (await isRemoved(db, record.id));
  return Response.json(
    { id: record.id, url, created: created === 'created', isInDrawer },
    { status: created === 'created' ? 201 : 200 },
  );
});
