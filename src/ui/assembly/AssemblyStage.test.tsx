import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { judge } from '@/core/judge/judge';
import type { WeighedPart } from '@/core/record/benchWork';
import type { PastTurning } from '@/core/stages/assembly/rotating/rotatingTorque';
import { WHOLE_WALK } from '@/core/stages/assembly/walkChoices';
import { STARTING_CLOCKING } from '@/core/stages/clocking/choices';
import { gap, job, jobEntry } from '@/fixtures/records';
import {
  type OpenedBuild,
  acceptHere,
  fill,
  fillIn,
  gone,
  onDeck,
  region,
  renderBuild,
  shows,
} from '../testing/renderBuild';

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
const label = (): HTMLElement => figureLine().querySelector('label') ?? document.body;
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
  expect(within(screen.getByRole('list', { name: 'Piston install order' })).getAllByRole('listitem')).toHaveLength(8);
  await shows(first('Piston install order'), 'Cylinder 1');
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
  await press('button', 'Save');
  const checks = () => judge({ id: 'a', entries: server.entries }).cylinders[0]?.block.checks.map((c) => c.check) ?? [];
  await waitFor(() =>
    expect(checks().join(' ')).toMatch(/pistonIn shellsDry shellSide capOn tightened turned slides$/),
  );
  expect(checks()).not.toContain('clips');
  await press('tab', 'All steps');
  const steps = (): HTMLElement => screen.getByRole('list', { name: 'Checks' });
  await waitFor(steps);
  await shows(steps, 'Bore wiped, then oiled with light oil');
  await press('tab', 'Rotating torque');
  await fillIn('Crank alone, at most', '3');
  await press('button', 'Save limits');
  await press('radio', 'crank alone');
  await enter('Crank alone', '4');
  await shows(main, /over the 3.*Something binds/);
  await press('tab', 'Preferences');
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
  await shows(main, 'Sets are 8.0 g apart; mixed, 0.5 g.');
  await shows(main, 'Exact: no way of mixing these has a lesser spread.');
  await press('checkbox', 'pin 4 stays');
  await gone(main, 'mixed, 0.5 g');
  await press('checkbox', 'pin 4 stays');
  await shows(main, 'mixed, 0.5 g');
  await shows(main, 'pin 4 to cylinder 1');
  await press('button', 'Use this match');
  await shows(main, 'Sets are 0.5 g apart as they are.');
  await press('radio', 'On the scale');
  await shows(main, '0.5 g between the heaviest and the lightest');
  await goTo('Sheet');
  await shows(main, 'Between the heaviest and the lightest set: 0.5 g; allowed 0.5 g.');
  await goTo('Assembly');
  await press('tab', 'Weights');
  await press('radio', 'Mixed evenly');
  await press('button', 'Every part back to its own number');
  await shows(main, 'Sets are 8.0 g apart; mixed, 0.5 g.');
});

