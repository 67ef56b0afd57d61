import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { judge } from '@/core/judge/judge';
import { STARTING_HEAT } from '@/core/models/heat/assess';
import { boreReading, gap, jobEntry } from '@/fixtures/records';
import { acceptHere, fill, fillIn, gone, onDeck, line, region, renderBuild, said, shows } from '../testing/renderBuild';

const progress = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
const readings = region('Readings of this ring');
/** Waits until a ring is in hand. */
const isAt = (name: string): Promise<HTMLElement> => screen.findByRole('heading', { level: 1, name });

/** A bore alike in all directions, at every depth. */
const bore = (cylinder: string, inches: number): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth) =>
    [90, 0].map((angle) => boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches))),
  );

it('without a ring filer the cut is advised by feel; a cut is undone by one key; neither deburred nor squared is marked', async () => {
  const { user, log, main } = await renderBuild('rings');
  await log('12');
  await shows(region('Next cut'), 'First cut: about 5 thou');
  await log('c');
  await shows(main, 'Cut since it was read');
  await user.keyboard('z');
  await shows(region('Reading line'), 'Undone: Cylinder 1, top ring, a cut');
  await gone(main, 'Cut since it was read');
  await log('c3');
  await log('17');
  await shows(readings, 'neither deburred nor squared noted');
});

it('a ring that is over: accepted with a reason and taken back; another ring; the old readings stay', async () => {
  const { user, main, press, server } = await renderBuild('rings', gap('a', 'L1', 'top', 30));
  const over = region('What else can be done');
  await waitFor(over);
  await acceptHere(user, 'plain rebuild, customer agrees');
  await shows(main, 'plain rebuild, customer agrees');
  await shows(progress, '1/16');
  await user.click(screen.getByRole('button', { name: 'Take the acceptance back' }));
  await shows(progress, '0/16');
  await user.click(within(over()).getByRole('button', { name: 'Another ring' }));
  await shows(main, 'Square it in its own bore and read the gap.');
  await shows(readings, '30 thou');
  await press('button', 'Take back');
  await waitFor(over);
  await waitFor(() => expect(server.entries.filter((e) => e.kind === 'void')).toHaveLength(2));
});

