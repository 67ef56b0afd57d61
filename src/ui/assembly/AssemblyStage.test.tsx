import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { judge } from '@/core/judge/judge';
import type { WeighedPart } from '@/core/record/benchWork';
import { WHOLE_WALK } from '@/core/stages/assembly/walkChoices';
import { gap, job, jobEntry } from '@/fixtures/records';
import { type OpenedBuild, acceptHere, fill, fillIn, gone, region, renderBuild, shows } from '../testing/renderBuild';

const at = '2026-05-04T09:00:00.000Z';
const walk: Entry = { id: 'walk', at, by: '', kind: 'walk', replaces: null, value: WHOLE_WALK };
const open = (view: string, ...more: Entry[]): Promise<OpenedBuild> =>
  renderBuild(`assembly?view=${view}`, walk, ...more);

const EIGHT = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'];
const onScale = (part: WeighedPart, grams: readonly number[]): Entry[] =>
  EIGHT.map((cylinder, i) => ({
    ...{ id: `${part}-${cylinder}`, at, by: 'AB', kind: 'weighed', part, cylinder, typed: '' },
    value: Math.round((grams[i] ?? 0) * 1000),
  }));
const alike = (part: WeighedPart, grams: number): Entry[] =>
  onScale(
    part,
    EIGHT.map(() => grams),
  );

const figureLine = region('Figure line');
const input = (): HTMLElement => within(figureLine()).getByRole('textbox');
const label = (): HTMLElement => input().closest('label') ?? document.body;
const log = async ({ user }: OpenedBuild, typed: string): Promise<void> => {
  await user.clear(input());
  await user.type(input(), `${typed}{Enter}`);
};
const enter = async (name: string, text: string): Promise<void> => {
  const field = await screen.findByLabelText(name);
  fill(field, text);
  fireEvent.keyDown(field, { key: 'Enter' });
};
const first = (name: string) => (): HTMLElement =>
  within(screen.getByRole('list', { name })).getAllByRole('listitem')[0] ?? document.body;

it('the order: turns saved against 1-2-3, another after a piston is in, throws of its own, and what is wrong with them', async () => {
  const { main, press, server } = await open('order');
  await shows(main, /crank \d+°, stand \d turns?; by the engine’s own numbers it would be crank \d+°/);
  expect(within(screen.getByRole('list', { name: 'Order of the pistons' })).getAllByRole('listitem')).toHaveLength(8);
  await shows(first('Order of the pistons'), 'Cylinder 1');
  await press('radio', 'turns of the crank');
  await shows(main, 'Exact: no order has fewer turns.');
  for (const [typed, says] of [
    ['0 90 270', '4 throws, and 3 figures.'],
    ['0 90 270 400', 'Degrees from 0 to under 360'],
    ['10 90 270 180', 'The first throw counts as 0.'],
  ] as const) {
    await fillIn(/^Throws from the front/, typed);
    await shows(main, says);
    expect(screen.getByRole('button', { name: 'Set the throws' })).toHaveProperty('disabled', true);
  }
  await fillIn(/^Throws from the front/, '0 180 0 180');
  await press('button', 'Set the throws');
  await shows(main, 'as set for this crank');
  await waitFor(() =>
    expect(judge({ id: 'a', entries: server.entries }).choices.walk.throws).toEqual([0, 180, 0, 180]),
  );
  await press('button', 'As is usual');
  await waitFor(() => expect(screen.getByLabelText(/^Throws from the front/)).toHaveProperty('value', '0 90 270 180'));
});

