import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import type { Item } from '@/core/stages/clocking/crownScene';
import { type ClockingChoices, STARTING_CLOCKING } from '@/core/stages/clocking/choices';
import { job, jobEntry } from '@/fixtures/records';
import { SceneView } from './SceneView';
import { type OpenedBuild, fill, fillIn, gone, onDeck, renderBuild, shows } from '../testing/renderBuild';

const clock = (change: Partial<ClockingChoices> = {}): Entry => ({
  ...{ id: 'c', at: '2026-05-04T09:00:00.000Z', by: 'AB', kind: 'clocking', replaces: null },
  value: { ...STARTING_CLOCKING, ...change },
});
/** Where a gap points to on the crown in view. */
const points = (joint: string, degrees: string): Promise<void> =>
  waitFor(() => expect(document.querySelector(`[data-joint="${joint}"]`)?.getAttribute('data-degrees')).toBe(degrees));
const choose = async (label: string | RegExp, option: string): Promise<void> => {
  const field = await screen.findByRole('combobox', { name: label });
  fill(field, within(field).getByRole<HTMLOptionElement>('option', { name: option }).value);
};
const enter = async (label: string | RegExp, text: string): Promise<void> => {
  const field = await screen.findByLabelText(label);
  fill(field, text);
  fireEvent.keyDown(field, { key: 'Enter' });
};
const plan = ({ server }: OpenedBuild): ClockingChoices | undefined =>
  server.entries.flatMap((e) => (e.kind === 'clocking' ? [e.value] : [])).at(-1);

it('a school goes to all cylinders, mirrored on the left bank or not; its own figures are set; the sheet’s angles are turned', async () => {
  const opened = await renderBuild('clocking');
  const { user, press } = opened;
  await screen.findByText('Proposed, not chosen yet.');
  await press('button', 'Clock all cylinders so');
  await shows(() => screen.getByRole('link', { name: /^Clocking/ }), '8/8');
  await user.click(onDeck('2'));
  await points('top', '45.0');
  await user.click(onDeck('1'));
  await points('top', '315.0');
  await press('checkbox', 'Mirrored on the left bank');
  await points('top', '45.0');
  for (const [words, top] of [
    ['High and low', '90.0'],
    ['Thirds', '315.0'],
    ['Ten, two and six', '300.0'],
    ['Straight across', '30.0'],
    ['Front and back', '0.0'],
  ] as const) {
    await choose('School', words);
    await points('top', top);
  }
  await points('upperRail', '28.2');
  await fillIn(/^Rails from the expander ends, arc/, '1/2');
  await screen.findByText(/is no length/);
  await fillIn(/^Rails from the expander ends, arc/, '2in');
  await press('button', 'Set for all cylinders');
  await points('upperRail', '56.4');
  await choose('School', 'As the maker’s sheet has it');
  await screen.findByRole('form', { name: 'The maker’s sheet' });
  const sheet = () => within(screen.getByRole('form', { name: 'The maker’s sheet' }));
  const byTheSheet = (): Promise<void> => press('button', 'Clock all cylinders by the sheet');
  await byTheSheet();
  expect(await sheet().findAllByText('Enter an angle.')).toHaveLength(5);
  await press('radio', 'the rear');
  await press('radio', 'anticlockwise');
  for (const [name, degrees] of [
    ['top ring gap', '30'],
    ['second ring gap', '210'],
    ['upper rail gap', '120'],
    ['expander ends', '210'],
    ['lower rail gap', 'sideways'],
  ] as const)
    fill(sheet().getByLabelText(new RegExp(name)), degrees);
  await byTheSheet();
  await sheet().findByText(/an hour of the clock/);
  fill(sheet().getByLabelText(/lower rail gap/), '300');
  await byTheSheet();
  await points('top', '150.0');
  await waitFor(() =>
    expect(plan(opened)?.sheet).toMatchObject({ zero: 180, sense: 'anticlockwise', joints: { top: 30 } }),
  );
});

