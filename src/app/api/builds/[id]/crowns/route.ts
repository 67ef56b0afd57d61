/** GET /api/builds/:id/crowns?view=&cylinder=   the crowns of all cylinders, or of one, as an SVG drawing */
import { z } from 'zod';
import { judge } from '@/core/judge/judge';
import { VIEWS } from '@/core/stages/clocking/viewpoint';
import { crownFile } from '@/files/crownFile';
import { database } from '@/store/store';
import { answered, fileName, noSuchBuild } from '@/server/responses';
import { loadBuild } from '@/store/log';

const askSchema = z.object({ view: z.enum(VIEWS).default('bench'), cylinder: z.string().max(8).optional() });

export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const asked = askSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success) return Response.json({ faults: ['view: bench, front, stand or flywheel'] }, { status: 400 });
    const stored = await loadBuild(await database(), id);
    if (!stored) return noSuchBuild(id);
    const judgement = judge(stored.record);
    const { view, cylinder } = asked.data;
    const drawn = crownFile(judgement, view, cylinder ?? null);
    if (drawn === null)
      return Response.json(
        { faults: [cylinder ? `There is no plan for a cylinder at ${cylinder}.` : 'No cylinder has a plan yet.'] },
        { status: 404 },
      );
    const label = judgement.cylinders.find((c) => c.id === cylinder)?.label;
    return new Response(drawn, {
      headers: {
        'content-type': 'image/svg+xml; charset=utf-8',
        'content-disposition': `attachment; filename="${fileName(`${judgement.job?.name ?? id} ${label ? `cylinder ${label}` : 'crowns'}`, 'svg')}"`,
      },
    });
  },
);
