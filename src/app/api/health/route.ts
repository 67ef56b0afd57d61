/** GET /api/health   whether the server and its database answer: { ok }, and more for the owner and the machine itself */
import { statfsSync } from 'node:fs';
import { dirname } from 'node:path';
import { sql } from 'drizzle-orm';
import { requestContext, roleOf } from '@/people/requestContext';
import { may } from '@/people/permissions';
import { isLoopback } from '@/server/hosts';
import { backupFolder, keptCopies } from '@/store/backup';
import { fileOf } from '@/store/open';
import { database, databaseUrl } from '@/store/store';
import { version } from '../../../../package.json';
import { answered } from '@/server/responses';

export const GET = answered(async () => {
  const db = await database();
  await db.all(sql`SELECT 1`);
  const asking = requestContext();
  if (!isLoopback(asking.address) && !may(roleOf(asking), 'own')) return Response.json({ ok: true });
  const url = databaseUrl();
  const file = fileOf(url);
  const disk = statfsSync(file === null ? process.cwd() : dirname(file));
  return Response.json({
    ok: true,
    version,
    database: file === null ? 'server' : 'file',
    lastBackup: keptCopies(backupFolder(url))[0]?.at ?? null,
    diskFree: disk.bavail * disk.bsize,
  });
});
