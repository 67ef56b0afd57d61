import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { type BoreChoices, STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import type { Engine } from '@/core/foundation/engine/engine';
import { directionsByCount } from '@/core/foundation/parts/spots';
import { boreReading, gap, jobEntry, reading } from '@/fixtures/records';
import {
  type OpenedBuild,
  fill,
  fillIn,
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

const plan = (change: Partial<BoreChoices>): Entry => ({
  ...{ id: 'plan', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null, kind: 'bores' },
  value: { ...STARTING_BORES, ...change },
});
const label = (): HTMLElement => line().closest('label') ?? document.body;
const status = (name: string) => (): HTMLElement => screen.getByRole('status', { name });
const inHand = async (tool: string): Promise<void> => {
  fill(await screen.findByRole('combobox', { name: 'In hand' }), tool);
};

it('spots: skipped and come back to, repeated, undone, and chosen by arrow and by a press', async () => {
  const { user, log, press, server } = await renderBuild('bores', plan({ repeats: 2 }));
  await shows(label, 'Cylinder 1, top, square');
  await shows(main, 'Read the bore.');
  await user.keyboard('n');
  await shows(label, 'Cylinder 1, top, along');
  await log('4.0651');
  await shows(label, 'Cylinder 1, top, along');
  await log('4.0653');
  await shows(label, 'Cylinder 1, middle, square');
  await screen.findByRole('button', { name: 'top, along: 4.0652, mean of 2' });
  await user.keyboard('z');
  await shows(said, 'Undone: Cylinder 1, top, along, “4.0653”');
  await shows(label, 'Cylinder 1, top, along');
  await user.keyboard('{ArrowLeft}');
  await shows(label, 'Cylinder 1, top, square');
  await user.keyboard('{ArrowDown}');
  await shows(label, 'Cylinder 2, top, square');
  await press('button', /^bottom, along: to read/);
  await shows(label, 'Cylinder 2, bottom, along');
  await waitFor(() => expect(server.entries.filter((e) => e.kind === 'reading')).toHaveLength(2));
});

it('a gauge in hand: it is named by each reading, its dial is drawn, its own setting counts, turns too', async () => {
  const { log, press, server, sent } = await renderBuild('bores');
  await inHand('gauge-in');
  await press('tab', 'Gauge set-up');
  await shows(region('Make-ups'), '4.0000 + 0.1000');
  await press('button', 'Zeroed at 4.0650');
  await press('tab', 'Readings');
  fill(line(), '6');
  await screen.findByRole('img', { name: /^Dial.*\+6 thou from 4\.0650 in/ });
  await screen.findByText('should show');
  fill(line(), '1t6');
  await shows(said, 'dial +1 turn of 50 thou and 6 thou');
  await log('0.3');
  await inHand('');
  fill(line(), '+2');
  await shows(said, 'none is given yet');
  expect(await sent('reading')).toMatchObject({ instrument: 'gauge-in.1', value: fromInches(4.0653), typed: '0.3' });
  expect(server.entries.map((e) => e.kind)).toEqual(['job', 'instrument', 'setting', 'reading']);
});

it('the gauge the other way round, and set to the piston so that the dial is the clearance', async () => {
  const { user, log, server } = await renderBuild('bores', reading('p', 'R1', 'piston', fromInches(4.0612)));
  await user.click(onDeck('1'));
  fill(line(), 'here 4.0652');
  await shows(said, 'Gauge zeroed in the bore here');
  await log('here 4.0652');
  await log('-.2');
  const bores = (): number[] =>
    server.entries.flatMap((e) => (e.kind === 'reading' && e.subject === 'bore' ? [e.value] : []));
  await waitFor(() => expect(bores()).toEqual([4.0652, 4.065].map(fromInches)));
  await user.click(onDeck('1'));
  await log('set piston');
  await log('4');
  expect(line()).toHaveProperty('value', '4');
  fill(line(), '+4');
  await shows(said, 'piston 1 is not measured yet');
  await user.click(onDeck('2'));
  fill(line(), '4');
  await shows(said, '4.0652 in');
  await shows(said, 'Clearance 4.0 thou');
});

it('warm parts are brought to 20 °C, and every reading keeps how warm it was', async () => {
  const { log, press, sent } = await renderBuild(
    'pistons',
    jobEntry({ construction: 'forged2618', plannedBore: fromInches(4.004) }),
  );
  await press('button', 'Temperature not entered: 20 °C');
  await fillIn('Part, °C', '79');
  await press('button', /26\.1 °C/);
  await fillIn('Part, °C', '');
  await fillIn('Part, °C', '26');
  expect(screen.getByLabelText('Tool, °C')).toHaveProperty('placeholder', '26');
  await screen.findByRole('button', { name: 'Part and tool 26 °C' });
  await fillIn('Tool, °C', '20');
  await fillIn('Part, °C', '26.5');
  expect(screen.getByLabelText('Tool, °C')).toHaveProperty('value', '20');
  await fillIn('Part, °C', '26');
  await log('4.0000');
  await screen.findByRole('button', { name: 'Cylinder 1, piston, 3.9995 in' });
  expect(await sent('reading')).toMatchObject({ value: fromInches(4), temperature: 26, gaugeTemperature: 20 });
});

it('honed: the bore is measured anew, the old readings are kept, and it is taken back in one step', async () => {
  const { user, log, main, press, sent } = await renderBuild(
    'bores',
    plan({ depths: ['top', 'bottom'], directions: [90] }),
  );
  await log('4.0675');
  await log('4.0650');
  await press('button', 'Bore 1');
  await shows(main, 'Bore to the next size');
  await press('button', 'Bored or honed: measure anew');
  await user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Bore 1' }));
  await screen.findByRole('button', { name: 'top, square: to read' });
  await screen.findByRole('heading', { name: /^Kept, and of no spot/ });
  const { id } = await sent('renewed');
  await press('button', 'Take back');
  await screen.findByRole('button', { name: 'top, square: 4.0675' });
  expect(await sent('void')).toMatchObject({ of: id });
});

it('locks and marks hold a piston where it is, and a pairing that cannot be says why', async () => {
  const sizes = [
    ['L1', 4.065, 4.061],
    ['R1', 4.0658, 4.0604],
  ] as const;
  const entries = sizes.flatMap(([at, bore, piston]) => [
    reading(`b${at}`, at, 'bore', fromInches(bore)),
    reading(`p${at}`, at, 'piston', fromInches(piston)),
  ]);
  const { user, press, server } = await renderBuild('pistons?view=pairing', ...entries);
  const advice = status('Pairing');
  await waitFor(advice);
  await shows(advice, 'Swap the pistons of cylinders 1 and 2');
  await press('button', 'Piston of cylinder 1 stays');
  await shows(advice, 'Leave them as they are');
  await press('button', 'Piston of cylinder 1 stays');
  await press('checkbox', /^Piston 2 is marked/);
  await shows(advice, 'Swap the pistons of cylinders 1 and 2');
  await user.clear(screen.getByLabelText('A marked piston moves for, thou'));
  await user.type(screen.getByLabelText('A marked piston moves for, thou'), '2.5{Enter}');
  await shows(advice, 'Moving marked pistons would bring');
  const gains = (): number[] => server.entries.flatMap((e) => (e.kind === 'pairing' ? [e.value.gain] : []));
  await waitFor(() => expect([gains().length, gains().at(-1)]).toEqual([4, fromThou(2.5)]));
});

it('the next size: what is sold and what comes off decide it; wrong entries are told beside the field', async () => {
  const { log, goTo, press, main } = await renderBuild(
    'bores',
    jobEntry({ plannedBore: fromInches(4), construction: 'cast' }),
    plan({ depths: ['middle'], directions: [90] }),
  );
  for (const size of ['4.032', '4.035', '4.033']) await log(size);
  await press('tab', 'Oversize');
  const next = region('Oversize');
  await waitFor(next);
  await shows(next, '40 thou over');
  await shows(next, 'cleans up all 3 measured');
  await fillIn('Oversizes sold, thou', '30 forty');
  await shows(main, '“forty” is no length.');
  expect(screen.getByRole('button', { name: 'Set sizes and stock' })).toHaveProperty('disabled', true);
  for (const [sold, says] of [
    ['.030 .055', '55 thou over'],
    ['30 37', 'A sleeve is due in cylinder 2'],
  ] as const) {
    await fillIn('Oversizes sold, thou', sold);
    await press('button', 'Set sizes and stock');
    await shows(next, says);
  }
  await goTo('Pistons');
  await log('4.0362');
  await goTo('Bores');
  await press('tab', 'Oversize');
  const table = within(await screen.findByRole('table', { name: 'Finish bore for each piston' }));
  expect(table.getByRole('row', { name: /^1/ }).textContent).toContain('4.0362');
});

it('a bore over the wear limit of the manual goes to the next size; its class is told', async () => {
  const spots = [
    ['top', 4.0032],
    ['middle', 4.0031],
    ['bottom', 4.003],
  ] as const;
  const read = spots.flatMap(([depth, inches]) =>
    [90, 0].map((angle) => boreReading(`b${depth}${angle}`, 'L1', depth, angle, fromInches(inches))),
  );
  const { main, press } = await renderBuild('bores', ...read);
  const row = (): HTMLElement => screen.getAllByRole('row', { name: /Bore 1|^1/ })[0] ?? document.body;
  const setMost = async (most: string): Promise<void> => {
    await press('tab', 'Measuring plan');
    await fillIn('Bore, most diameter', most);
    await press('button', 'Save size limits');
    await press('tab', 'Readings');
  };
  await press('tab', 'Measuring plan');
  await fillIn('Bore, size classes', 'A 4.000–4.0025; B 4.0025–4.0050');
  await setMost('4.010');
  await shows(row, 'class B');
  await shows(row, 'within');
  await setMost('4.002');
  await shows(row, 'next size');
  await press('button', 'Bore 1');
  await shows(main, /is over the most of 4\.0020 in/);
});

const readings = ({ server }: OpenedBuild) => server.entries.flatMap((e) => (e.kind === 'reading' ? [e] : []));
const five: Engine = {
  ...{ layout: 'inline', cylinders: 5, bankAngle: 0, rotation: 'clockwise' },
  numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
};
const main = (): HTMLElement => screen.getByRole('main');

it('nine readings a bore: two keys a reading once the gauge is set', async () => {
  const grid = plan({ directions: directionsByCount(3) });
  const opened = await renderBuild('bores', jobEntry({ engine: { ...five, cylinders: 2 } }), grid);
  line().focus();
  await opened.keys('set 4.065{Enter}', ...Array.from({ length: 18 }, (_, i) => (i % 9 < 3 ? '1{Enter}' : '0{Enter}')));
  await waitFor(() => expect(readings(opened)).toHaveLength(18));
  await shows(said, 'Nothing left to measure here');
  expect(
    readings(opened)
      .slice(0, 4)
      .map((r) => [r.cylinder, r.place?.depth, r.place?.angle, r.value]),
  ).toEqual([
    ['1', 'top', 90, fromInches(4.066)],
    ['1', 'top', 150, fromInches(4.066)],
    ['1', 'top', 30, fromInches(4.066)],
    ['1', 'middle', 90, fromInches(4.065)],
  ]);
  await shows(row(/^2 /), 'not proven');
});

it('a later bore reading that changes what was fitted says so at its own bench and at another on another stage', async () => {
  const build = [
    jobEntry({ plannedBore: fromInches(4.2) }),
    reading('b', 'L1', 'bore', fromInches(4.199)),
    gap('g', 'L1', 'top', 19),
  ];
  const says = 'Cylinder 1, top gap minimum 21 thou → 22 thou';
  const { user, log, press } = await renderBuild('bores', ...build);
  await user.click(onDeck('1'));
  await log('4.2014');
  await shows(page, 'Changed by this:');
  await shows(page, says);
  cleanup();
  const other = await renderBuild('rings', ...build);
  other.server.entries.push(boreReading('theirs', 'L1', 'top', 90, fromInches(4.2014)));
  await shows(page, says);
  await press('button', 'Seen');
  await gone(page, 'Changed by this:');
});

it('bores and pistons not measured here: what was ordered and reported stands in for them, and beside what is found', async () => {
  const opened = await renderBuild('bores', jobEntry({ engine: five, surface: null }));
  const { user, keys, press, goTo, reload, sent } = opened;
  const sidebar = (): HTMLElement => screen.getByRole('complementary');
  const set = (): HTMLElement => screen.getByRole('button', { name: 'Save' });
  await press('tab', 'Supplied sizes');
  await press('checkbox', 'Bores are not measured here');
  expect(await sent('job')).toMatchObject({ value: { elsewhere: ['bores'] } });
  await shows(sidebar, 'no size is reported of any bore');
  await fillIn('Ordered', '4.0650');
  await fillIn('Reported by', 'Holm, sheet 12');
  // ten times too little is asked about, and is not set
  await fillIn('Bore 1, reported', '0.4070');
  await waitFor(() => expect(set()).toHaveProperty('disabled', true));
  await fillIn('Bore 1, reported', '4.0670');
  await press('button', 'The others too: 4.0670');
  // as it was left, over a reload
  await reload();
  await shows(main, 'Not saved yet.');
  expect(await screen.findByLabelText('Bore 5, reported')).toHaveProperty('value', '4.0670');
  await user.click(set());
  expect(await sent('supplied')).toMatchObject({
    value: { bores: { by: 'Holm, sheet 12', ordered: fromInches(4.065), sizes: { length: 5 } } },
  });
  await shows(
    sidebar,
    'Bore 1 was ordered as 4.0650 in and is reported as 4.0670 in by Holm, sheet 12: 2 thou larger.',
  );
  await waitFor(() => expect(set()).toHaveProperty('disabled', true));
  // found, it counts, and does not agree
  await press('tab', 'Readings');
  line().focus();
  await keys('4.0650{Enter}');
  await press('tab', 'Supplied sizes');
  await shows(row(/^1 /), 'does not agree');
  await goTo('Targets');
  await shows(main, 'worked from the measured bore, 4.0650 in');
  await user.click(onDeck('2'));
  await shows(main, 'worked from the reported bore, 4.0670 in');
  // the pistons: only that they are not measured here
  await goTo('Pistons');
  await press('tab', 'Supplied sizes');
  await press('checkbox', 'Pistons are not measured here');
  await fillIn('Piston 2, reported', '4.0669');
  await user.click(set());
  await shows(sidebar, 'by what was reported of bore and piston the clearance is 0.1 thou: too tight');
  await press('tab', 'Readings');
  await shows(main, 'By what was reported: 0.1 thou, not measured here.');
  await goTo('Sheet');
  await shows(main, 'Bores as supplied, reported by Holm, sheet 12');
  await shows(main, 'by what was reported of bore and piston the clearance is 0.1 thou');
  await shows(main, 'Oil rails: not measured here.');
});

it('zeroed in the bore before any size is known: differences first, then the micrometer, and all have sizes', async () => {
  const opened = await renderBuild('bores', jobEntry({ engine: five, plannedBore: null, surface: null }));
  const { keys, reload } = opened;
  const theLine = region('Reading line');
  const grid = (): HTMLElement => screen.getByRole('table', { name: /Readings of bore/ });
  line().focus();
  await keys('here');
  await shows(theLine, 'No size yet: the dial counts from this spot');
  await keys('{Enter}');
  await shows(theLine, 'Gauge zeroed at Cylinder 1, top, square');
  // two keys a reading, the same as with a size
  await keys('1{Enter}', '-2{Enter}', '-1');
  await shows(theLine, '−1 thou from the zero');
  await keys('{Enter}');
  await shows(grid, 'from the zero');
  await shows(grid, '−2 thou');
  await shows(main, 'sizes wait for the micrometer');
  await shows(() => screen.getByRole('complementary'), 'read from a zero that has no size yet');
  await waitFor(() => expect(readings(opened)).toHaveLength(4));
  // undone and logged again, still from the zero; wrong first, then put right
  await keys('z', 'y', 'here 4.0625{Enter}');
  await shows(theLine, 'The zero is 4.0625 in');
  await shows(grid, '4.0605');
  await keys('was 4.0652{Enter}');
  await shows(grid, '4.0632');
  await gone(grid, 'from the zero');
  // over a reload: what counts from the zero is on record as it was read
  await waitFor(() => expect(readings(opened).filter((r) => r.zero !== null)).toHaveLength(5));
  await reload();
  await waitFor(grid);
  await shows(grid, '4.0632');
  // the dial counts on from it: 4.0662, beside 4.0642 of the same spot: they disagree, and the smaller counts
  line().focus();
  await keys('+1{Enter}');
  await shows(grid, '4.0642×2');
});

it('zeroed in the bore in millimetres, by its buttons', async () => {
  const metric = jobEntry({ engine: five, surface: null, units: 'metric', plannedBore: 82_500_000 });
  const { press, server } = await renderBuild('bores', metric);
  const grid = (): HTMLElement => screen.getByRole('table', { name: /Readings of bore/ });
  await press('button', 'Zeroed here: top, square');
  await shows(grid, '0 mm');
  await fillIn('The zero, in the micrometer', '82.512');
  await press('button', 'It is the zero’s size');
  await shows(grid, '82.512');
  const settings = () => server.entries.flatMap((e) => (e.kind === 'setting' ? [e.to] : []));
  await waitFor(() => expect(settings()).toEqual(['here', 82_512_000]));
});
