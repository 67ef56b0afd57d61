/**
 * One thing, one verdict, in the browser: what counts beside what was called, readings that disagree, accepting,
 * ready, papers, strictness.
 */
import type { Page } from '@playwright/test';
import { fromInches } from '../src/core/foundation/quantity/length';
import type { Entry } from '../src/core/judge/buildRecord';
import { boreReading, gap, jobEntry, reading } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

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
const bore = (cylinder: string, ...inches: [number, number, number]): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth, i) =>
    [90, 0].map((angle) =>
      boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches[i] ?? 0)),
    ),
  );

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
