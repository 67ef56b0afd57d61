/** GET /api/builds/:id   the build file, results worked out afresh */
import { MOST_ENTRIES } from '@/files/buildFile';
import { streamFromBackground } from '@/server/background';
import { database } from '@/store/store';
import { answered, fault, fileName, noSuchBuild } from '@/server/responses';
import { sizeOf } from '@/store/log';

export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const size = await sizeOf(await database(), id);
    if (!size) return noSuchBuild(id);
    if (size.entries > MOST_ENTRIES)
      return fault(
        422,
        `This build has ${size.entries} entries, and a build file holds ${MOST_ENTRIES} at most. A backup has all of it.`,
      );
    return new Response(request.method === 'HEAD' ? null : await streamFromBackground('buildFile', { id }), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(size.name ?? id, 'spatium.json')}"`,
      },
    });
  },
);