it('an angle is typed as degrees, hours of the view in hand, or words; what cannot be read stays and says so', async () => {
  const opened = await renderBuild('clocking', clock());
  await opened.user.click(onDeck('2'));
  await enter('top ring gap, degrees', '50');
  await points('top', '50.0');
  await opened.press('radio', 'Front');
  await enter('top ring gap, degrees', '12:00');
  await points('top', '180.0');
  await enter('top ring gap, degrees', '45 left of front');
  await points('top', '315.0');
  await enter('top ring gap, degrees', '999');
  await screen.findByText('From −360° to 360°.');
  expect(screen.getByLabelText('top ring gap, degrees')).toHaveProperty('value', '999');
  fireEvent.keyDown(screen.getByLabelText('top ring gap, degrees'), { key: 'Escape' });
  await points('top', '315.0');
  // emptied and left, it shows again where the gap is; what is half typed and left stays
  const field = screen.getByLabelText('top ring gap, degrees');
  for (const [typed, left] of [
    ['', '315°'],
    ['around', 'around'],
  ] as const) {
    fill(field, typed);
    fireEvent.blur(field);
    await waitFor(() => expect(field).toHaveProperty('value', left));
  }
  await waitFor(() => expect(opened.server.entries.filter((e) => e.kind === 'clocking')).toHaveLength(4));
});

it('rules are switched, their limits set; what fits is found, and what cannot be met is named', async () => {
  const opened = await renderBuild('clocking', clock({ own: [{ cylinder: 'R1', joints: { top: 2, second: 100 } }] }));
  const { user, main, press } = opened;
  const findings = (): HTMLElement => screen.getByRole('list', { name: 'Findings' });
  await user.click(onDeck('2'));
  await shows(findings, 'the front end of the pin');
  await press('tab', 'Rules');
  await press('checkbox', /^Over a pin end/);
  await gone(findings, 'pin');
  await enter('Top against second: at least, degrees', '200');
  await shows(main, 'From 0° to 180°.');
  await enter('Top against second: at least, degrees', '150');
  fill(await screen.findByLabelText('At the low side at rest: how grave'), 'stop');
  await waitFor(() =>
    expect(plan(opened)?.rules).toMatchObject({
      ...{ pinEnds: { on: false }, topToSecond: { limit: 150 }, lowSide: { severity: 'stop' } },
    }),
  );
  await press('tab', 'Optimise');
  const placing = (): HTMLElement => screen.getByRole('status', { name: 'Placing' });
  await waitFor(placing);
  await shows(placing, 'smallest angle between two gaps');
  await press('checkbox', 'top ring gap');
  await press('checkbox', 'second ring gap');
  await shows(placing, 'Nothing fits cylinder 2');
  expect(within(placing()).getAllByRole('listitem')).toHaveLength(2);
  await press('checkbox', 'second ring gap');
  await press('button', 'Place cylinder 2 so');
  await screen.findByRole('button', { name: 'Already set' });
  await shows(() => screen.getByRole('link', { name: /^Clocking/ }), '8/8');
  await waitFor(() => expect(plan(opened)?.own[0]?.joints.top).toBe(2));
});

it('what lies round a crown is said of the engine: lean, valves, pockets, sectors, marks, rods, the stand', async () => {
  const opened = await renderBuild('clocking?view=engine', clock());
  const { user, main, press, goTo } = opened;
  await enter('The engine leans, as installed, °', '120');
  await shows(main, 'From −90° to 90°.');
  await enter('The engine leans, as installed, °', '-45');
  await choose('Intake valves on', 'inboard (the valley)');
  await choose('Points to', 'the intake side');
  await press('radio', 'right bank');
  await choose('Rod numbers and tangs to', 'outboard');
  const pocket = within(await screen.findByRole('form', { name: 'A pocket' }));
  fill(pocket.getByLabelText(/^Direction/), '250');
  fill(pocket.getByLabelText(/^Middle out/), '1');
  fill(pocket.getByLabelText(/^Across/), '9');
  await pocket.findByText('That lies outside the bore.');
  fill(pocket.getByLabelText(/^Across/), '1.9');
  await press('button', 'Add the pocket');
  await screen.findByRole('button', { name: 'Take away the intake pocket at 250°' });
  const sector = within(await screen.findByRole('form', { name: 'A sector' }));
  fill(sector.getByLabelText('What is there'), 'oil jet');
  fill(sector.getByLabelText(/^From/), '40');
  fill(sector.getByLabelText(/^To/), '60');
  await press('button', 'Keep it free');
  await waitFor(() =>
    expect(plan(opened)?.facts).toMatchObject({
      ...{ lean: -45, intake: 'inboard', frontMark: { points: 'intake' } },
      pockets: [{ at: 250, out: 25_400_000, across: 48_260_000 }],
      sectors: [{ words: 'oil jet', from: 40, to: 60 }],
    }),
  );
  await press('tab', 'Plan');
  await user.click(onDeck('2'));
  await shows(() => document.body, 'Top ring gap by oil jet, as the school has it');
  await goTo('Assembly');
  await press('tab', 'Crank and rods');
  await screen.findByText('front mark to');
  expect(screen.getAllByRole('row').map((row) => /▼ rear|▲ front/.exec(row.textContent)?.[0])).toEqual([
    undefined,
    ...Array.from({ length: 4 }, () => ['▼ rear', '▲ front']).flat(),
  ]);
  expect(document.querySelector('[data-rod="R1"]')?.getAttribute('data-faces')).toBe('front');
});

