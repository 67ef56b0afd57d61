/** GET /api/charts/ID[?version=N]   the chart as a file, in its latest version unless said */
import { writeChartFile } from '@/files/chartFile';
import { loadChart } from '@/store/charts';
import { database } from '@/store/store';
import { answered, fileName, noSuchChart, versionAsked } from '@/server/responses';

export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const chart = await loadChart(await database(), id, versionAsked(request));
    if (!chart) return noSuchChart(id);
    return Response.json(writeChartFile(chart), {
      headers: {
        'content-disposition': `attachment; filename="${fileName(`${chart.name} v${chart.version}`, 'chart.json')}"`,
      },
    });
  },
);