it('a set over is told what to take off, holds the short block, and may stay with a reason', async () => {
  const { user, main, press } = await open('masses', ...onScale('piston', [600, 600, 600, 600, 600, 600, 600, 602.3]));
  await shows(main, '2.3 g off the piston');
  await press('tab', 'Short block');
  await shows(main, 'Cylinder 8: 2.3 g over the lightest set');
  await press('tab', 'Weights');
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
  await shows(main, 'Weight of one rod’s shells not entered');
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
  await shows(figureLine, 'Gauge zeroed, torqued, its stretch');
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

/** What was done at the bench, undone things aside. */
const kept = <K extends Entry['kind']>({ server }: OpenedBuild, kind: K): Extract<Entry, { kind: K }>[] => {
  const gone = new Set(server.entries.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
  return server.entries.filter((e): e is Extract<Entry, { kind: K }> => e.kind === kind && !gone.has(e.id));
};

it('parts go over the scale one after the other: digits and Enter, a slip is asked about, Z takes the last back', async () => {
  const opened = await open('masses');
  const { user, main, press, keys, reload } = opened;
  const weights = (): number[] => kept(opened, 'weighed').map((e) => e.value);
  await shows(label, 'Piston 1');
  // no field was pressed: what is typed goes on the line all the same
  await keys('612.4{Enter}', '611.9{Enter}', '613,2{Enter}');
  await shows(label, 'Piston 4');
  // while digits are missing nothing is asked; once all are there and it is far off, it is
  await keys('61');
  expect(figureLine().textContent).not.toContain('far from the others');
  await keys('.2');
  await shows(figureLine, '61.2 g is far from the others, which weigh about 612.4 g');
  await keys('{Enter}');
  await waitFor(() => expect(document.activeElement?.textContent).toBe('no, 612.0 g'));
  await shows(label, 'Piston 4');
  await keys('{Escape}');
  await log(opened, '162.4');
  await press('button', 'no, 612.4 g');
  await shows(label, 'Piston 5');
  await waitFor(() => expect(weights()).toEqual([612_400, 611_900, 613_200, 612_400]));
  await keys('z');
  await shows(label, 'Piston 4');
  await shows(figureLine, 'Taken back: piston 4, 612.4 g');
  await waitFor(() => expect(weights()).toHaveLength(3));
  // what is typed and not logged outlasts a reload
  await keys('612.0');
  await reload();
  await waitFor(() => expect(input()).toHaveProperty('value', '612.0'));
  await user.type(input(), '{Enter}');
  await shows(label, 'Piston 5');
  expect(screen.getByRole('button', { name: 'piston 3: 613.2 g, 1.3 g over the lightest' })).toBeTruthy();
  await log(opened, 'heavy');
  await shows(figureLine, '“heavy” is no mass');
  expect(input()).toHaveProperty('value', 'heavy');
  // what is typed stays with the part it was typed for
  fill(input(), '612.2');
  await press('button', 'pin 1: not weighed');
  await shows(label, 'Pin 1');
  expect(input()).toHaveProperty('value', '');
  await shows(figureLine, 'Typed and not logged: piston 5: 612.2 g');
  await log(opened, '145');
  await shows(label, 'Pin 2');
  await press('button', 'piston 5: not weighed');
  expect(input()).toHaveProperty('value', '612.2');
  await shows(main, '612.2');
});

it('a group without its lubricant is refused; mains go step by step in the printed order, by Enter, twice, and the wrench back', async () => {
  const opened = await open('tightening');
  const { user, main, press, keys, reload } = opened;
  const form = (): HTMLElement => screen.getByRole('form', { name: 'Group of fasteners' });
  await shows(main, 'A figure without its lubricant is not a figure.');
  await press('button', 'Main caps');
  await fillIn('How many in all', '3');
  await fillIn('Torque in steps, lb·ft', '30 60');
  await shows(form, '30 lb·ft (40.7 N·m), then 60 lb·ft (81.3 N·m)');
  await fillIn('Then an angle, °', '90');
  await fillIn('Printed order', '2 1');
  await press('button', 'Save group');
  await shows(main, 'Enter each number from 1 to 3 once.');
  // figures keep the unit they were typed in
  await press('radio', 'mm');
  await waitFor(() => expect(screen.getByLabelText('Torque in steps, lb·ft')).toHaveProperty('value', '30 60'));
  await press('radio', 'thou');
  await fillIn('Printed order', '2 1 3');
  await press('button', 'Save group');
  await shows(form, 'Enter the lubricant that the figure is given for.');
  // what was filled in is there still after a reload
  await reload();
  await press('button', 'Main caps');
  expect(await screen.findByLabelText('Printed order')).toHaveProperty('value', '2 1 3');
  await fillIn('Threads and under the heads', 'engine oil');
  await press('button', 'Save group');
  await shows(main, '30, 60 lb·ft, then 90°, with engine oil');
  await shows(label, 'Main caps 2');
  await shows(figureLine, '30 lb·ft (40.7 N·m), step 1 of 2');
  const by = async (initials: string): Promise<void> => {
    const field = screen.getByLabelText('Initials');
    await user.clear(field);
    await user.type(field, initials);
    await user.click(screen.getByRole('heading', { level: 1 }));
  };
  const enter = async (times: number): Promise<string[]> => {
    const caps: string[] = [];
    for (let i = 0; i < times; i += 1) {
      const now = label().textContent;
      const done = kept(opened, 'tightened').length;
      caps.push(/Main caps (\d)/.exec(now)?.[1] ?? '');
      await keys('{Enter}');
      await waitFor(() => expect(kept(opened, 'tightened')).toHaveLength(done + 1));
    }
    return caps;
  };
  await by('KM');
  expect((await enter(9)).join('')).toBe('213213213');
  expect(screen.getByRole('button', { name: /^Undo/ }).title).toMatch(/Main caps 3, /);
  await shows(figureLine, 'Second round, wrench at 60 lb·ft');
  await shows(figureLine, 'better someone else');
  await by('CD');
  await enter(3);
  await shows(figureLine, 'Wrench set back to its lowest');
  await enter(1);
  await shows(main, 'Tight, gone over twice, and the wrench set back.');
  expect(main().textContent).not.toContain('by the same hand');
  const done = kept(opened, 'tightened').map((e) => `${e.what} ${e.fastener} ${e.by}`);
  expect(done).toHaveLength(13);
  expect(done.slice(9)).toEqual(['second 2 CD', 'second 1 CD', 'second 3 CD', 'back 0 CD']);
});

it('turning stands next to builds of the shop like it', async () => {
  const { main, press, server } = await open('masses');
  const past: PastTurning = { id: 'past', name: 'Past eight', crank: 3_000, shares: [3_400], all: null };
  server.answers['/api/torque-history'] = () => ({ builds: [past] });
  await press('tab', 'Rotating torque');
  await shows(main, 'of the shop like it: pistons added 2.5 lb·ft each');
});

const step = (): HTMLElement => within(screen.getByRole('main')).getByRole('heading', { level: 2 });
const ticks = ({ server }: OpenedBuild): string[] =>
  server.entries.flatMap((e) => (e.kind === 'check' ? [`${e.cylinder} ${e.check}`] : []));

it('at the walk’s own step the torque is typed, Enter logs it and Enter makes the step; its fasteners stand there too', async () => {
  const opened = await renderBuild('assembly', walk);
  const { keys } = opened;
  for (let i = 0; i < 5; i += 1) {
    if (i === 4) expect(screen.getByRole('button', { name: 'Set the figures of the fasteners …' })).toBeTruthy();
    const before = step().textContent;
    await keys('{ArrowRight}');
    await waitFor(() => expect(step().textContent).not.toBe(before));
  }
  await waitFor(figureLine);
  await shows(label, 'Crank alone');
  await keys('2.5');
  await shows(figureLine, '2.5 lb·ft (3.4 N·m) to keep turning');
  await keys('{Enter}');
  await waitFor(() => expect(kept(opened, 'turned').map((e) => [e.after, e.value])).toEqual([['crank', 3_390]]));
  await waitFor(() => expect(document.activeElement?.textContent).toMatch(/^(Done|Next)/));
  await keys('{Enter}');
  await waitFor(() => expect(ticks(opened)).toEqual(['block crankTurns']));
});

it('keys on the walk: arrows go from step to step, X says what was found, P pins, Escape leaves it; in a field they are letters', async () => {
  const { user, press, keys, reload, main } = await renderBuild('assembly', walk);
  const pinned = (): HTMLElement => screen.getAllByRole('list', { name: 'Reminders' })[0] ?? document.body;
  const field = (): HTMLElement => screen.getByRole('textbox', { name: 'What must not be forgotten' });
  const first = step().textContent;
  await keys('{ArrowRight}');
  await shows(step, 'Oilways brushed and blown through, plugs and jets in');
  await keys('{ArrowLeft}');
  await shows(step, first);
  await keys('p');
  await waitFor(() => expect(document.activeElement).toBe(field()));
  // the engine has no piston, rod or rings of its own
  expect(screen.queryByLabelText('On which part')).toBeNull();
  await keys('oil jets, px!');
  expect(field()).toHaveProperty('value', 'oil jets, px!');
  await keys('{Escape}');
  await waitFor(() => expect(screen.queryByRole('textbox', { name: 'What must not be forgotten' })).toBeNull());
  expect(document.activeElement?.textContent).toMatch(/^Done/);
  // what was typed and not pinned is there still, over a reload
  await reload();
  await waitFor(step);
  await keys('p');
  await waitFor(() => expect(field()).toHaveProperty('value', 'oil jets, px!'));
  await keys('{Escape}', 'x', 'jets are missing{Enter}');
  await waitFor(pinned);
  await shows(pinned, 'jets are missing');
  // on a part of a cylinder
  await user.click(onDeck('2'));
  await screen.findByRole('heading', { level: 1, name: 'Cylinder 2' });
  await press('button', 'Add reminder');
  const part = await screen.findByLabelText<HTMLSelectElement>('On which part');
  fill(part, within(part).getByRole<HTMLOptionElement>('option', { name: 'rod' }).value);
  fill(field(), 'to be weighed again');
  await user.type(field(), '{Enter}');
  await shows(pinned, 'Reminder, rod: “to be weighed again”');
  await press('tab', 'Short block');
  await shows(main, 'Engine: reminder: jets are missing');
  await shows(main, 'Cylinder 2: Reminder, rod: to be weighed again');
});

it('gaps that were found moved are noted at their own step, where there is a plan', async () => {
  const clock: Entry = { id: 'c', at, by: '', kind: 'clocking', replaces: null, value: STARTING_CLOCKING };
  const { user, keys } = await renderBuild('assembly', walk, clock);
  await user.click(onDeck('2'));
  const moved = (): HTMLElement | null => screen.queryByRole('button', { name: 'Moved …' });
  for (let steps = 0; steps < 30 && !moved(); steps += 1) await keys('{ArrowRight}');
  await screen.findByRole('button', { name: 'As planned' });
  expect(moved()?.getAttribute('aria-expanded')).toBe('false');
  await user.click(moved() ?? document.body);
  expect(moved()?.getAttribute('aria-expanded')).toBe('true');
  await screen.findByRole('form', { name: 'Positions' });
});

it('a key that is leant on makes one step, not all of them', async () => {
  const opened = await renderBuild('assembly', walk);
  const done = document.activeElement ?? document.body;
  await opened.keys('{Enter>9/}');
  expect(done.textContent).toMatch(/^Done/);
  await shows(step, 'Oilways brushed and blown through, plugs and jets in');
  await opened.keys('{Enter}');
  await shows(step, 'Threads chased, clean and dry');
  await waitFor(() => expect(ticks(opened)).toEqual(['block clean', 'block oilways']));
});

it('two benches at once: each is told of the other’s step, and nothing is ticked that was not looked at', async () => {
  const opened = await renderBuild('assembly', walk);
  const { keys, server } = opened;
  server.entries.push({
    ...{ id: 'theirs', at, by: 'AB', kind: 'check', cylinder: 'block', check: 'clean' },
    ...{ planned: null, found: {}, expected: null },
  });
  // the step in view stays there, though another bench has made it meanwhile
  await screen.findByRole('button', { name: /^Next/ });
  await shows(step, 'Block, crank and parts washed and dry');
  await keys('{Enter}');
  await shows(step, 'Oilways brushed and blown through, plugs and jets in');
  const steps = region('Steps, The engine');
  expect(within(steps()).getByRole('button', { name: /washed and dry/ }).textContent).toContain('done');
  expect(ticks(opened)).toEqual(['block clean']);
});

it('a piston that comes out again is done anew from the bore on, and why stands on record', async () => {
  const single = { ...job.engine, layout: 'single', cylinders: 1, bankAngle: 0 } as const;
  const opened = await renderBuild('assembly', jobEntry({ engine: single }), walk);
  const { keys, press, server, user } = opened;
  for (let n = 1; n < 60 && !screen.queryByText('All steps done', { exact: false }); n += 1) {
    await keys('{Enter}');
    await waitFor(() => expect(ticks(opened)).toHaveLength(n));
  }
  await press('tab', 'All steps');
  await user.click(await screen.findByRole('button', { name: 'Taken out again …' }));
  await press('button', 'it turned stiff');
  await waitFor(() => expect(screen.queryByRole('button', { name: 'Taken out again …' })).toBeNull());
  await press('tab', 'Step by step');
  await shows(step, /^Rings and skirt oiled/);
  const reasons = (): string[] => server.entries.flatMap((e) => (e.kind === 'void' ? [e.reason] : []));
  await waitFor(() => expect(new Set(reasons())).toEqual(new Set(['taken out again: it turned stiff'])));
});
