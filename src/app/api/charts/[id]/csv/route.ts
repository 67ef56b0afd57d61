/** GET /api/charts/ID/csv[?version=N]   the chart as CSV, in its latest version unless said */
import { writeChartCsv } from '@/files/chartFile';
import { loadChart } from '@/store/charts';
import { database } from '@/store/store';
import { answered, fileName, noSuchChart, versionAsked } from '@/server/responses';

export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const chart = await loadChart(await database(), id, versionAsked(request));
    if (!chart) return noSuchChart(id);
    const headers = {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${fileName(`${chart.name} v${chart.version}`, 'csv')}"`,
    };
    return new Response(`\uFEFF${writeChartCsv(chart)}`, { headers });
  },
);
