/** Quick gap: figures at the counter, kept in the address, printed, turned into a build. */
import { expect, test } from './server';

test('a link opens as it was sent, prints black on white, and becomes a build in one step', async ({
  page,
  server,
}) => {
  await page.goto(
    `${server.url}/gap?units=imperial&bore=4in&use=race&piston=hypereutectic&wall=iron&chart=starting%401`,
    { waitUntil: 'networkidle' },
  );
  await expect(page.getByText('This link is of starting chart, in steps')).toBeVisible();
  const slip = page.getByRole('article', { name: 'Figures' });
  await expect(slip).toContainText('28–31 thou');
  await expect(page.getByRole('region', { name: 'High top ring' })).toContainText(/28–31 thou.*16 thou/s);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('form', { name: 'Quick gap' })).toBeHidden();
  expect((await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type ?\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: 'Begin a build with this' }).click();
  await expect(page).toHaveURL(/\/builds\/[0-9a-f-]{36}\/job$/);
  await expect(page.getByLabel('Build name')).toHaveValue('From Quick gap, 4.0000 in · 101.600 mm');
  await page.getByRole('link', { name: /^Targets/ }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('28–31');
});