it('an in-line engine has its intake on the left or the right, not in a valley', async () => {
  const { press } = await renderBuild('clocking', jobEntry({ engine: { ...job.engine, layout: 'inline' } }), clock());
  await press('tab', 'Engine');
  const sides = within(await screen.findByLabelText('Intake valves on')).getAllByRole('option');
  expect(sides.map((side) => side.textContent)).toEqual(['not set', 'the left', 'the right']);
});

it('a drawing’s circles lie where they are said to, and its moved paths are moved', () => {
  const items: Item[] = [
    { kind: 'circle', x: 3, y: 4, r: 5, fill: 'ink' },
    { kind: 'path', d: 'M0 0', x: 6, y: 7, stroke: 'none' },
  ];
  render(
    <svg>
      <SceneView scene={{ box: { x: 0, y: 0, w: 9, h: 9 }, items, marks: [], words: [] }} />
    </svg>,
  );
  expect(document.querySelector('circle')?.outerHTML).toContain('cx="3" cy="4" r="5" fill="var(--ink)" stroke="none"');
  expect(document.querySelector('path')?.getAttribute('transform')).toBe('translate(6 7)');
});

it('a joint is nudged as often as it is pressed, however fast', async () => {
  const { user } = await renderBuild('clocking', clock());
  await user.click(onDeck('2'));
  await points('top', '45.0');
  const on = await screen.findByRole('button', { name: 'top ring gap, 1° on' });
  // as a browser does it: each press is answered, and what follows from it comes later
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', false);
  for (let press = 0; press < 6; press += 1) {
    on.click();
    for (let turn = 0; turn < 5; turn += 1) await Promise.resolve();
  }
  await points('top', '51.0');
});

it('all crowns: a joint moved on one moves on all alike, the left bank as its mirror image; or on one alone', async () => {
  const opened = await renderBuild('clocking', clock());
  const { user, keys, press } = opened;
  const joint = (cylinder: string, name: string): HTMLElement =>
    within(screen.getByRole('group', { name: `Crown of cylinder ${cylinder}` })).getByRole('slider', { name });
  await press('tab', 'All crowns');
  await waitFor(() => joint('2', 'lower rail gap').focus());
  await keys('{Shift>}{ArrowRight}{/Shift}');
  await waitFor(() =>
    expect(plan(opened)?.own.map((o) => `${o.cylinder} ${o.joints.lowerRail}`)).toEqual([
      ...['L1 30', 'R1 330', 'L2 30', 'R2 330', 'L3 30', 'R3 330', 'L4 30', 'R4 330'],
    ]),
  );
  await user.click(screen.getByLabelText(/moves it on all/));
  joint('1', 'top ring gap').focus();
  await keys('{ArrowLeft}');
  await waitFor(() =>
    expect(plan(opened)?.own.find((o) => o.cylinder === 'L1')?.joints).toEqual({ lowerRail: 30, top: 314 }),
  );
  await press('button', /All joints back to the school/);
  await waitFor(() => expect(plan(opened)?.own).toEqual([]));
});

const check = (name: string) => (): HTMLElement =>
  document.querySelector<HTMLElement>(`[data-check="${name}"]`) ?? document.body;
const tick = async (user: UserEvent, of: string, name: string | RegExp): Promise<void> => {
  await waitFor(() => expect(check(of)()).not.toBe(document.body));
  await user.click(within(check(of)()).getByRole('button', { name }));
};