it('habits make the steps: shells after, each tightened, no clips; six checks alone', async () => {
  const { main, press, server } = await open('habits', gap('g', 'L1', 'top', 22));
  for (const habit of ['after it', 'as each goes in', 'none, pressed pin', 'offset edge or hole on one side'])
    await press('radio', habit);
  await fillIn('Bores oiled with', 'light oil');
  await press('button', 'Set the oils');
  const checks = () => judge({ id: 'a', entries: server.entries }).cylinders[0]?.block.checks.map((c) => c.check) ?? [];
  await waitFor(() =>
    expect(checks().join(' ')).toMatch(/pistonIn shellsDry shellSide capOn tightened turned slides$/),
  );
  expect(checks()).not.toContain('clips');
  await press('tab', 'All steps');
  const steps = (): HTMLElement => screen.getByRole('list', { name: 'Checks' });
  await waitFor(steps);
  await shows(steps, 'Bore wiped, then oiled with light oil');
  await press('tab', 'Turning');
  await fillIn('Crank alone, at most', '3');
  await press('button', 'Save limits');
  await press('radio', 'crank alone');
  await enter('Crank alone', '4');
  await shows(main, /over the 3.*Something binds/);
  await press('tab', 'Habits');
  await press('radio', 'six checks at the block');
  await press('tab', 'All steps');
  await waitFor(() => expect(within(steps()).getAllByRole('listitem')).toHaveLength(6));
  await shows(() => screen.getByRole('link', { name: /^Assembly/ }), '0/8');
});

it('sets are evened out by mixing what may go elsewhere, exactly; what is marked stays; back again', async () => {
  const opened = await open(
    'masses',
    ...onScale('piston', [600, 602, 601, 604, 603, 600.5, 601.5, 602.5]),
    ...onScale('pin', [140, 142, 141, 144, 143, 140.5, 141.5, 142.5]),
    ...alike('rings', 50),
  );
  const { main, press, goTo } = opened;
  await shows(main, '8.0 g between the heaviest and the lightest');
  await press('radio', 'Mixed evenly');
  await shows(main, 'Sets lie 8.0 g apart; mixed, 0.5 g.');
  await shows(main, 'Exact: no way of mixing these has a lesser spread.');
  await press('checkbox', 'pin 4 stays');
  await gone(main, 'mixed, 0.5 g');
  await press('checkbox', 'pin 4 stays');
  await shows(main, 'mixed, 0.5 g');
  await shows(main, 'pin 4 to cylinder 1');
  await press('button', 'Mix them so');
  await shows(main, 'Sets lie 0.5 g apart as they are.');
  await press('radio', 'On the scale');
  await shows(main, '0.5 g between the heaviest and the lightest');
  await goTo('Sheet');
  await shows(main, 'Between the heaviest and the lightest set: 0.5 g; allowed 0.5 g.');
  await goTo('Assembly');
  await press('tab', 'Masses');
  await press('radio', 'Mixed evenly');
  await press('button', 'Every part back to its own number');
  await shows(main, 'Sets lie 8.0 g apart; mixed, 0.5 g.');
});

it('a set over is told what to take off, holds the short block, and may stay with a reason', async () => {
  const { user, main, press } = await open('masses', ...onScale('piston', [600, 600, 600, 600, 600, 600, 600, 602.3]));
  await shows(main, '2.3 g off the piston');
  await press('tab', 'Short block');
  await shows(main, 'Cylinder 8: 2.3 g over the lightest set');
  await press('tab', 'Masses');
  await acceptHere(user, 'owner agrees');
  await shows(main, 'ccepted by KM: owner agrees');
  await press('tab', 'Short block');
  await gone(main, 'over the lightest set');
});

it('the bobweight of each throw with its share and working', async () => {
  const { main, press } = await open(
    'masses',
    ...alike('piston', 600),
    ...alike('pin', 145),
    ...alike('clips', 4),
    ...alike('rings', 60),
    ...alike('smallEnd', 190),
    ...alike('bigEnd', 430),
  );
  await press('radio', 'Bobweight');
  await shows(main, 'What the shells of one rod weigh is not said');
  await enter('Shells of one rod', '45');
  await enter('Oil on a throw', '5');
  for (const part of ['Throw 1', '1954.00 g', '50 % of 1998.0 g']) await shows(first('Bobweights'), part);
  await enter('Share, %', '101');
  await shows(main, 'From 0 to 100 %.');
  await enter('Share, %', '52');
  await shows(first('Bobweights'), '1993.96 g');
});

