/** One thing, one verdict, in the browser: what counts beside what was called, readings that disagree, accepting, ready, papers, strictness. */
import type { Page } from '@playwright/test';
import { fromInches } from '../src/core/foundation/quantity/length';
import type { Entry } from '../src/core/judge/buildRecord';
import { boreReading, gap, jobEntry, reading } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const main = (page: Page) => page.getByRole('main');

let builds = 0;
async function open(page: Page, server: Server, stage: string, ...entries: Entry[]): Promise<string> {
  const id = `verdicts-${(builds += 1)}-${test.info().workerIndex}`;
  const own = entries.some((e) => e.kind === 'job');
  await server.put({ id, entries: [...(own ? [] : [jobEntry({ name: `Verdicts ${builds}` })]), ...entries] });
  await page.goto(`${server.url}/builds/${id}/${stage}`);
  await expect(main(page)).toBeVisible();
  return id;
}
const log = async (page: Page, typed: string): Promise<void> => {
  await line(page).fill(typed);
  await page.keyboard.press('Enter');
};
const bore = (cylinder: string, ...inches: [number, number, number]): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth, i) =>
    [90, 0].map((angle) =>
      boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches[i] ?? 0)),
    ),
  );

test('what was called stands large and what counts beside it; the chance is said with what to do', async ({
  page,
  server,
}) => {
  await open(page, server, 'rings', ...bore('L1', 4.0654, 4.0652, 4.065));
  await expect(line(page)).toBeFocused();
  await page.getByLabel('Squared at').selectOption({ label: 'top of ring travel' });
  await log(page, '20');
  await page.getByRole('navigation', { name: 'Cylinders' }).getByRole('button', { name: 'Cylinder 1,' }).click();
  await expect(main(page)).toContainText('19.2 thou at the bottom of ring travel');
  await expect(main(page)).toContainText(
    /The chance that it is under its minimum by more than 0.5 thou is about .* in /,
  );
  await expect(page.getByRole('img', { name: /20 read at top of ring travel; 19.2 thou at the bottom/ })).toBeVisible();
});

test('readings that cannot all be true are named, and one more that agrees with the later settles it', async ({
  page,
  server,
}) => {
  await open(page, server, 'rings', ...bore('L1', 4.065, 4.065, 4.065));
  await expect(line(page)).toBeFocused();
  await page.getByLabel('Squared at').selectOption({ label: 'bottom of ring travel' });
  await log(page, '17');
  await page.getByLabel('Squared at').selectOption({ label: 'top of ring travel' });
  await log(page, '23');
  await page.keyboard.press('f');
  await expect(main(page)).toContainText(
    /The readings disagree by 5 thou: 17 thou and 23 thou .* of taper that is not measured would explain it/,
  );
  await log(page, '23');
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('1/16');
});

test('a short gap, a tight clearance and a bore to be honed are accepted with a reason, stay visible, and are taken back', async ({
  page,
  server,
}) => {
  const id = await open(
    page,
    server,
    'rings',
    gap('a', 'L1', 'top', 15),
    ...bore('L1', 4.0658, 4.065, 4.065),
    reading('p', 'L1', 'piston', fromInches(4.0625)),
  );
  const accept = async (): Promise<void> => {
    await main(page).getByRole('button', { name: 'Accept with a reason' }).click();
    await page.getByLabel('Why it may stay').fill('owner agrees');
    // asked for once
    const initials = page.getByLabel('Your initials');
    if (await initials.isVisible()) {
      await expect(page.getByRole('button', { name: 'Accept', exact: true })).toBeDisabled();
      await initials.fill('KM');
    }
    await page.getByRole('button', { name: 'Accept', exact: true }).click();
    await expect(main(page)).toContainText('ccepted by KM: owner agrees');
  };
  for (const [stage, state] of [
    ['rings', 'short'],
    ['pistons', 'tight'],
    ['bores', 'hone'],
  ] as const) {
    await page.goto(`${server.url}/builds/${id}/${stage}`);
    await page.getByRole('navigation', { name: 'Cylinders' }).getByRole('button', { name: 'Cylinder 1,' }).click();
    await expect(main(page)).toContainText(state);
    await accept();
    await expect(main(page)).toContainText(state);
  }
  await page.goto(`${server.url}/builds/${id}/sheet`);
  await expect(page.getByRole('article', { name: 'Build sheet' })).toContainText('accepted by KM: owner agrees');
  await page.goto(`${server.url}/builds/${id}/bores`);
  await page.getByRole('navigation', { name: 'Cylinders' }).getByRole('button', { name: 'Cylinder 1,' }).click();
  await main(page).getByRole('button', { name: 'Take the acceptance back' }).click();
  await expect(main(page).getByRole('button', { name: 'Accept with a reason' })).toBeVisible();
});

