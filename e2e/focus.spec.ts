/** The focus: where keys lead it, and that the page stays where it is. */
import { expect, test } from './server';

test.beforeEach(async ({ server }) => {
  await server.putDemo();
});

test('the first stop skips to the work; keys lead from stage to stage; a sheet tells of all keys and words', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await expect(line).toBeFocused();
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/clocking/);
  await page.keyboard.press('[');
  await expect(line).toBeFocused();
  await page.keyboard.press('Alt+Shift+Digit3');
  await expect(page).toHaveURL(/\/bores/);
  await expect(line).toBeFocused();
  // on the line a figure is typed, not a key pressed
  await page.keyboard.type('4.0]');
  await expect(page).toHaveURL(/\/bores/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys and words' });
  await expect(sheet).toContainText('cylinder before, cylinder after');
  await sheet.getByRole('tab', { name: 'Words' }).click();
  await expect(sheet).toContainText('thrust face');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await page.goto(server.url);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});

test('at a desk the page itself never scrolls: the line stays at its foot, whatever is asked or put by', async ({
  page,
  server,
}) => {
  for (const stage of ['bores', 'pistons', 'rings']) {
    await page.goto(`${server.url}/builds/demo-corrie-v10/${stage}`);
    await expect(page.getByRole('complementary')).not.toBeEmpty();
    await expect(page.getByRole('region', { name: 'Reading line' }).getByRole('textbox')).toBeFocused();
    await page.keyboard.type('777\n7x7\n12');
    await expect(page.getByRole('region', { name: 'Not logged yet' })).toBeVisible();
    const over = () =>
      page.evaluate(() => [document.documentElement.scrollHeight - window.innerHeight, window.scrollY]);
    await expect.poll(over, { message: stage }).toEqual([0, 0]);
  }
});

test('a word of the trade says what it means where it stands; a crown that is only looked at names its joints', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/bores`);
  await page.getByRole('button', { name: /^taper ?: what it means/ }).click();
  const meaning = page.getByRole('dialog', { name: 'What taper means' });
  await expect(meaning).toContainText('How much a bore changes from the top to the bottom,');
  await page.keyboard.press('Escape');
  await expect(meaning).toBeHidden();
  await expect(page.getByRole('button', { name: /^taper ?: what it means/ })).toBeFocused();
  await page.goto(`${server.url}/builds/demo-tarn-five/clocking?view=card`);
  await expect(
    page.getByRole('img', { name: /top ring gap \d+°, second ring gap \d+°, upper rail gap/ }).first(),
  ).toBeVisible();
});
