/**
 * GET /api/audit?before=SEQ   what was done outside builds, the latest first, a hundred at a time: { audit }
 * GET /api/audit?csv=1        all of it as a table
 */
import { auditBefore } from '@/store/audit';
import { tableOf } from '@/files/table';
import { database } from '@/store/store';
import { answered } from '../answers';

const PAGE = 100;
const ALL = 1_000_000;

export const GET = answered(async (request: Request) => {
  const asked = new URL(request.url).searchParams;
  const db = await database();
  if (asked.get('csv') === '1') {
    const rows = (await auditBefore(db, null, ALL)).reverse();
    const table = tableOf(
      ['at_utc', 'by', 'act', 'of', 'says'],
      rows.map((row) => ({ at_utc: row.at, by: row.by, act: row.act, of: row.of, says: row.says })),
    );
    return new Response(table, {
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
