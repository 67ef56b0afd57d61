import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import type { Chart } from '@/core/models/charts/chart';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { fill, shows } from '../testing/renderBuild';
import { ChartPage } from './ChartPage';

const cell = (row: string, column: string): HTMLElement => {
  const found = document.querySelector<HTMLElement>(`[data-cell="${row}/${column}/top"]`);
  if (!found) throw new Error(`no cell ${row}/${column}`);
  return found;
};

it('a chart of curves: a heat load is added, refused where one stands, given a figure and saved', async () => {
  const sent: { args: [Chart, number] }[] = [];
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => {
    sent.push(JSON.parse(init.body as string) as { args: [Chart, number] });
    return Promise.resolve(Response.json({ result: { ok: true } }));
  });
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  render(<ChartPage versions={[STARTING_CURVE]} />);
  await user.click(await screen.findByRole('button', { name: 'heat load' }));
  const load = await screen.findByLabelText('Heat load');
  expect(load).toHaveProperty('value', '3.4');
  fill(load, '2.6');
  await screen.findByText('Another row is already there.');
  fill(load, '1.7');
  // it stands where its load does, not where it was added
  await waitFor(() => expect(screen.getAllByRole('row')[9]?.textContent).toContain('1.70 own load'));
  await user.click(cell('own-row', 'forged4032'));
  const drawn = await screen.findByRole('region', { name: 'The curve of the figure in hand' });
  fill(await screen.findByLabelText('Factor × bore'), '0.0061');
  await screen.findByRole('img', { name: /through 13 points/ });
  await shows(() => drawn, 'Under a point at less load, and lifted to it: 1.70.');
  fill(screen.getByLabelText('Factor × bore'), '0.0065');
  await waitFor(() => expect(drawn.textContent).not.toContain('lifted'));
  await user.click(screen.getByRole('button', { name: `Save as version ${STARTING_CURVE.version + 1}` }));
  await waitFor(() => expect(sent).toHaveLength(1));
  const [chart, over] = sent[0]?.args ?? [];
  expect([chart?.kind, over, chart?.rows.find((row) => row.id === 'own-row')?.load]).toEqual([
    'curve',
    STARTING_CURVE.version,
    1.7,
  ]);
});
