/** GET /api/backups/:name   a copy of everything, as one database file */
import { createReadStream, statSync } from 'node:fs';
import { Readable } from 'node:stream';
import { backupFolder, copyNamed } from '@/store/backup';
import { databaseUrl } from '@/store/store';
import { answered, fault } from '@/server/responses';

export const GET = answered(async (_request: Request, { params }: { params: Promise<{ name: string }> }) => {
  const { name } = await params;
  const file = copyNamed(backupFolder(databaseUrl()), name);
  if (file === null) return fault(404, `There is no copy ${name}.`);
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-length': String(statSync(file).size),
      'content-disposition': `attachment; filename="${name}"`,
    },
  });
});
