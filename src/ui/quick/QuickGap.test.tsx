/** Quick gap: figures at the counter, in the address. */
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it } from 'vitest';
import { STARTING_CHART } from '@/core/models/charts/chart';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { readQuick } from '@/files/quickGapUrlParams';
import { fill, fillIn, shows, page } from '../testing/renderBuild';
import { QuickGap } from './QuickGap';

const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
const slip = (): HTMLElement => screen.getByRole('article', { name: 'Figures' });
const noSlip = (): Promise<void> =>
  waitFor(() => expect(screen.queryByRole('article', { name: 'Figures' })).toBeNull());
const address = (holds: RegExp): Promise<void> => waitFor(() => expect(window.location.search).toMatch(holds));
/** Opens it at what stands in the address. */
const open = (missing = false): void => {
  const params = Object.fromEntries(new URLSearchParams(window.location.search));
  render(
    <QuickGap initial={readQuick(params)} charts={[STARTING_CURVE, STARTING_CHART]} missing={missing} old={false} />,
  );
};
beforeEach(() => window.history.replaceState(null, '', '/gap'));

it('bore, duty and piston in; every figure out in both systems, with its working, in the address', async () => {
  open();
  await shows(page, 'Set the piston type');
  await fillIn('Finished bore', '4065');
  fill(screen.getByLabelText('Piston type'), 'forged4032');
  fill(screen.getByLabelText('Use'), 'endurance');
  fill(screen.getByLabelText('Cylinder wall'), 'iron');
  await shows(slip, /21–24 thou.*0\.533–0\.610 mm/);
  await shows(slip, 'planned bore 4.0650 in × 0.00502 = 0.02041 in, up to the next step → 21 thou');
  await shows(slip, /23–26 thou.*0\.584–0\.660 mm/);
  await shows(slip, '≥ 15 thou');
  await shows(slip, '3.7–4.7 thou');
  await address(/bore=4\.065in&use=endurance&piston=forged4032&wall=iron/);
  cleanup();
  open();
  await waitFor(slip);
  await shows(slip, '21–24 thou');
  expect(screen.getByLabelText('Finished bore')).toHaveProperty('value', '4.0650');
  await user.click(screen.getByRole('radio', { name: 'millimetres' }));
  await shows(slip, '0.52–0.60 mm');
  await fillIn('Power adders', '1.4 bar');
  await address(/add=140\+kPa\+turbo/);
  await shows(slip, 'boost ×2.00');
  await shows(slip, '0.73–0.81 mm');
});

it('while a figure is asked about, nothing is shown of the one before: nothing to read, to print or to pass on', async () => {
  window.history.replaceState(null, '', '/gap?units=metric&bore=103.25mm&use=endurance&piston=forged4032&wall=iron');
  open();
  await waitFor(slip);
  await fillIn('Finished bore', '4.065');
  await shows(page, '4.065 mm is 0.1600 in');
  await noSlip();
  await shows(page, 'No figures are shown until it is.');
  for (const name of ['Print', 'Copy the link', 'Begin a build with this'])
    expect(screen.getByRole('button', { name })).toHaveProperty('disabled', true);
  await fillIn('Finished bore', '103.25');
  await waitFor(slip);
  await fillIn('Power adders', '150 shot on 4 cylinders');
  await shows(page, 'nitrous, 150 hp in 4 cylinders');
  await fillIn('Power adders', '500 hp');
  await shows(page, '500 hp of nitrous, or the engine’s own power?');
  await noSlip();
  await user.click(screen.getByRole('button', { name: /enter it under base power/ }));
  await waitFor(slip);
});

it('an address that holds nonsense, or a chart that is not here, is still answered', async () => {
  window.history.replaceState(null, '', '/gap?bore=elephant&adder=rocket&boost=-1&cyl=900&chart=gone%407&use=%00');
  open(true);
  await shows(page, 'The chart this link names is not here.');
  await shows(slip, 'No bore yet');
  await fillIn('Finished bore', '99999');
  await shows(page, /no bore is that size|is that right|did you mean/);
});

it('stroke and highest speed raise the heat load, a slower one lowers nothing, and both stay in the address', async () => {
  window.history.replaceState(null, '', '/gap?units=imperial&bore=4in&use=endurance&piston=forged4032&wall=iron');
  open();
  await waitFor(slip);
  await shows(slip, 'heat load 1.15');
  await user.click(screen.getByText(/^Stroke and speed:/));
  await fillIn('Stroke', '3.48');
  await fillIn('Highest speed', 'fast');
  await shows(page, '“fast” is not an engine speed. Accepted: 6500, 6500 rpm.');
  await noSlip();
  await fillIn('Highest speed', '8500');
  await shows(page, '25.0 m/s mean piston speed');
  // time at full load 1.05 without its usual speed, and (25 ÷ 16)^0.8
  await shows(slip, 'heat load 1.50');
  await address(/stroke=3\.48in&rpm=8500/);
  cleanup();
  open();
  await waitFor(slip);
  await shows(slip, 'heat load 1.50');
  await user.click(screen.getByText(/^Stroke and speed:/));
  await fillIn('Highest speed', '2000');
  await shows(slip, 'heat load 1.15');
});
