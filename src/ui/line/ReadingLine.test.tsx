import { screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { fromThou } from '@/core/foundation/quantity/length';
import { gap } from '@/fixtures/records';
import { fill, onDeck, line, region, renderBuild, said, shows } from '../testing/renderBuild';

const progress = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
/** Waits until a ring is in hand. */
const isAt = (name: string): Promise<HTMLElement> => screen.findByRole('heading', { name });

it('says back what it understood before Enter, with the verdict', async () => {
  await renderBuild('rings');
  for (const [typed, ...says] of [
    ['22', '0.022 in · 0.559 mm', 'in window'],
    ['0,56mm', '0.560 mm'],
    ['15/16', '0.016 in · 0.406 mm does not', 'short'],
  ] as const) {
    fill(line(), typed);
    for (const text of says) await shows(said, text);
  }
  await shows(progress, '0/16');
});

it('a short ring is stayed with until it is in its window', async () => {
  const { user, log, main } = await renderBuild('rings');
  for (const typed of ['14', '18']) {
    await log(typed);
    await isAt('Cylinder 1, top ring');
  }
  await shows(main, 'still to come off');
  await log('22');
  await shows(said, 'Filed since');
  await user.keyboard('{Enter}');
  await isAt('Cylinder 1, second ring');
});

it('a slip is answered with a question, by keyboard, and nothing typed is lost', async () => {
  const { user, log, sent } = await renderBuild('rings');
  fill(line(), '220');
  await shows(said, 'did you mean 22 thou?');
  await log('220');
  await waitFor(() => expect(within(said()).getAllByRole('button')[0]).toBe(document.activeElement));
  await user.keyboard('{Escape}');
  await waitFor(() => expect(document.activeElement).toBe(line()));
  expect(line()).toHaveProperty('value', '220');
  await user.keyboard('{Enter}');
  await waitFor(() => expect(within(said()).getAllByRole('button')[0]).toBe(document.activeElement));
  await user.keyboard('{Enter}');
  await isAt('Cylinder 1, second ring');
  expect(await sent('reading')).toMatchObject({ value: fromThou(22), typed: '220' });
  await log('fourteen');
  await shows(said, 'is no reading');
  await shows(said, 'Accepted: 22, .022');
  expect(line()).toHaveProperty('value', 'fourteen');
});

it('Enter on nothing logs nothing and moves nowhere', async () => {
  const { user, server } = await renderBuild('rings');
  await user.type(line(), '{Enter}{Enter}{Enter}');
  await isAt('Cylinder 1, top ring');
  expect(server.entries).toHaveLength(1);
});

it('arrows lead to any ring; undo is one key, stays on record, and leads back', async () => {
  const { user, log, main, server } = await renderBuild('rings');
  await user.keyboard('{ArrowDown}{ArrowRight}');
  await isAt('Cylinder 2, second ring');
  await log('24');
  await shows(said, 'Logged Cylinder 2, second ring');
  await user.keyboard('z');
  await shows(said, 'Undone: Cylinder 2, second ring, “24”');
  await isAt('Cylinder 2, second ring');
  await shows(main, 'struck out: undone at entry');
  await waitFor(() => expect(server.entries.map((e) => e.kind)).toEqual(['job', 'reading', 'void']));
  await user.keyboard('z');
  await shows(said, 'Nothing of this bench’s to undo here');
});

it('a reading is struck out with a reason and stays in the log', async () => {
  const { user, main, press } = await renderBuild('rings', gap('a', 'L1', 'top', 22));
  await user.click(onDeck('1'));
  await press('button', /^top ring/);
  await press('button', 'Strike out 22');
  await press('button', 'not squared');
  await shows(main, 'struck out: not squared');
  await shows(progress, '0/16');
});

it('bore and piston on the line: the gauge setting, the dial, and a dropped digit', async () => {
  const { log, goTo, server } = await renderBuild('bores');
  await log('+6');
  await shows(said, 'first the setting');
  await log('set 4.060');
  await shows(said, 'Bore gauge set to 4.0600 in');
  fill(line(), '+5.2');
  await shows(said, '4.0652 in');
  await log('+5.2');
  fill(line(), '4.652');
  await shows(said, 'this bore reads about 4.0652 in; did you mean 4.0652 in (digit 0 dropped)?');
  fill(line(), '');
  await goTo('Pistons');
  await isAt('Cylinder 1, piston');
  fill(line(), '4.0612');
  await shows(said, 'clearance 4.0 thou');
  await log('4.0612');
  await goTo('Bores');
  await shows(region('Reading line'), 'square');
  fill(line(), '-1.5');
  await shows(said, '4.0585 in');
  await waitFor(() => expect(server.entries.map((e) => e.kind)).toEqual(['job', 'setting', 'reading', 'reading']));
});

it('route ring by ring, and rails on the route', async () => {
  const { user, log, press } = await renderBuild('rings?view=set-up');
  await press('tab', 'Set-up');
  await press('radio', 'ring by ring');
  await press('tab', 'Bench');
  await log('22');
  await isAt('Cylinder 2, top ring');
  await press('tab', 'Set-up');
  await press('radio', 'cylinder by cylinder');
  await press('checkbox', 'Rails on the route too');
  await press('tab', 'Bench');
  await shows(progress, '1/32');
  line().focus();
  await user.keyboard('{ArrowLeft}{ArrowLeft}');
  await isAt('Cylinder 2, upper rail');
  await log('18');
  await shows(progress, '2/32');
});

it('no question is asked of a figure that is still being typed', async () => {
  const { user } = await renderBuild('bores');
  for (const key of '4065') {
    await user.type(line(), key);
    expect(said().textContent).not.toMatch(/did you mean|is that right|Accepted/);
  }
  await shows(said, '4.0650 in');
  fill(line(), '46');
  await shows(said, 'did you mean');
});

it('undo says what it takes back: the ring gone to on purpose, else what was logged last', async () => {
  const { user, log, press } = await renderBuild('rings');
  const undo = (): HTMLElement => screen.getByRole('button', { name: /^Undo/ });
  for (const typed of ['22', '24', '23']) await log(typed);
  await shows(undo, '“23” Cylinder 2, top ring');
  await user.click(onDeck('1'));
  await press('button', /^top ring/);
  await shows(undo, '“22” Cylinder 1, top ring');
  await user.keyboard('z');
  await shows(said, 'Undone: Cylinder 1, top ring, “22”');
  await press('button', /^Redo/);
  await isAt('Cylinder 1, top ring');
  await waitFor(() => expect(screen.queryByRole('button', { name: /^Redo/ })).toBeNull());
});

it('a ring that is not done says what it waits for; where Enter leads is said before it is pressed', async () => {
  const { user, log } = await renderBuild('rings');
  fill(line(), '14');
  await shows(said, 'stays here');
  await log('14');
  await shows(said, 'Waits here: file, deburr, square, then read again.');
  await shows(said, 'After it: Cylinder 1, second ring.');
  const described = line().getAttribute('aria-describedby')?.split(' ') ?? [];
  expect(described.map((id) => document.getElementById(id)?.textContent).join(' ')).toMatch(/Target 21–24 thou/);
  fill(line(), '22');
  await shows(said, 'no cut is logged');
  await shows(said, 'stays here');
  fill(line(), '');
  await user.keyboard('d');
  fill(line(), '22');
  await shows(said, 'then Cylinder 1, second ring');
});