test('the job card says what it covers; what a cylinder lacks leads to where it is cured', async ({ page, server }) => {
  await open(page, server, 'job');
  for (const stage of ['Bores', 'Pistons']) await page.getByRole('checkbox', { name: stage }).uncheck();
  await page.getByRole('button', { name: 'Save job card' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Bores/ })).not.toContainText('/');
  await page.getByRole('link', { name: /^Assembly/ }).click();
  const lacks = page.getByRole('region', { name: /^What cylinder 1 lacks/ });
  await expect(lacks).not.toContainText('bore');
  await lacks.getByRole('link', { name: /second ring: to do/ }).click();
  await expect(page.getByRole('heading', { name: 'Cylinder 1, second ring' })).toBeVisible();
});

test('front mark and rod are looked at when the piston is hung, and stand at the block as looked at', async ({
  page,
  server,
}) => {
  await open(page, server, 'pistons');
  await page.getByRole('tab', { name: 'On its rod' }).click();
  const hung = page.getByRole('list', { name: 'Hung on its rod' });
  await expect(hung.getByRole('listitem')).toHaveCount(2);
  await page.locator('[data-check="rod"]').getByRole('button', { name: 'Right' }).click();
  await expect(hung).toContainText('no initials');
  await page.getByRole('link', { name: /^Assembly/ }).click();
  await page.getByRole('tab', { name: 'All steps' }).click();
  await expect(page.locator('[data-check="rod"]')).toContainText('● Right');
});

