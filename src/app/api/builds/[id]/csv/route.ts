/** GET /api/builds/:id/csv   all readings and results as CSV */
import { judge } from '@/core/judge/judge';
import { writeCsv } from '@/files/buildCsv';
import { database } from '@/store/store';
import { answered, fileName, noSuchBuild } from '@/server/responses';
import { loadBuild } from '@/store/log';

export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const stored = await loadBuild(await database(), id);
    if (!stored) return noSuchBuild(id);
    const judgement = judge(stored.record);
    return new Response(`\uFEFF${await writeCsv(judgement)}\r\n`, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(judgement.job?.name ?? id, 'csv')}"`,
      },
    });
  },
);