it('an in-line engine is told that sets alone matter', async () => {
  const engine = { ...job.engine, layout: 'inline' as const, cylinders: 4, bankAngle: 0 };
  const { main, press } = await open('masses', jobEntry({ engine }));
  await press('radio', 'Bobweight');
  await shows(main, 'This engine is balanced without a bobweight');
});

it('rod bolts to a stretch: what the set has learned says how much more, too far is called out, all in millimetres too', async () => {
  const rods: Entry = {
    ...{ id: 'f', at, by: '', kind: 'fasteners', replaces: null },
    value: [
      {
        ...{ id: 'rods', words: 'Rod bolts', on: 'rods', count: 2, lubricant: 'moly', source: '', steps: [] },
        ...{ angle: null, stretch: { from: 127_000, to: 139_700 }, order: null, measured: false },
      },
    ],
  };
  const opened = await open('tightening', rods);
  const { main, press, server } = opened;
  await waitFor(figureLine);
  await shows(figureLine, 'Gauge zeroed, tightened, its stretch');
  await log(opened, '4.2');
  await shows(figureLine, 'At which torque?');
  await log(opened, '4.2 at 40');
  // 4.2 thou at 40 lb·ft: the rate is not known from one torque, so that a small step is advised
  await shows(figureLine, '42 lb·ft (56.9 N·m), then its stretch: add about 2 lb·ft (2.7 N·m)');
  fill(input(), '4.7 at 45');
  await shows(figureLine, '4.7 thou at 45 lb·ft (61 N·m): short');
  await log(opened, '4.7 at 45');
  await shows(main, 'This set: 1.0 thou for each 10 lb·ft, from 1 bolt.');
  await shows(figureLine, '50 lb·ft (67.8 N·m), then its stretch: add about 5 lb·ft (6.8 N·m)');
  // less stretch with more torque cannot be: the gauge was zeroed anew, or read wrong
  fill(input(), '4.1');
  await shows(figureLine, 'it cannot have less with more torque');
  await log(opened, '5.2');
  await shows(label, 'rod 1: 2');
  // what was typed in thou is not taken for millimetres, nor lost
  fill(input(), '5.3');
  await press('radio', 'mm');
  await waitFor(() => expect(input()).toHaveProperty('value', ''));
  await shows(figureLine, 'Typed and not logged: Rod bolts of rod 1: 2: 5.3 thou');
  fill(input(), '0.15 at 70');
  await shows(figureLine, 'over');
  await log(opened, '0.15 at 70');
  await shows(main, 'slacken it, measure it');
  await press('tab', 'Short block');
  await shows(main, /Rod bolts of rod 1: 2 stretched/);
  const lengths = () => server.entries.flatMap((e) => (e.kind === 'tightened' ? [e.length] : []));
  await waitFor(() => expect(lengths()).toEqual([106_680, 119_380, 132_080, 150_000]));
});

it('turning: each piston’s own share, a jump with its cylinder and why', async () => {
  const opened = await open('turning');
  const { user, main, server } = opened;
  await shows(main, 'There is no one right figure');
  for (const figure of ['2', '5/4.4', '6.9', '9.2', '19']) await log(opened, figure);
  const jump = () => main().querySelector<HTMLElement>('[role="alert"]') ?? document.createElement('p');
  await shows(jump, /A jump with cylinder \d: 9\.8 lb·ft/);
  await shows(jump, 'a cap on the wrong rod');
  await log(opened, '4/5');
  await shows(figureLine, 'To start takes no less than to keep turning');
  await user.clear(input());
  await user.keyboard('z');
  await waitFor(() => expect(jump().textContent).toBe(''));
  const voids = () => new Set(server.entries.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
  const turned = () =>
    server.entries.flatMap((e) => (e.kind === 'turned' && !voids().has(e.id) ? [[e.after, e.starts]] : []));
  await waitFor(() =>
    expect(turned()).toEqual([
      ['crank', null],
      ['piston', 6_779],
      ['piston', null],
      ['piston', null],
    ]),
  );
});
