import { screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import { gap } from '@/fixtures/records';
import {
  type OpenedBuild,
  fill,
  gone,
  onDeck,
  line,
  region,
  renderBuild,
  row,
  said,
  shows,
  page,
} from '../testing/renderBuild';
import { persist } from '../shared/persisted';

const progress = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
/** Waits until a ring is in hand. */
const isAt = (name: string): Promise<HTMLElement> => screen.findByRole('heading', { name });

/** The readings that reached the server: the place, and as they were typed. */
const logged = ({ server }: OpenedBuild): string[] =>
  server.entries.flatMap((e) => (e.kind === 'reading' ? [`${e.cylinder} ${e.subject} ${e.typed}`] : []));

it('both compression rings of each cylinder: three keys a ring and nothing else', async () => {
  const opened = await renderBuild('rings');
  line().focus();
  for (let ring = 0; ring < 16; ring += 1) await opened.keys(ring % 2 ? '24{Enter}' : '22{Enter}');
  await shows(progress, '16/16');
  await waitFor(() => expect(logged(opened)).toHaveLength(16));
  expect(logged(opened).slice(0, 4)).toEqual(['L1 top 22', 'L1 second 24', 'R1 top 22', 'R1 second 24']);
});

it('a paste of five megabytes is refused and changes nothing', async () => {
  const { user, server } = await renderBuild('rings');
  fill(line(), '22 '.repeat(1_700_000));
  await shows(said, 'one reading at a time');
  await user.keyboard('{Escape}');
  expect(line()).toHaveProperty('value', '');
  expect(server.entries).toHaveLength(1);
});

it('units switch at any time and change nothing that was recorded', async () => {
  const { user, log, press, reload, server } = await renderBuild('rings');
  await log('22');
  await waitFor(() => expect(server.entries).toHaveLength(2));
  const before = JSON.stringify(server.entries);
  await press('radio', 'mm');
  await shows(row(/top ring/), '0.559');
  fill(line(), '24');
  await shows(said, '24 hundredths of a mm (0.24 mm), or 24 thou');
  await log('0.61');
  await waitFor(() => expect(server.entries).toHaveLength(3));
  await reload();
  await user.click(onDeck('1'));
  await shows(row(/second ring/), '0.61');
  await press('radio', 'thou');
  await shows(row(/top ring/), '22');
  expect(JSON.stringify(server.entries.slice(0, 2))).toBe(before);
});

it('the deck goes from bore to bore by arrow key', async () => {
  const { keys } = await renderBuild('rings');
  onDeck('1').focus();
  await keys('{ArrowDown}', '{ArrowDown}');
  await waitFor(() => expect(document.activeElement).toBe(onDeck('3')));
  await keys('22');
  expect(line()).toHaveProperty('value', '22');
  await isAt('Cylinder 3, top ring');
});

it('what is asked about waits: the next figure begins anew, and nothing of either is lost', async () => {
  const opened = await renderBuild('rings');
  const { user, keys, press, reload } = opened;
  const waiting = (): string[] =>
    within(screen.getByRole('region', { name: 'Not logged yet' }))
      .getAllByRole('listitem')
      .map((item) => item.textContent);
  line().focus();
  await keys('220{Enter}', '23{Enter}');
  await isAt('Cylinder 1, second ring');
  await waitFor(() =>
    expect(waiting()).toEqual([expect.stringMatching(/“220” Cylinder 1, top ring.*did you mean 22 thou\?/)]),
  );
  await waitFor(() => expect(logged(opened)).toEqual(['L1 top 23']));
  // a figure that cannot be taken is kept as well, over a reload, and is changed where it belongs
  await keys('2x5{Enter}', '24{Enter}');
  await isAt('Cylinder 2, top ring');
  await reload();
  await waitFor(() => expect(waiting()).toHaveLength(2));
  const [, second] = screen.getAllByRole('button', { name: 'Change it' });
  if (second) await user.click(second);
  await isAt('Cylinder 1, second ring');
  expect(line()).toHaveProperty('value', '2x5');
  expect(document.activeElement).toBe(line());
  await keys('{Escape}');
  // an answer logs it at its own place
  await press('button', 'Log 22 thou');
  await isAt('Cylinder 1, top ring');
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Not logged yet' })).toBeNull());
  await waitFor(() => expect(logged(opened)).toEqual(['L1 top 23', 'L1 second 24', 'L1 top 220']));
});

it('a gauge that ends its figures with a tab, a comma or a semicolon logs them', async () => {
  const opened = await renderBuild('bores');
  line().focus();
  await opened.keys('4.0652{Tab}');
  expect(document.activeElement).toBe(line());
  await opened.keys('4.0653,4.0654;4,0655;');
  await waitFor(() =>
    expect(logged(opened)).toEqual(['4.0652', '4.0653', '4.0654', '4,0655'].map((typed) => `L1 bore ${typed}`)),
  );
  await opened.keys('{Tab}');
  expect(document.activeElement).not.toBe(line());
});

it('what is put by means what it meant: other units, a gauge zeroed anew and another one in hand change nothing of it', async () => {
  const { keys, press, server } = await renderBuild('bores');
  const list = region('Not logged yet');
  line().focus();
  await keys('set 4.060{Enter}', '+70{Enter}', '+5{Enter}');
  await shows(list, 'Log 4.1300 in');
  await keys('set 4.050{Enter}');
  await shows(said, 'Bore gauge set to 4.0500 in');
  await shows(list, 'Log 4.1300 in');
  await press('radio', 'mm');
  const tool = await screen.findByRole<HTMLSelectElement>('combobox', { name: 'In hand' });
  fill(tool, tool.options[1]?.value ?? '');
  await press('button', 'Log 104.902 mm');
  const read = () => server.entries.flatMap((e) => (e.kind === 'reading' ? [[e.value, e.instrument]] : []));
  await waitFor(() =>
    expect(read()).toEqual([
      [fromInches(4.065), null],
      [fromInches(4.13), null],
    ]),
  );
});

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
  await press('checkbox', 'Include rails in the measuring order');
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

/** Another bench, with initials, as the server tells of it. */
const another = (at: string | null, ...mine: string[]): OpenedBuild['server']['others'] => [{ by: 'AB', at, mine }];

it('another bench on the same ring: where it is, and a reading that comes in while one is half typed', async () => {
  const { user, server } = await renderBuild('rings');
  server.others = [{ by: '', at: '1.top', mine: [] }];
  await shows(page, 'someone is on cylinder 1, top ring');
  server.others = another('1.top');
  await shows(page, 'AB is on cylinder 1, top ring');
  await user.type(line(), '2');
  server.entries.push({ ...gap('theirs', 'L1', 'top', 23), by: 'AB' });
  server.others = another('1.second');
  await shows(said, 'AB has just read this ring at another bench: 23 thou.');
  expect(line()).toHaveProperty('value', '2');
  await shows(page, 'AB is on cylinder 1, second ring');
  await user.keyboard('{Escape}');
  await gone(said, 'has just read');
  server.others = [];
  await gone(page, 'At another bench');
});

it('what another bench has taken is led past, and read all the same by who goes there; what is taken here is let go of', async () => {
  const { user, keys, press, server } = await renderBuild('rings');
  server.others = another('1.top', 'rings.L1');
  // nothing was begun there: this one is led on, and told why
  await shows(said, 'AB took cylinder 1: on to the next.');
  await isAt('Cylinder 2, top ring');
  await shows(page, 'has taken the rings of cylinder 1');
  await user.click(onDeck('1'));
  line().focus();
  await keys('m');
  await shows(said, 'Cylinder 1 is AB’s.');
  await keys('22{Enter}');
  await isAt('Cylinder 2, top ring');
  await keys('n');
  await isAt('Cylinder 2, second ring');
  await press('button', /^Cylinder 2 is mine/);
  await screen.findByRole('button', { name: /^Cylinder 2 is mine: let go/ });
  await waitFor(() => expect(server.taken).toBe('rings.R1'));
  await press('button', /^Cylinder 2 is mine: let go/);
  await screen.findByRole('button', { name: /^Cylinder 2 is mine(?!:)/ });
  await waitFor(() => expect(server.taken).toBe(''));
});

it('an order of its own stays this bench’s, over a reload too', async () => {
  const { user, keys, press, reload } = await renderBuild('rings?at=3.top');
  await press('tab', 'Set-up');
  await press('radio', 'ring by ring');
  await press('tab', 'Bench');
  await reload();
  await user.click(onDeck('3'));
  await keys('22');
  await shows(said, 'then Cylinder 4, top ring');
});

it('undo takes nothing back until what was not sent before a reload is in', async () => {
  const opened = await renderBuild('rings');
  const { user, server, log, keys, reload } = opened;
  // what is entered with one’s initials is one’s own after a reload too
  await user.type(screen.getByLabelText('Initials'), 'KM');
  await log('22');
  await waitFor(() => expect(logged(opened)).toEqual(['L1 top 22']));
  server.instead = () => new Response(null, { status: 503 });
  await log('24');
  const opening = reload();
  line().focus();
  await keys('z');
  expect(said().textContent).toMatch(/^Entries not sent yet are still loading/);
  await opening;
  server.instead = null;
  await waitFor(() => expect(logged(opened)).toEqual(['L1 top 22', 'L1 second 24']));
  expect(server.entries.map((e) => e.kind)).not.toContain('void');
  persist('spatium-by', '');
});
