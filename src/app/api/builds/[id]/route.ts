/** GET /api/builds/:id   the build file, results worked out afresh */
import { judge } from '@/core/judge/judge';
import { writeBuildFile } from '@/files/buildFile';
import { database } from '@/store/store';
import { answered, fileName, noSuchBuild } from '../../answers';
import { loadBuild } from '@/store/log';

export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const stored = await loadBuild(await database(), id);
    if (!stored) return noSuchBuild(id);
    const name = fileName(judge(stored.record).job?.name ?? id, 'spatium.json');
    return new Response(JSON.stringify(writeBuildFile(stored.record), null, 1), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${name}"`,
      },
    });
  },
);
