import { screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { job, jobEntry } from '@/fixtures/records';
import { fill, renderBuild } from '../testing/renderBuild';

it('what is typed in thou is not taken for millimetres when the units are switched, and is there again', async () => {
  const { user, sent } = await renderBuild('journals?view=shells', jobEntry({ ...job, also: ['journals'] }));
  const gives = async (): Promise<HTMLElement> => screen.findByLabelText('−0.001 in: what one half gives');
  const switchTo = (units: 'thou' | 'mm'): Promise<void> =>
    user.click(
      within(screen.getByRole('radiogroup', { name: 'Units shown and spoken' })).getByRole('radio', { name: units }),
    );
  expect(await gives()).toHaveProperty('value', '−0.5');
  fill(await gives(), '-0.4');
  await switchTo('mm');
  expect(await gives()).toHaveProperty('value', '−0.013');
  await switchTo('thou');
  expect(await gives()).toHaveProperty('value', '-0.4');
  await user.click(screen.getByRole('button', { name: 'Set what can be had' }));
  const stock = (await sent('shells')).value.stock.main;
  expect(stock.find((grade) => grade.id === 'less')?.gives).toBe(-10_160);
});
