/**
 * GET  /api/charts            the shop's charts, each in its latest version
 * POST /api/charts[?name=]    a chart file is read in, JSON or CSV, as a chart of its own
 */
import { MOST_CHART_BYTES, readChartFile } from '@/files/chartFile';
import { requestContext } from '@/people/requestContext';
import { noteDone } from '@/store/audit';
import { keptCharts, readInChart } from '@/store/charts';
import { database } from '@/store/store';
import { answered, bodyWithin, fault } from '@/server/responses';

export const GET = answered(async (): Promise<Response> => {
  return Response.json({ charts: await keptCharts(await database()) });
});

export const POST = answered(async (request: Request): Promise<Response> => {
  const text = await bodyWithin(request, MOST_CHART_BYTES);
  if (text === null) return fault(413, 'The file is larger than 1 MB.');
  const name = new URL(request.url).searchParams.get('name')?.trim().slice(0, 80);
  const read = readChartFile(text, name || 'Chart from a file');
  if (!read.ok) return fault(422, ...read.faults);
  const db = await database();
  const asking = requestContext();
  const by = asking.person?.initials ?? '';
  const { chart, isNew } = await readInChart(db, read.chart, by);
  if (isNew)
    await noteDone(db, 'readInChart', { of: chart.id, says: `${chart.name}, read in from a file` }, { by, asking });
  return Response.json({ id: chart.id, url: `/charts/${chart.id}`, created: isNew }, { status: isNew ? 201 : 200 });
});
