import { screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { type Judgement } from '@/core/judge/judgement';
import { judge } from '@/core/judge/judge';
import { type Nm, fromInches, fromMm, fromThou } from '@/core/foundation/quantity/length';
import {
  type GivenLimits,
  type JournalChoices,
  STARTING_JOURNALS,
  givenBy,
  startingShells,
} from '@/core/stages/journals/choices';
import { job, jobEntry, reading } from '@/fixtures/records';
import {
  type OpenedBuild,
  acceptHere,
  fill,
  fillIn,
  line,
  region,
  renderBuild,
  row,
  said,
  shows,
} from '../testing/renderBuild';

const six = {
  ...job.engine,
  layout: 'inline' as const,
  cylinders: 6,
  bankAngle: 0,
  numbering: { ...job.engine.numbering, scheme: 'sequence' as const },
};
const covered = jobEntry({ engine: six, also: ['journals'] });
const STAMP = { at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
const given = (least: Nm, most: Nm, from: Nm, to: Nm): GivenLimits => ({
  ...{ least, most, aim: { from, to }, source: 'manual' },
});
const THOU = given(fromThou(1.2), fromThou(2.6), fromThou(1.6), fromThou(2.2));
const NO_ASKS = { endPlay: false, side: false, smallEnd: false, looks: false } as const;
/** Each thing read at one spot, against 1.2 to 2.6 thou. */
const bottomEnd = (change: Partial<JournalChoices> = {}): Entry => {
  const bearing = { ...STARTING_JOURNALS.bearings.main, clearance: THOU };
  const bearings = { main: bearing, rod: bearing };
  const value: JournalChoices = { ...STARTING_JOURNALS, bearings, ends: 1, directions: 1, ...change };
  return { ...STAMP, id: 'journals-1', kind: 'journals', value };
};
const stock = (change: object = {}): Entry => ({
  ...{ ...STAMP, id: 'shells-1', kind: 'shells' },
  value: { ...startingShells('imperial'), ...change },
});

const judged = ({ server }: OpenedBuild): Judgement => judge({ id: 'a', entries: server.entries });

it('nothing in the stock brings it in: grinding is said, and a stock of one’s own is taken', async () => {
  const read = [4.2, 4.4].flatMap((thou, i): Entry[] => [
    { ...reading(`j${i}`, `M${i + 1}`, 'journal', fromInches(2.3615)), place: { depth: 'middle', angle: 0 } },
    reading(`h${i}`, `M${i + 1}`, 'housing', fromInches(2.3615 + thou / 1_000)),
  ]);
  const opened = await renderBuild('journals?view=shells', covered, bottomEnd(), stock({ apart: 0 }), ...read);
  const mains = region('Shells for the mains');
  await waitFor(mains);
  await shows(mains, '2 of 2 stay out');
  await shows(mains, 'No shells in this stock bring all of them within limits');
  await opened.user.click(screen.getByRole('button', { name: 'One more grade' }));
  fill(screen.getByLabelText('grade: name'), 'ten under');
  fill(screen.getByLabelText('ten under: what one half gives'), '0');
  fill(screen.getByLabelText('ten under: undersize'), '10');
  fill(screen.getByLabelText('ten under: price of a pair'), 'nothing');
  await shows(opened.main, '“nothing” is not a price');
  const set = screen.getByRole('button', { name: 'Set what can be had' });
  expect(set).toHaveProperty('disabled', true);
  fill(screen.getByLabelText('ten under: price of a pair'), '38.50');
  await opened.user.click(set);
  // housings of 2.3657 and 2.3659 less ten, less the aim of 1.9
  await shows(mains, 'Grind all 2 to 2.3533 in–2.3544 in, aim 2.3539 in: all then need shells 0.0100 in under');
});

it('what is typed wrong is asked about or refused, and nothing is lost', async () => {
  const opened = await renderBuild('journals', covered, bottomEnd({ route: 'byBearing' }));
  const { log, user, main } = opened;
  await log('2.3615');
  // two digits changed places: the housing would be smaller than its journal
  await log('2.6334');
  await shows(said, 'did you mean');
  await user.keyboard('{Escape}');
  // the dial before the gauge was zeroed
  for (const [typed, says] of [
    ['+1.9', 'none is given yet'],
    ['set piston', 'is not set to that'],
    ['here', 'A zero without a size tells of bores alone'],
  ] as const) {
    await log(typed);
    await shows(said, says);
    await user.keyboard('{Escape}');
  }
  await log('set aim');
  await log('-.4');
  // journal + 1.9 aimed at − 0.4
  await waitFor(() => expect(judged(opened).mains[0]?.clearance.value).toBe(fromThou(1.5)));
  // a thread either way round, beside the measure
  await opened.press('button', 'Main 1');
  for (let i = 0; i < 3 && screen.queryByRole('heading', { name: 'Main 1, crushed thread' }) === null; i += 1)
    await user.keyboard('{ArrowRight}');
  await log('2 to 1.5');
  const threads = (): (number | null | undefined)[] =>
    opened.server.entries.flatMap((e) => (e.kind === 'reading' && e.subject === 'thread' ? [e.upTo] : []));
  await waitFor(() => expect(threads()).toEqual([fromThou(2)]));
  await opened.press('button', 'Main 1');
  await shows(() => screen.getByRole('complementary'), 'crushed thread, as a check: 1.5 thou to 2.0 thou: agrees');
  await shows(main, 'Main 1');
  expect(opened.server.entries.filter((e) => e.kind === 'reading')).toHaveLength(3);
});

it('shells in a shop of millimetres: a price set leaves their lengths as they are, and a coated half is a grade', async () => {
  const metric = jobEntry({ engine: six, units: 'metric', plannedBore: fromMm(86), also: ['journals'] });
  const opened = await renderBuild('journals?view=shells', metric, stock());
  fill(await screen.findByLabelText('+0.001 in: price of a pair'), '12,50');
  await opened.user.click(screen.getByRole('button', { name: 'One more grade' }));
  fill(screen.getByLabelText('grade: name'), 'dry film');
  fill(screen.getByLabelText('dry film: what one half gives'), '0');
  fill(screen.getByLabelText('dry film: coating a face'), '0,5');
  await shows(opened.main, 'is not the thickness of a coating');
  fill(screen.getByLabelText('dry film: coating a face'), '0,005');
  await opened.user.click(screen.getByRole('button', { name: 'Set what can be had' }));
  await opened.sent('shells');
  expect(judged(opened).choices.shells.stock.main.map((s) => [givenBy(s), s.price])).toEqual([
    [-12_700, null],
    [0, null],
    [12_700, 12.5],
    [-5_000, null],
  ]);
});

it('journals by their size and class, and a clearance that the builder named, from the manual to the sheet', async () => {
  const opened = await renderBuild('journals?view=manual', covered, bottomEnd({ asks: NO_ASKS }));
  const { user, main, log, goTo } = opened;
  fill(await screen.findByLabelText(/^Mains: journal, least diameter/), '2.4485');
  fill(screen.getByLabelText(/^Mains: journal, most diameter/), '2.4480');
  await shows(main, 'The most must be over the least.');
  fill(screen.getByLabelText(/^Mains: journal, most diameter/), '2.4495');
  fill(screen.getByLabelText(/^Mains: journal, size classes/), 'A 2.4485');
  await shows(main, 'is not a class. Example');
  fill(screen.getByLabelText(/^Mains: journal, size classes/), 'A 2.4485-2.4490; B 2.4490-2.4495');
  await user.click(screen.getByRole('button', { name: 'Add clearance' }));
  fill(screen.getByLabelText('Clearance'), 'Oil pump, gears to cover');
  fill(screen.getByLabelText(/^Oil pump, gears to cover: least/), '1');
  fill(screen.getByLabelText(/^Oil pump, gears to cover: most/), '3');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await opened.press('tab', 'Clearances');
  await opened.press('button', 'Main 1');
  await log('2.4492');
  await log('2.4480');
  await opened.press('button', 'Main 1');
  const journal = region('Journal');
  await waitFor(journal);
  await shows(journal, 'Diameter: 2.4485 in to 2.4495 in, class B');
  await opened.press('button', 'Main 2');
  await shows(journal, 'out');
  await shows(() => document.body, '2.4480 in where it is thinnest, under 2.4485 in');

  await opened.press('tab', 'End play, other');
  await opened.press('button', 'Oil pump, gears to cover');
  await waitFor(() => screen.getByRole('heading', { name: 'Oil pump, gears to cover' }));
  await log('4/5');
  await shows(() => screen.getByRole('row', { name: /Oil pump, gears to cover/ }), 'over');
  await waitFor(() =>
    expect(judged(opened).others.map((o) => [o.words, o.clearance.state])).toEqual([
      ['Oil pump, gears to cover', 'over'],
    ]),
  );
  await acceptHere(user, 'pump is renewed later');
  await goTo('Sheet');
  await shows(main, 'Oil pump, gears to cover (1.0 thou to 3.0 thou, the manual)');
  await shows(main, 'pump is renewed later');
  await shows(main, 'Journals 2.4485 in to 2.4495 in (the manual).');
});

it('what was typed wrong in a clearance that is removed, or is not read here after all, bars the form no more', async () => {
  const { press } = await renderBuild('journals?view=manual', covered, bottomEnd({ asks: NO_ASKS }));
  const isBarred = (is: boolean): Promise<void> =>
    waitFor(() => expect(screen.getByRole('button', { name: 'Save' })).toHaveProperty('disabled', is));
  await press('checkbox', 'End play is read here');
  await fillIn(/^End play: least/, 'tight');
  await isBarred(true);
  await press('checkbox', 'End play is read here');
  // nothing is changed, nothing is wrong
  await fillIn(/^Mains: least/, '1.3');
  await isBarred(false);
  await press('button', 'Add clearance');
  await fillIn('Clearance', 'Oil pump');
  await fillIn(/^Oil pump: least/, 'tight');
  await isBarred(true);
  await press('button', /^Remove/);
  await isBarred(false);
});

it('an aluminium block is said apart from its bores: a warm housing is smaller at 20 °C, and hot it opens', async () => {
  const warm = (id: string, subject: 'journal' | 'housing', inches: number): Entry => ({
    ...reading(id, 'M1', subject, fromInches(inches)),
    temperature: 30,
  });
  const opened = await renderBuild(
    'journals?view=manual',
    covered,
    bottomEnd({ asks: NO_ASKS }),
    warm('j', 'journal', 2.5),
    warm('h', 'housing', 2.5024),
  );
  const mainOne = (): number => judged(opened).mains[0]?.clearance.value ?? 0;
  const iron = mainOne();
  await opened.user.selectOptions(await screen.findByLabelText('Main housings'), 'aluminium');
  await opened.user.click(screen.getByRole('button', { name: 'Save' }));
  // 2.5 in × (21.5 − 10.8)·10⁻⁶ × 10 K: 0.27 thou
  await waitFor(() => expect(Math.round((iron - mainOne()) / fromThou(0.01))).toBe(27));
  await opened.press('tab', 'Clearances');
  await opened.press('button', 'Main 1');
  // 2.1 + 2.5 × (21.5 − 11.7)·10⁻⁶ × 80 K
  await shows(() => document.body, /about 4\.1 thou hot, all of it at 100 °C: for information/);
  await opened.press('tab', 'Limits and method');
  expect(await screen.findByLabelText('Main housings')).toHaveProperty('value', 'aluminium');
});

/** A bearing on the deck. */
const onDeckOf = (name: string): Promise<HTMLElement> =>
  within(screen.getByRole('navigation', { name: 'Bearings' })).findByRole('button', { name });

it('which shells: a tight main is cured by one grade more, planned, ordered, fitted, measured again; all of it kept', async () => {
  const read = [1.9, 1.8, 0.8, 2, 1.9, 1.8, 1.9].flatMap((thou, i): Entry[] => [
    { ...reading(`j${i}`, `M${i + 1}`, 'journal', fromInches(2.3615)), place: { depth: 'middle', angle: 0 } },
    reading(`h${i}`, `M${i + 1}`, 'housing', fromInches(2.3615 + thou / 1_000)),
  ]);
  const opened = await renderBuild('journals?view=shells', covered, bottomEnd({ asks: NO_ASKS }), ...read);
  const { user, log, press } = opened;
  await onDeckOf('Main 3, tight, 0.8');
  const mains = region('Shells for the mains');
  await waitFor(mains);
  await shows(mains, 'all 7 in, 0.2 thou apart, 2 part numbers');
  const third = (): HTMLElement => within(mains()).getByRole('row', { name: /^3/ });
  await shows(third, '+0.001 in');
  await shows(mains, '1 pair +0.001 in');
  await press('button', 'Plan these for the mains');
  const planned = region('Planned shells');
  await waitFor(planned);
  await shows(planned, 'Main 3: +0.001 in over +0.001 in');
  await shows(planned, 'To buy: mains: 1 pair +0.001 in.');
  fill(screen.getByRole('textbox', { name: 'Initials' }), 'KM');
  await press('button', 'They are ordered');
  await shows(planned, 'Ordered, to be fitted');
  await shows(planned, 'Ordered by KM');
  await shows(() => screen.getByRole('list', { name: 'Findings' }), 'Other shells are ordered for main 3:');
  await press('button', 'Not ordered after all');
  await shows(planned, 'Planned, to be ordered');
  await press('button', 'They are in: measure again');
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Planned shells' })).toBeNull());
  await press('tab', 'Clearances');
  await user.click(await onDeckOf('Main 3, to do'));
  await log('2.3633');
  await onDeckOf('Main 3, in window, 1.8');
  await waitFor(() => expect(judged(opened).mains[2]?.clearance.value).toBe(fromThou(1.8)));
  expect(opened.server.entries.some((e) => e.id === 'h2')).toBe(true);
  // with the new halves known, it is brought back to what standard halves would give
  await press('tab', 'Bearing shells');
  await waitFor(mains);
  await shows(third, '+0.001 in');
  await shows(mains, 'Nothing to buy');
});

it('the pin in the small end: on the route where it is asked for, against the pin that was read with its piston', async () => {
  const opened = await renderBuild(
    'journals',
    covered,
    bottomEnd({
      ...{ method: 'thread', asks: { ...NO_ASKS, smallEnd: true } },
      smallEnd: given(fromThou(0.4), fromThou(1), fromThou(0.5), fromThou(0.9)),
    }),
    ...[1, 2].map((i) => reading(`pin${i}`, String(i), 'pin', fromInches(0.927))),
  );
  const { user, log, main, press } = opened;
  for (let bearing = 0; bearing < 13; bearing += 1) await log('1.5 to 2');
  await screen.findByRole('heading', { name: 'Rod 1, small end' });
  await log('.9277');
  await log('.9271');
  const row = (rod: number) => (): HTMLElement =>
    screen.getByRole('row', { name: new RegExp(`Rod ${rod}, pin in small end`) });
  await waitFor(row(1));
  await shows(row(1), 'in window');
  await shows(row(2), 'tight');
  await shows(row(3), 'its pin is not read yet');
  const values = (): unknown[] =>
    judged(opened)
      .cylinders.slice(0, 2)
      .map((c) => c.smallEnd.value);
  await waitFor(() => expect(values()).toEqual([fromThou(0.7), fromThou(0.1)]));
  await press('button', 'Rod 2, pin in small end');
  await acceptHere(user, 'honed tomorrow');
  await shows(main, 'honed tomorrow');
});

const main = (name: string): HTMLElement =>
  within(screen.getByRole('navigation', { name: 'Bearings' })).getByRole('button', { name: new RegExp(`^${name},`) });

it('a V8 with shared throws: five mains, eight rods, as the crank lies; the two rods of a throw are read once', async () => {
  const plan = bottomEnd({ sidePer: 'throw', side: given(fromThou(8), fromThou(18), fromThou(10), fromThou(16)) });
  const opened = await renderBuild('journals', jobEntry({ also: ['journals'] }), plan);
  const { keys, press } = opened;
  const deck = within(screen.getByRole('navigation', { name: 'Bearings' })).getAllByRole('button');
  const names = deck.map((b) => b.getAttribute('aria-label')?.split(',')[0]);
  expect(names.slice(0, 6)).toEqual(['Main 1', 'Rod 1', 'Rod 2', 'Main 2', 'Rod 3', 'Rod 4']);
  expect(deck).toHaveLength(14);
  const times = (n: number, typed: string): string[] => Array.from({ length: n }, () => `${typed}{Enter}`);
  line().focus();
  // five keys a journal, then the setting once, and one key a dial
  await keys(...times(5, '23615'), 'set journal{Enter}', ...times(5, '2'), ...times(8, '20997'), ...times(8, '2'));
  await waitFor(() => expect(opened.server.entries.filter((e) => e.kind === 'reading')).toHaveLength(26));
  const { mains, rods } = judged(opened);
  expect([...mains, ...rods].map((b) => [b.clearance.value, b.clearance.state])).toEqual(
    Array.from({ length: 13 }, () => [fromThou(2), 'in window']),
  );
  await press('tab', 'End play, sides');
  line().focus();
  await keys('6{Enter}', '12{Enter}', '13{Enter}', '12{Enter}', '12{Enter}');
  await shows(said, 'Nothing left to measure here');
  await shows(row(/^Rod 2, side/), 'read with rod 1');
  await shows(row(/^Rod 2, side/), '12.0');
});

it('a bench takes a bearing for its own: another is led past what is taken, in the words of the bottom end', async () => {
  const { user, keys, server } = await renderBuild('journals', covered, bottomEnd({ route: 'byBearing' }));
  await user.click(main('Main 4'));
  await keys('m');
  await shows(said, 'Main 4 is this bench’s');
  server.others = [{ by: 'AB', at: 'M2.journal.middle.0', mine: ['journals.M2'] }];
  await shows(() => document.body, 'has taken main 2');
  await user.click(main('Main 1'));
  line().focus();
  await keys('2.3615{Enter}', '2.3634{Enter}');
  await screen.findByRole('heading', { name: 'Main 3, journal, middle, in line' });
  await user.click(main('Rod 1'));
  await screen.findByRole('button', { name: /^Rod 1 is mine/ });
});
