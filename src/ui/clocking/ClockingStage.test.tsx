import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { type ClockingChoices, STARTING_CLOCKING } from '@/core/stages/clocking/choices';
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
  await fillIn(/^Rails from the joint, arc/, '1/2');
  await screen.findByText(/is no length/);
  await fillIn(/^Rails from the joint, arc/, '2in');
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
    ['expander joint', '210'],
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
  await press('tab', 'Place');
  const placing = (): HTMLElement => screen.getByRole('status', { name: 'Placing' });
  await waitFor(placing);
  await shows(placing, 'nearest two joints apart');
  await press('checkbox', 'top ring gap');
  await press('checkbox', 'second ring gap');
  await shows(placing, 'Nothing fits cylinder 2');
  expect(within(placing()).getAllByRole('listitem')).toHaveLength(2);
  await press('checkbox', 'second ring gap');
  await press('button', 'Place cylinder 2 so');
  await screen.findByRole('button', { name: 'It stands so already' });
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
