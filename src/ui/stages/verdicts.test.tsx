import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { fromInches } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { judge } from '@/core/judge/judge';
import { boreReading, gap, jobEntry, reading } from '@/fixtures/records';
import { fill, onDeck, renderBuild, shows } from '../testing/renderBuild';

const bore = (cylinder: string, ...inches: [number, number, number]): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth, i) =>
    [90, 0].map((angle) =>
      boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches[i] ?? 0)),
    ),
  );

it('what was called stands large and what counts beside it; the chance is said with what to do', async () => {
  const { user, main, log } = await renderBuild('rings', ...bore('L1', 4.0654, 4.0652, 4.065));
  await user.selectOptions(await screen.findByLabelText('Squared at'), 'top of ring travel');
  await log('20');
  await user.click(onDeck('1'));
  await shows(main, '19.2 thou at the bottom of ring travel');
  await shows(main, /The chance that it is under its minimum by more than 0.5 thou is about .* in /);
  await screen.findByRole('img', { name: /20 read at top of ring travel; 19.2 thou at the bottom/ });
});

it('the ring bench begins at its first open ring, wherever a bore is open, also where all of it is loaded already', async () => {
  for (const opened of ['first', 'again']) {
    const { main } = await renderBuild('rings', ...bore('L1', 4.065, 4.065, 4.065));
    await screen.findByRole('region', { name: 'Reading line' });
    await waitFor(() =>
      expect([opened, main().querySelector('h1')?.textContent]).toEqual([opened, 'Cylinder 1, top ring']),
    );
    cleanup();
  }
});

it('readings that cannot all be true are named, and one more that agrees with the later settles it', async () => {
  const { user, main, log } = await renderBuild('rings', ...bore('L1', 4.065, 4.065, 4.065));
  await user.selectOptions(await screen.findByLabelText('Squared at'), 'bottom of ring travel');
  await log('17');
  await user.selectOptions(screen.getByLabelText('Squared at'), 'top of ring travel');
  await log('23');
  await user.keyboard('f');
  await shows(
    main,
    /The readings disagree by 5 thou: 17 thou and 23 thou .* of taper that is not measured would explain it/,
  );
  await log('23');
  await shows(() => screen.getByRole('link', { name: /^Rings/ }), '1/16');
});

it.each([
  ['rings', 'short', gap('a', 'L1', 'top', 15)],
  ['pistons', 'tight', reading('p', 'L1', 'piston', fromInches(4.0625))],
  ['bores', 'hone', null],
] as const)(
  'a verdict of %s that is %s is accepted with a reason, stays visible, and is taken back',
  async (stage, state, entry) => {
    const entries = [...bore('L1', 4.0658, 4.065, 4.065), ...(entry ? [entry] : [])];
    const { user, main, goTo } = await renderBuild(stage, ...entries);
    await user.click(onDeck('1'));
    await shows(main, state);
    await user.click(await within(main()).findByRole('button', { name: 'Accept with a reason' }));
    fill(await screen.findByLabelText('Why it may stay'), 'owner agrees');
    expect(screen.getByRole('button', { name: 'Accept' })).toHaveProperty('disabled', true);
    fill(screen.getByLabelText('Your initials'), 'KM');
    await user.click(screen.getByRole('button', { name: 'Accept' }));
    await shows(main, 'ccepted by KM: owner agrees');
    await shows(main, state);
    await goTo('Sheet');
    await shows(main, 'accepted by KM: owner agrees');
    await goTo(`${stage.charAt(0).toUpperCase()}${stage.slice(1)}`);
    await user.click(await within(main()).findByRole('button', { name: 'Take the acceptance back' }));
    await within(main()).findByRole('button', { name: 'Accept with a reason' });
  },
);

/** Beyond a leaf that passed none was tried: there is no upper end. */
const openEnded = {
  ...gap('c', 'L2', 'top', 23),
  fit: { ring: 'L2', depth: null, squaring: null, deburred: false, squared: false, open: true },
} as Entry;

