import { screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { judge } from '@/core/judge/judge';
import { STARTING_HEAT } from '@/core/models/heat/assess';
import { boreReading, gap, jobEntry } from '@/fixtures/records';
import { acceptHere, fill, gone, region, renderBuild, shows } from '../testing/renderBuild';

const progress = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
const readings = region('Readings of this ring');

/** A bore alike in all directions, at every depth. */
const bore = (cylinder: string, inches: number): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth) =>
    [90, 0].map((angle) => boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches))),
  );

it('without a ring filer the cut is advised by feel; a cut is undone by one key; neither deburred nor squared is marked', async () => {
  const { user, log, main } = await renderBuild('rings');
  await log('12');
  await shows(region('Next cut'), 'First cut: about 5 thou');
  await log('c');
  await shows(main, 'Cut since it was read');
  await user.keyboard('z');
  await shows(region('Reading line'), 'Undone: Cylinder 1, top ring, a cut');
  await gone(main, 'Cut since it was read');
  await log('c3');
  await log('17');
  await shows(readings, 'neither deburred nor squared noted');
});

it('a ring that is over: accepted with a reason and taken back; another ring; the old readings stay', async () => {
  const { user, main, server } = await renderBuild('rings', gap('a', 'L1', 'top', 30));
  const over = region('What else can be done');
  await waitFor(over);
  await acceptHere(user, 'plain rebuild, customer agrees');
  await shows(main, 'plain rebuild, customer agrees');
  await shows(progress, '1/16');
  await user.click(screen.getByRole('button', { name: 'Take the acceptance back' }));
  await shows(progress, '0/16');
  await user.click(within(over()).getByRole('button', { name: 'Another ring' }));
  await shows(main, 'Square it in its own bore and read the gap.');
  await shows(readings, '30 thou');
  await user.click(screen.getByRole('button', { name: 'Take back' }));
  await waitFor(over);
  await waitFor(() => expect(server.entries.filter((e) => e.kind === 'void')).toHaveLength(2));
});

it('a ring read in the wrong bore is noted there and predicted here, without measuring again', async () => {
  const build = [...bore('L1', 4.065), ...bore('R1', 4.066), gap('a', 'L1', 'top', 26)];
  const { user, main, sent } = await renderBuild('rings', ...build);
  await user.click(await screen.findByRole('button', { name: /^top ring/ }));
  await user.click(await screen.findByRole('button', { name: 'Other bore' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Read in another bore' }));
  await user.click(dialog.getByRole('button', { name: '2' }));
  await shows(main, 'Predicted from cylinder 2');
  await shows(readings, 'it was read in the bore of cylinder 2');
  expect(await sent('reading')).toMatchObject({ cylinder: 'R1', value: fromThou(26), fit: { ring: 'L1' } });
});

it('a ring in its window that the heat model warns of is answered for with a reason, and not warned of again', async () => {
  const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'KM' };
  const hot: Entry = { ...stamp, id: 'h', kind: 'heat', replaces: null, value: { ...STARTING_HEAT, top: 300 } };
  const build = [hot, gap('g', 'L1', 'top', 22), gap('s', 'L1', 'second', 24)];
  const { user, main, server } = await renderBuild('rings?at=1.top', ...build);
  const warned = (): boolean =>
    judge({ id: 'a', entries: server.entries }).findings.some((f) => f.severity === 'mend' && f.cylinder === 'L1');
  expect(warned()).toBe(true);
  await shows(main, 'Cylinder 1, top ring');
  await acceptHere(user, 'run so for years');
  await shows(main, 'ccepted by KM: run so for years');
  await waitFor(() => expect(warned()).toBe(false));
});

it('a ring read in a warm aluminium bore is narrower at 20 °C, and says so', async () => {
  const build = [jobEntry({ surface: 'plated' }), ...bore('L1', 4.065)];
  const { user, log, sent } = await renderBuild('rings?at=1.top', ...build);
  await user.click(await screen.findByRole('button', { name: 'Temperature not entered: 20 °C' }));
  fill(await screen.findByLabelText('Part, °C'), '30');
  await log('23/24');
  expect(await sent('reading')).toMatchObject({ subject: 'top', temperature: 30, gaugeTemperature: null });
  await user.keyboard('{ArrowLeft}');
  await waitFor(region('The gap that counts'));
  await user.click(within(region('The gap that counts')()).getByRole('button', { name: /^why/ }));
  // π × 4.065 in × (11.2 − 21.5)·10⁻⁶ × 10 K
  await shows(() => screen.getByRole('dialog'), 'of that −0.00132 in from the temperature it was read at to 20 °C');
});