it('a ring read in the wrong bore is noted there and predicted here, without measuring again', async () => {
  const build = [...bore('L1', 4.065), ...bore('R1', 4.066), gap('a', 'L1', 'top', 26)];
  const { user, main, sent } = await renderBuild('rings', ...build);
  await user.click(await screen.findByRole('button', { name: /^top ring/ }));
  await user.click(await screen.findByRole('button', { name: 'Move to another bore' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Read in another bore' }));
  await user.click(dialog.getByRole('button', { name: '2' }));
  await shows(main, 'Predicted from cylinder 2');
  await shows(readings, 'it was read in the bore of cylinder 2');
  expect(await sent('reading')).toMatchObject({ cylinder: 'R1', value: fromThou(26), fit: { ring: 'L1' } });
});

it('a ring in its window that the heat model warns of is answered for with a reason, and not warned of again', async () => {
  const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'KM' };
  const hot: Entry = { ...stamp, id: 'h', kind: 'heat', replaces: null, value: { ...STARTING_HEAT, top: 300 } };
  const build = [hot, gap('g', 'L1', 'top', 22), gap('s', 'L1', 'second', 24)];
  const { user, main, server } = await renderBuild('rings?at=1.top', ...build);
  const warned = (): boolean =>
    judge({ id: 'a', entries: server.entries }).findings.some((f) => f.severity === 'mend' && f.cylinder === 'L1');
  expect(warned()).toBe(true);
  await shows(main, 'Cylinder 1, top ring');
  await acceptHere(user, 'run so for years');
  await shows(main, 'ccepted by KM: run so for years');
  await waitFor(() => expect(warned()).toBe(false));
});

it('a ring read in a warm aluminium bore is narrower at 20 °C, and says so', async () => {
  const build = [jobEntry({ surface: 'plated' }), ...bore('L1', 4.065)];
  const { user, log, sent } = await renderBuild('rings?at=1.top', ...build);
  await user.click(await screen.findByRole('button', { name: 'Temperature not entered: 20 °C' }));
  fill(await screen.findByLabelText('Part, °C'), '30');
  await log('23/24');
  expect(await sent('reading')).toMatchObject({ subject: 'top', temperature: 30, gaugeTemperature: null });
  await user.keyboard('{ArrowLeft}');
  await waitFor(region('The gap that counts'));
  await user.click(within(region('The gap that counts')()).getByRole('button', { name: /^why/ }));
  // π × 4.065 in × (11.2 − 21.5)·10⁻⁶ × 10 K
  await shows(() => screen.getByRole('dialog'), 'of that −0.00132 in from the temperature it was read at to 20 °C');
});

it('a gap that grew with no cut logged is asked about: Enter where filing was advised, F where it was not filed', async () => {
  const { user, log, main, press, server } = await renderBuild('rings');
  await log('17');
  await log('22');
  // held down, the key logs once and answers nothing
  fireEvent.keyDown(line(), { key: 'Enter', repeat: true });
  await isAt('Cylinder 1, top ring');
  await shows(main, '17 thou before, 22 thou now, and no cut is logged.');
  await shows(progress, '0/16');
  await user.keyboard('{Enter}');
  await isAt('Cylinder 1, second ring');
  await shows(progress, '1/16');
  await waitFor(() => expect(server.entries.flatMap((e) => (e.kind === 'filed' ? [e.was] : []))).toEqual([true]));
  // not filed: they disagree
  await log('19');
  await log('24');
  await user.keyboard('f');
  await shows(main, 'The readings disagree: 19 thou and 24 thou');
  await press('button', /^Undo/);
  await shows(said, 'whether it was filed is asked again');
  // where it was in its window already only by its own key
  await press('button', /^Filed since/);
  await shows(progress, '2/16');
  await user.keyboard('{ArrowUp}{ArrowRight}');
  await isAt('Cylinder 1, second ring');
  await log('26.5');
  await user.keyboard('{Enter}');
  await shows(progress, '1/16');
  await log('c');
  await shows(progress, '2/16');
  await user.keyboard('{ArrowUp}{ArrowRight}');
  await shows(main, 'cut before it, not logged');
});

it('read, cut, read, done in twelve keys, and the next cut is advised in turns', async () => {
  const { user, log, server } = await renderBuild('rings');
  const filer = await screen.findByRole('combobox', { name: 'Filer' });
  await user.selectOptions(filer, 'Hand ring filer');
  line().focus();
  await user.keyboard('12{Enter}c10{Enter}ds21{Enter}');
  await isAt('Cylinder 1, second ring');
  await shows(progress, '1/16');
  await waitFor(() =>
    expect(server.entries.filter((e) => e.kind === 'cut' || e.kind === 'reading')).toMatchObject([
      { fit: { deburred: false, squared: false } },
      { ring: 'top', cylinder: 'L1', count: 10, filer: 'filer-hand.1' },
      { fit: { ring: 'L1', deburred: true, squared: true } },
    ]),
  );
  await log('13');
  await shows(region('Next cut'), /Next cut: \d+ turns, about .* chance to cut too far/);
});

it('an over-gapped ring and a tight one change places, each explained, and back in one step', async () => {
  const build = [...bore('L1', 4.066), ...bore('R1', 4.065), gap('a', 'L1', 'top', 28), gap('b', 'R1', 'top', 18)];
  const { user, main, press, sent } = await renderBuild('rings?view=swap', ...build);
  const placing = (): HTMLElement => screen.getByRole('status', { name: 'Placing' });
  await waitFor(placing);
  await shows(placing, 'Ring 1 to cylinder 2: 28 thou becomes 25.4 thou, loose');
  await shows(placing, 'Ring 2 to cylinder 1: 18 thou becomes 21.6 thou, in window');
  await press('button', 'Ring of cylinder 1 stays');
  await shows(placing, 'Leave them where they are');
  await press('button', 'Ring of cylinder 1 stays');
  await press('button', 'Place them so');
  await waitFor(async () =>
    expect((await sent('placing')).value.top.pairs).toContainEqual({ cylinder: 'L1', ring: 'R1' }),
  );
  await press('tab', 'Bench');
  await user.click(onDeck('1'));
  await shows(main, 'ring no. 2');
  await shows(main, 'Predicted from cylinder 2.');
  await press('tab', 'Swap');
  await press('button', 'Undo the last placing');
  await shows(placing, 'Ring 1 to cylinder 2');
});

it('the ring set says which way up, the grooves are checked on the line, rails pass a leaf', async () => {
  const { user, log, main, press, sent } = await renderBuild('rings?view=set');
  await user.selectOptions(await screen.findByLabelText('Top ring: faces up with'), 'a word, often “TOP”');
  await user.selectOptions(screen.getByLabelText('Top ring: metal'), 'chromium-silicon steel');
  await fillIn('Top ring: axial height, in', '0.0575');
  await fillIn('Top ring: groove height, in', '0.059');
  await shows(main, 'groove 0.05900 in − ring 0.05750 in = 1.5 thou');
  await press('button', 'Set the ring set');
  await sent('ringSet');
  await press('tab', 'Bench');
  await shows(() => document.body, '“TOP” means this side up; it does not mean the top ring.');
  await press('tab', 'Grooves');
  await press('button', /^Piston 1, second groove, axial clearance/);
  await log('1.5');
  expect(await sent('reading')).toMatchObject({ subject: 'secondSide', value: fromThou(1.5), fit: null });
  await press('tab', 'Bench');
  await press('button', /^upper rail/);
  fill(line(), 'p15');
  await shows(said, 'passes');
  await log('p15');
  await shows(() => screen.getByRole('row', { name: /upper rail/ }), 'in window');
  expect(await sent('reading')).toMatchObject({ subject: 'upperRail', value: fromThou(15), fit: { open: true } });
});

it('all gaps against their windows, and how far they lie apart against a limit', async () => {
  const { main, press } = await renderBuild('rings?view=gaps', gap('a', 'L1', 'top', 21), gap('b', 'R1', 'top', 23.5));
  await press('radio', 'top rings');
  await shows(main, '2.5 thou apart, 21 thou to 23.5 thou; more than the 2 thou');
  await press('tab', 'Set-up');
  await fillIn('Gaps of one kind lie within, thou', '3');
  await press('button', 'Set what is asked');
  await press('tab', 'All gaps');
  await shows(main, 'within the 3 thou');
});

it('large figures stay over a reload; the verdict is spoken only once that is turned on', async () => {
  const spoken: string[] = [];
  class Utterance {
    constructor(readonly text: string) {}
  }
  vi.stubGlobal('speechSynthesis', { cancel: () => undefined, speak: ({ text }: Utterance) => spoken.push(text) });
  vi.stubGlobal('SpeechSynthesisUtterance', Utterance);
  const { log, press, reload } = await renderBuild('rings');
  await log('22');
  await isAt('Cylinder 1, second ring');
  expect(spoken).toEqual([]);
  await press('tab', 'Set-up');
  await press('checkbox', /spoken/);
  await press('tab', 'Bench');
  await press('button', 'Large');
  await log('20');
  await waitFor(() => expect(spoken).toEqual(['Cylinder 1, second ring: 20 thou, short.']));
  await reload();
  await waitFor(() => expect(screen.getByRole('button', { name: 'Large' }).getAttribute('aria-pressed')).toBe('true'));
  expect(screen.queryByRole('region', { name: 'Readings of this ring' })).toBeNull();
});