it('deck, bench, list and placing show one verdict and one figure', async () => {
  const entries = [
    ...bore('L1', 4.0662, 4.0655, 4.065),
    ...bore('R1', 4.065, 4.065, 4.065),
    ...bore('L2', 4.0651, 4.0651, 4.0651),
    {
      ...gap('a', 'L1', 'top', 23),
      fit: { ring: 'L1', depth: 'top', squaring: null, deburred: false, squared: false, open: false },
    } as Entry,
    gap('b', 'R1', 'top', 18),
    openEnded,
  ];
  const { user, main, press } = await renderBuild('rings', ...entries);
  const read = judge({ id: 'a', entries: [jobEntry(), ...entries] }).cylinders.slice(0, 3);
  for (const { label, rings } of read) {
    const { state, counts } = rings.top;
    const thou = ((counts?.value ?? 0) / 25_400).toFixed(1).replace(/\.0$/, '');
    await user.click(onDeck(label));
    await shows(main, state);
    await shows(main, `${thou} thou`);
    await press('tab', 'All gaps');
    const row = (): HTMLElement => screen.getByRole('row', { name: new RegExp(`^${label} `) });
    await waitFor(row);
    await shows(row, state);
    await shows(row, `${thou} thou`);
    await press('tab', 'Swap');
    await waitFor(() => screen.getByRole('region', { name: 'Placing by cylinder' }));
    await shows(row, state);
    await shows(row, Number(thou).toFixed(1));
    await press('tab', 'Bench');
  }
});

it('a leaf beyond which none was tried has no upper end where rings are placed either', async () => {
  const { press } = await renderBuild(
    'rings?view=swap',
    ...bore('L1', 4.066, 4.066, 4.066),
    ...bore('R1', 4.065, 4.065, 4.065),
    ...bore('L2', 4.065, 4.065, 4.065),
    ...[gap('a', 'L1', 'top', 23), gap('b', 'R1', 'top', 18), openEnded],
  );
  await press('radio', 'top rings');
  const placing = (): HTMLElement => screen.getByRole('status', { name: 'Placing' });
  await waitFor(placing);
  await shows(placing, 'To file: 3 thou now');
  expect(
    within(placing())
      .getAllByRole('listitem')
      .map((item) => item.textContent.slice(0, 20)),
  ).toEqual(['Ring 2 to cylinder 1', 'Ring 1 to cylinder 2']);
});

it('the job card says what it covers; what a cylinder lacks leads to where it is cured', async () => {
  const { user, goTo } = await renderBuild('job');
  for (const name of ['Bores', 'Pistons']) await user.click(await screen.findByRole('checkbox', { name }));
  await user.click(screen.getByRole('button', { name: 'Save job card' }));
  await screen.findByText('Saved.');
  expect(screen.getByRole('link', { name: /^Bores/ }).textContent).not.toContain('/');
  await goTo('Assembly');
  const lacks = await screen.findByRole('region', { name: /^What cylinder 1 still needs/ });
  expect(lacks.textContent).not.toContain('bore');
  await user.click(within(lacks).getByRole('link', { name: /second ring: to do/ }));
  await screen.findByRole('heading', { name: 'Cylinder 1, second ring' });
});

it('front mark and rod are looked at when the piston is hung, and stand at the block as looked at', async () => {
  const { user, goTo } = await renderBuild('pistons');
  await user.click(await screen.findByRole('tab', { name: 'Rod and pin' }));
  const hung = await screen.findByRole('list', { name: 'Hung on its rod' });
  expect(within(hung).getAllByRole('listitem')).toHaveLength(2);
  const rod = (): HTMLElement => document.querySelector<HTMLElement>('[data-check="rod"]') ?? document.body;
  await user.click(within(rod()).getByRole('button', { name: 'Right' }));
  await shows(rod, 'no initials');
  await goTo('Assembly');
  await user.click(await screen.findByRole('tab', { name: 'All steps' }));
  await shows(rod, '● Right');
});

it('how it is decided is set by the shop: strict, the product itself is the limit', async () => {
  const { user, main, goTo } = await renderBuild('targets', jobEntry(), gap('a', 'L1', 'top', 20));
  await user.click(await screen.findByRole('tab', { name: 'Rules' }));
  await user.selectOptions(await screen.findByLabelText('Tolerance of a gap'), 'none: strict');
  await waitFor(() => expect(onDeck('1').getAttribute('aria-label')).toMatch(/^Cylinder 1, not proven/));
  await goTo('Rings');
  await user.click(onDeck('1'));
  await shows(main, 'The chance that it is under its minimum is about one in three');
});
