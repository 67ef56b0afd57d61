/**
 * GET /api/audit?before=SEQ   what was done outside builds, the latest first, a hundred at a time: { audit }
 * GET /api/audit?csv=1        all of it as a table
 */
import { auditBefore, auditTable } from '@/store/audit';
import { database } from '@/store/store';
import { answered } from '@/server/responses';

const PAGE = 100;

export const GET = answered(async (request: Request) => {
  const asked = new URL(request.url).searchParams;
  const db = await database();
  if (asked.get('csv') === '1') {
    return new Response(await auditTable(db), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="spatium-audit.csv"',
      },
    });
  }
  const before = Number(asked.get('before'));
  return Response.json({
    audit: await auditBefore(db, Number.isSafeInteger(before) && before > 0 ? before : null, PAGE),
  });
});
