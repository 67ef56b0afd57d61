/** Puts the demo workshop's chart into a shop, both versions, unless it is there. */
import { loadChart, saveChart } from '../src/store/charts';
import type { Database } from '../src/store/open';
import { laterWorkshopChart, workshopChart } from './demoCharts';

export async function seedCharts(db: Database): Promise<void> {
  if (await loadChart(db, workshopChart.id)) return;
  await saveChart(db, workshopChart, 0, 'KM');
  await saveChart(db, laterWorkshopChart, 1, 'AW');
}