it('at the block: ticked one after the other by keyboard, moved joints noted, and asked again once the plan changes', async () => {
  const opened = await renderBuild('assembly', clock());
  const { user, keys, main, press, goTo, server } = opened;
  const progress = (): HTMLElement => screen.getByRole('link', { name: /^Assembly/ });
  await press('tab', 'All steps');
  await fillIn('Initials', 'KM');
  await user.click(onDeck('2'));
  await waitFor(() => within(check('ringsFree')()).getByRole('button', { name: 'Right' }).focus());
  for (const next of ['expanderButts', 'jointsBefore', 'jointsAfter']) {
    await keys('{Enter}');
    await waitFor(() => expect(document.activeElement).toBe(check(next)().querySelector('button[data-tick]')));
  }
  await tick(user, 'jointsAfter', 'Moved …');
  const moved = (): HTMLElement => screen.getByRole('form', { name: 'Positions' });
  await waitFor(moved);
  expect(within(moved()).getByRole('button', { name: 'Save positions' })).toHaveProperty('disabled', true);
  fill(within(moved()).getByLabelText('1 top ring gap'), '7:00');
  await shows(moved, 'at 210°, 165° from its plan');
  await press('button', 'Save positions');
  await shows(check('jointsAfter'), 'Moved, against a rule');
  await shows(check('jointsAfter'), '15° apart');
  expect(screen.getByRole('button', { name: 'Cylinder 2, moved, 3/6' })).toBeTruthy();
  await tick(user, 'jointsAfter', 'As planned');
  await tick(user, 'frontMark', 'Right');
  await tick(user, 'rod', 'Right');
  // nothing is read of it: all checked is not ready, and what is missing leads to where it is cured
  await shows(main, 'All checked, not ready to go in');
  const lacks = (): HTMLElement => screen.getByRole('region', { name: 'What cylinder 2 still needs' });
  await shows(lacks, 'top ring: to do');
  await shows(lacks, 'clearance: to do');
  await shows(progress, '1/8');
  await press('button', 'On to cylinder 1');
  await screen.findByRole('heading', { level: 1, name: 'Cylinder 1' });
  await user.click(onDeck('2'));
  await tick(user, 'rod', 'Take back: Rod right');
  await shows(progress, '0/8');
  await tick(user, 'rod', 'Right');
  await goTo('Clocking');
  await waitFor(() => screen.getByRole('slider', { name: 'top ring gap' }).focus());
  await keys('{Shift>}{ArrowRight}{/Shift}');
  await goTo('Assembly');
  await press('tab', 'All steps');
  await shows(check('jointsBefore'), 'Check again: the plan was changed since');
  const done = server.entries.flatMap((e) => {
    if (e.kind === 'void') return [`void ${e.reason}`];
    return e.kind === 'check' ? [`${e.check} ${e.by} ${JSON.stringify(e.found)}`] : [];
  });
  expect(done).toEqual([
    ...['ringsFree KM {}', 'expanderButts KM {}', 'jointsBefore KM {}', 'jointsAfter KM {"top":210}'],
    ...['jointsAfter KM {}', 'frontMark KM {}', 'rod KM {}', 'void not so after all', 'rod KM {}'],
  ]);
});

it('what was checked at the block is asked again while another bench has the plan changed, and stands once it is back', async () => {
  const { user, press, server } = await renderBuild('assembly', clock());
  const planned = (id: string, replaces: string, change: Partial<ClockingChoices> = {}): Entry =>
    ({ ...clock(change), id, replaces }) as Entry;
  await press('tab', 'All steps');
  await user.click(onDeck('2'));
  await tick(user, 'jointsBefore', 'As planned');
  await shows(check('jointsBefore'), 'Right');
  server.entries.push(planned('c2', 'c', { own: [{ cylinder: 'R1', joints: { top: 60 } }] }));
  await shows(check('jointsBefore'), 'the plan was changed since');
  server.entries.push(planned('c3', 'c2'));
  await gone(check('jointsBefore'), 'the plan was changed since');
  await shows(check('jointsBefore'), 'Right');
});

it('Undo waits until what was not sent before a reload is in', async () => {
  const plans = [clock({ mirrorLeft: false }), { ...clock({ school: 'thirds' }), id: 'd' }];
  const { server, press, reload } = await renderBuild('clocking', ...plans);
  server.instead = () => new Response(null, { status: 503 });
  const undo = (): HTMLElement => screen.getByRole('button', { name: 'Undo' });
  await press('button', 'Undo');
  const opening = reload();
  expect(undo()).toHaveProperty('disabled', true);
  await opening;
  await waitFor(() => expect(undo()).toHaveProperty('disabled', false));
});
