/** What becomes of an entry: a server that fails or is full, storage that is, somebody who may only look, another bench. */
import { screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { fromThou } from '@/core/foundation/quantity/length';
import { gap, reading } from '@/fixtures/records';
import { persist } from '../shared/persisted';
import { type OpenedBuild, gone, line, region, renderBuild, said, shows, page } from '../testing/renderBuild';

const progress = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
const readings = ({ server }: OpenedBuild): string[] =>
  server.entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : []));
const NOT_YOURS = 'RL may look here, and not enter.';

it.each([
  [404, 'The server has no such build any more.'],
  [500, 'The server answers with an error of its own'],
  [507, 'The disk of the server is full'],
] as const)('a server that answers %i is told as what it is, and what was read waits', async (status, says) => {
  const opened = await renderBuild('rings');
  opened.server.instead = () => Response.json({ faults: [] }, { status });
  await opened.log('22');
  await shows(page, says);
  await shows(page, '1 entry waits in this browser');
  expect(readings(opened)).toEqual([]);
  opened.server.instead = null;
  await gone(page, '1 entry waits in this browser');
  await waitFor(() => expect(readings(opened)).toEqual(['22']));
});

it('an entry that is too large is refused by name, and nothing waits for ever', async () => {
  const { log, server } = await renderBuild('rings');
  server.instead = ({ method }) => (method === 'POST' ? Response.json({ faults: [] }, { status: 413 }) : null);
  await log('22');
  await shows(page, 'It is larger than the server takes in one piece.');
  await shows(page, 'Not recorded:');
  expect(page().textContent).not.toContain('in this browser');
});

it('a browser that keeps nothing says so, and still takes units, initials and readings while the page is open', async () => {
  const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  try {
    const { user, log, press, sent } = await renderBuild('rings');
    await press('radio', 'mm');
    await waitFor(() => expect(screen.getByRole('radio', { name: 'mm' }).getAttribute('aria-checked')).toBe('true'));
    await user.type(screen.getByLabelText(/initials/i), 'KM');
    await log('0.56');
    await shows(progress, '1/');
    await shows(page, 'This browser can keep nothing more.');
    expect(await sent('reading')).toMatchObject({ by: 'KM', value: 560_000 });
  } finally {
    full.mockRestore();
    // held for the page, which other tests go on with
    for (const key of ['spatium-by', 'spatium-storage']) persist(key, '');
  }
});

it('another bench’s readings come in, and are not this bench’s to undo', async () => {
  const { keys, server } = await renderBuild('rings');
  server.entries.push(gap('theirs', 'L1', 'top', 22));
  await shows(progress, '1/16');
  line().focus();
  await keys('z');
  await shows(said, 'Nothing of this bench’s to undo here');
  await shows(progress, '1/16');
});

it('who may only look is told so before anything is typed; what is typed all the same is not logged, and stays in sight', async () => {
  const opened = await renderBuild('rings?at=1.second', reading('r', 'L1', 'second', fromThou(20)));
  const { user, log, press, server, sent } = opened;
  const notYet = region('Not logged yet');
  server.barred = NOT_YOURS;
  await shows(page, 'Whoever is signed in may look here, and not enter');
  expect(page().textContent).not.toContain('readings are kept in this browser until it is back');
  // with the edges deburred: logged as it was typed once it is by who may
  await press('button', /^Deburred/);
  await log('26');
  await log('25');
  await shows(notYet, 'may look here, and not enter');
  await shows(notYet, /“26”.*“25”/);
  expect(said().textContent).not.toMatch(/^Logged/);
  expect(screen.queryByRole('button', { name: /^Log / })).toBeNull();
  const [, second] = screen.getAllByRole('button', { name: 'Drop it' });
  if (second) await user.click(second);
  await gone(notYet, '“25”');
  expect(page().textContent).not.toMatch(/waits? in this browser/);
  server.barred = undefined;
  await gone(page, 'Whoever is signed in may look');
  await press('button', /^Log /);
  expect(await sent('reading')).toMatchObject({ typed: '26', fit: { deburred: true, squared: false } });
  expect(readings(opened)).not.toContain('25');
});

it('who may only look takes nothing back and nothing up again', async () => {
  const { user, log, press, server } = await renderBuild('rings');
  const theLine = region('Reading line');
  await log('21');
  await log('22.5');
  await press('button', /^Undo/);
  await waitFor(() => expect(server.entries.map((e) => e.kind)).toEqual(['job', 'reading', 'reading', 'void']));
  server.barred = NOT_YOURS;
  await shows(page, 'Whoever is signed in may look here, and not enter');
  for (const name of [/^Undo/, /^Redo/]) {
    await press('button', name);
    await shows(theLine, 'Not recorded: who is signed in may only look.');
    await user.type(line(), '2');
    await user.clear(line());
    await gone(theLine, 'Not recorded');
  }
  expect(server.entries).toHaveLength(4);
});

it('who may only look weighs nothing and ticks nothing off: what was typed stays, and why is told', async () => {
  const { user, press, server } = await renderBuild('assembly?view=masses');
  const figures = region('Figure line');
  await waitFor(figures);
  const mass = (): HTMLElement => within(figures()).getByRole('textbox');
  await user.type(mass(), '612.4{Enter}');
  await shows(figures, 'Piston 2');
  server.barred = NOT_YOURS;
  await shows(page, 'Whoever is signed in may look here, and not enter');
  await user.type(mass(), '611{Enter}');
  await shows(figures, 'Not logged. Whoever is signed in may look here, and not enter.');
  expect(mass()).toHaveProperty('value', '611');
  await user.clear(mass());
  await user.type(mass(), 'z');
  await shows(figures, 'Not logged.');
  await press('tab', 'All steps');
  await waitFor(() => expect(document.querySelector('[data-tick]')).not.toBeNull());
  await user.click(document.querySelector<HTMLElement>('[data-tick]') ?? document.body);
  await shows(page, 'Not recorded:');
  await shows(page, NOT_YOURS);
  expect(server.entries.map((e) => e.kind)).toEqual(['job', 'weighed']);
});