test('papers give one figure ±, factors from – to, and a range that is hard at the top with an aim inside', async ({
  page,
  server,
}) => {
  await open(page, server, 'targets');
  const enter = async (form: string, fields: Record<string, string>, ...ticks: RegExp[]): Promise<void> => {
    await page.getByRole('button', { name: /(Enter|Change) packed sheet/ }).click();
    await page.getByRole('radio', { name: form, exact: true }).click();
    for (const tick of ticks) await page.getByRole('checkbox', { name: tick }).check();
    for (const [label, text] of Object.entries(fields))
      await page.getByRole('dialog').getByLabel(label, { exact: true }).fill(text);
    await page.getByRole('button', { name: 'Enter it' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  const top = page.getByRole('group', { name: 'Figures' }).getByRole('button', { name: /Top ring gap/ });
  await enter('one figure ±', { Figure: '24', '±': '.5' });
  await expect(top).toContainText('23.5–24.5');
  await expect(page.getByRole('complementary')).toContainText('24 thou ± 0.5 thou, as given: 23.5 thou to 24.5 thou');
  await enter('factors × bore', { 'From factor': '0.004', 'To factor': '0.008' });
  await expect(top).toContainText(/17–32.5/);
  await enter(
    'from – to',
    { From: '20', To: '26', 'Aim from': '22', 'Aim to': '24' },
    /Hard at the top/,
    /Aim inside it/,
  );
  await expect(top).toContainText('22–24');
  await expect(top).toContainText('limits 20–26, hard');
});

test('how it is decided is set by the shop: strict, the product itself is the limit', async ({ page, server }) => {
  const id = await open(page, server, 'targets', gap('a', 'L1', 'top', 20));
  await page.getByRole('tab', { name: 'Windows, schools' }).click();
  const deciding = page.getByRole('region', { name: 'How it is decided' });
  await deciding.getByLabel('Grace of a gap').selectOption({ label: 'none: strict' });
  await expect(
    page.getByRole('navigation', { name: 'Cylinders' }).getByRole('button', { name: /^Cylinder 1, not proven/ }),
  ).toBeVisible();
  await page.goto(`${server.url}/builds/${id}/rings`);
  await expect(main(page)).toContainText('The chance that it is under its minimum is about one in three');
});

test('deck, bench, list, swap, sheet, table and file show one verdict and one figure', async ({ page, server }) => {
  const entries = [
    ...bore('L1', 4.0662, 4.0655, 4.065),
    ...bore('R1', 4.065, 4.065, 4.065),
    ...bore('L2', 4.0651, 4.0651, 4.0651),
    {
      ...gap('a', 'L1', 'top', 23),
      fit: { ring: 'L1', depth: 'top', squaring: null, deburred: false, squared: false, open: false },
    },
    gap('b', 'R1', 'top', 18),
    // a leaf beyond which none was tried has no upper end
    {
      ...gap('c', 'L2', 'top', 23),
      fit: { ring: 'L2', depth: null, squaring: null, deburred: false, squared: false, open: true },
    },
  ] as Entry[];
  const id = await open(page, server, 'rings', ...entries);
  const file = (await (await fetch(`${server.url}/api/builds/${id}`)).json()) as {
    judged: {
      cylinders: { id: string; label: string; rings: { top: { state: string; counts: { value: number } | null } } }[];
    };
  };
  const csv = await (await fetch(`${server.url}/api/builds/${id}/csv`)).text();
  for (const cylinder of ['L1', 'R1', 'L2']) {
    const found = file.judged.cylinders.find((c) => c.id === cylinder);
    const { state, counts } = found?.rings.top ?? { state: '', counts: null };
    const thou = ((counts?.value ?? 0) / 25_400).toFixed(1).replace(/\.0$/, '');
    const label = found?.label ?? '';
    await page.goto(`${server.url}/builds/${id}/rings`);
    const deck = page
      .getByRole('navigation', { name: 'Cylinders' })
      .getByRole('button', { name: new RegExp(`^Cylinder ${label},`) });
    await deck.click();
    await expect(main(page)).toContainText(state);
    await expect(main(page)).toContainText(`${thou} thou`);
    await page.getByRole('tab', { name: 'All gaps' }).click();
    await expect(page.getByRole('row', { name: new RegExp(`^${label} `) })).toContainText(state);
    await expect(page.getByRole('row', { name: new RegExp(`^${label} `) })).toContainText(`${thou} thou`);
    await page.getByRole('tab', { name: 'Swap' }).click();
    const row = page
      .getByRole('region', { name: 'Placing by cylinder' })
      .getByRole('row', { name: new RegExp(`^${label} `) });
    await expect(row).toContainText(state);
    await expect(row).toContainText(Number(thou).toFixed(1));

    const result = csv.split(/\r?\n/).find((l) => l.startsWith(`${label},${cylinder},top,`) && l.includes(',result,'));
    expect(result).toContain(state);
    expect(result).toContain(((counts?.value ?? 0) / 1e6).toFixed(6));
  }
});

test('a leaf beyond which none was tried has no upper end where rings are placed either', async ({ page, server }) => {
  const entries = [
    ...bore('L1', 4.066, 4.066, 4.066),
    ...bore('R1', 4.065, 4.065, 4.065),
    ...bore('L2', 4.065, 4.065, 4.065),
    gap('a', 'L1', 'top', 23),
    gap('b', 'R1', 'top', 18),
    {
      ...gap('c', 'L2', 'top', 23),
      fit: { ring: 'L2', depth: null, squaring: null, deburred: false, squared: false, open: true },
    },
  ] as Entry[];
  await open(page, server, 'rings', ...entries);
  await page.getByRole('tab', { name: 'Swap' }).click();
  await page.getByRole('radio', { name: 'top rings' }).click();
  const placing = page.getByRole('status', { name: 'Placing' });
  await expect(placing.getByRole('listitem')).toHaveText([/^Ring 2 to cylinder 1/, /^Ring 1 to cylinder 2/]);
  await expect(placing).toContainText('To file: 3 thou now');
});
