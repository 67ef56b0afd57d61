/** The job card, of a build and of one that begins. */
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it, vi } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { sameAgain } from '@/core/judge/copyBuild';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { startingChoices } from '@/core/models/targets/papers';
import { gap, job, jobEntry, reading, record } from '@/fixtures/records';
import { router } from '../testing/navigation';
import { fill, fillIn, gone, renderBuild, shows, page } from '../testing/renderBuild';
import { NewBuild } from './NewBuild';

const field = (name: string): HTMLElement => screen.getByLabelText(name);
/** Waits until a field holds a value. */
const holds = (name: string, value: string): Promise<void> =>
  waitFor(() => expect(field(name)).toHaveProperty('value', value));

it('a job card that the server refuses stays as it was filled in, with why, and the one on record is a press away', async () => {
  const { press, server } = await renderBuild('job', gap('a', 'R4', 'top', 22));
  const faults = ['Cylinder 8 has 1 reading and would be gone. Void them first.'];
  server.instead = ({ method }) => (method === 'POST' ? Response.json({ faults }, { status: 422 }) : null);
  await fillIn('Cylinders', '6');
  await press('button', 'Save job card');
  await shows(page, faults.join(''));
  await shows(page, '90° V8');
  await holds('Cylinders', '6');
  await press('button', 'Show the one on record');
  await holds('Cylinders', '8');
  expect(server.entries).toHaveLength(2);
});

it('a job card being written is not swept away when another bench saves one', async () => {
  const { press, server } = await renderBuild('job');
  await fillIn('Notes', 'half a sentence');
  server.entries.push({ ...jobEntry({ name: 'Their card' }, 'job-2', 'job-1'), by: 'KM' });
  await shows(page, 'The card on record is another one');
  await holds('Notes', 'half a sentence');
  await press('button', 'Show the one on record');
  await holds('Build name', 'Their card');
  await fillIn('Notes', 'a whole sentence');
  await press('button', 'Save job card');
  await shows(page, 'Saved.');
  await gone(page, 'The card on record is another one');
  expect(server.entries).toHaveLength(3);
});

it('the planned bore is held against the bores read so far', async () => {
  await renderBuild('job', reading('b', 'L1', 'bore', fromInches(3.7808)));
  await fillIn('Planned finished bore', '3.870');
  await shows(page, 'the bores read about 3.7808 in; did you mean 3.7800 in (digits 8 and 7 swapped)?');
});

it('a form that is filled in and not set is as it was left, over another stage, and is thrown away in one step', async () => {
  const { press, goTo, sent } = await renderBuild('job');
  await fillIn('Customer', 'Someone else');
  await goTo('Targets');
  await press('tab', 'Rules');
  await fillIn('Gap: how wide the aim is', '5');
  await goTo('Job');
  await screen.findByLabelText('Customer');
  await holds('Customer', 'Someone else');
  await shows(page, 'Not saved yet.');
  await press('button', 'Throw it away');
  await holds('Customer', job.customer);
  await goTo('Targets');
  await press('tab', 'Rules');
  await shows(page, 'Not saved yet.');
  await holds('Gap: how wide the aim is', '5');
  await press('button', 'Set rounding and windows');
  await gone(page, 'As you left it');
  expect(await sent('targets')).toMatchObject({ value: { gapWindow: fromThou(5) } });
});

/** What the server was asked to begin with. */
let begun: unknown[];
beforeEach(() => {
  begun = [];
  vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
    if (!init?.body) return Promise.resolve(new Response(null, { status: 404 }));
    begun = (JSON.parse(init.body as string) as { args: unknown[] }).args;
    return Promise.resolve(Response.json({ result: { ok: true, id: begun[0] } }));
  });
});

it('a new build: only its name is asked for; a single in millimetres has one cylinder', async () => {
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  render(<NewBuild charts={[STARTING_CURVE]} others={[]} earlier={null} />);
  await user.click(await screen.findByRole('button', { name: 'Begin this build' }));
  await shows(page, 'Give the build a name.');
  await fillIn('Build name', 'Tarn single');
  await user.click(screen.getByRole('radio', { name: 'millimetres' }));
  await user.click(screen.getByRole('radio', { name: 'single' }));
  expect(field('Cylinders')).toHaveProperty('disabled', true);
  await user.click(screen.getByRole('button', { name: 'Begin this build' }));
  await waitFor(() => expect(begun[1]).toMatchObject({ name: 'Tarn single', units: 'metric', plannedBore: null }));
  expect(begun[1]).toMatchObject({ engine: { layout: 'single', cylinders: 1 } });
  await waitFor(() => expect(router.push).toHaveBeenCalledWith(`/builds/${String(begun[0])}/targets`));
});

it('same again: a build begun like an earlier one, left half filled in, without its name, customer and readings', async () => {
  const choices: Entry = {
    ...{ id: 't', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null, kind: 'targets' },
    value: { ...startingChoices('imperial'), gapWindow: fromThou(5), gapLimit: fromThou(8) },
  };
  const earlier = {
    ...{ id: 'earlier', name: 'Earlier', chart: STARTING_CURVE },
    job: { ...job, name: 'Earlier', customer: 'Fell & Sons', notes: 'as ever' },
    choices: sameAgain(record(choices, gap('g', 'L1', 'top', 22)), { at: choices.at, by: '' }),
  };
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  const open = () =>
    render(<NewBuild charts={[STARTING_CURVE]} others={[{ id: 'earlier', name: 'Earlier' }]} earlier={earlier} />);
  const { unmount } = open();
  await screen.findByLabelText('Build name');
  await holds('Build name', '');
  await holds('Customer', '');
  await holds('Notes', 'as ever');
  await holds('Cylinders', '8');
  const preview = (): HTMLElement => screen.getByRole('complementary', { name: 'As it comes' });
  await waitFor(preview);
  await shows(preview, 'Top ring gap21–26 thou');
  expect(within(preview()).getByRole('img', { name: /1, 2, 3, 4, 5, 6, 7, 8/ })).toBeTruthy();
  await fillIn('Planned finished bore', '4.25');
  await shows(preview, 'Top ring gap22–27 thou');
  fill(field('Build name'), 'Later');
  // left half filled in: it is there still, and said to be
  unmount();
  open();
  await shows(page, 'Not saved yet.');
  await holds('Build name', 'Later');
  await user.click(screen.getByRole('radio', { name: 'in line' }));
  fill(field('Cylinders'), '4');
  await user.click(screen.getByRole('radio', { name: 'V' }));
  await holds('Cylinders', '8');
  await user.click(screen.getByRole('button', { name: 'Begin this build' }));
  await waitFor(() => expect(begun[2]).toEqual({ build: 'earlier' }));
  expect(begun[1]).toMatchObject({ name: 'Later', customer: '', notes: 'as ever', plannedBore: fromInches(4.25) });
});
