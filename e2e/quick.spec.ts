/** Quick gap: figures at the counter, kept in the address, printed, turned into a build. */
import { expect, test } from './server';

test('bore, duty and piston in; every figure out in both systems, with its working, in the address', async ({
  page,
  server,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Quick gap' }).click();
  const slip = page.getByRole('article', { name: 'Figures' });
  await expect(slip).toContainText('Say how the piston is made');
  await page.getByLabel('Finished bore').fill('4065');
  await page.getByLabel('How the piston is made').selectOption('forged4032');
  await page.getByLabel('What the engine is for').selectOption('endurance');
  await page.getByLabel('Cylinder wall').selectOption('iron');
  await expect(slip).toContainText(/21–24 thou.*0.533–0.610 mm/);
  await expect(slip).toContainText('planned bore 4.0650 in × 0.00502 = 0.02041 in, up to the next step → 21 thou');
  await expect(slip).toContainText(/23–26 thou.*0.584–0.660 mm/);
  await expect(slip).toContainText('≥ 15 thou');
  await expect(slip).toContainText('3.7–4.7 thou');
  await expect(page).toHaveURL(/bore=4.065in&use=endurance&piston=forged4032&wall=iron/);

  await page.reload();
  await expect(slip).toContainText('21–24 thou');
  await expect(page.getByLabel('Finished bore')).toHaveValue('4.0650');
  await page.getByRole('radio', { name: 'millimetres' }).click();
  await expect(slip).toContainText('0.52–0.60 mm');
  await page.getByLabel('Power adders', { exact: true }).fill('1.4 bar');
  await expect(page).toHaveURL(/add=140\+kPa\+turbo/);
  await expect(slip).toContainText('boost ×2.00');
  await expect(slip).toContainText('0.73–0.81 mm');
  await page.getByLabel('Finished bore').fill('4.065');
  await expect(page.getByText('4.065 mm is 0.1600 in')).toBeVisible();
  // the figures would be of the bore before: nothing to read, to print or to pass on
  await expect(slip).toBeHidden();
  await expect(page.getByText('No figures are shown until it is.')).toBeVisible();
  for (const name of ['Print', 'Copy the link', 'Begin a build with this'])
    await expect(page.getByRole('button', { name })).toBeDisabled();
  await page.getByLabel('Finished bore').fill('103.25');
  await expect(slip).toContainText('0.73–0.81 mm');
  await page.getByLabel('Power adders', { exact: true }).fill('150 shot on 4 cylinders');
  await expect(page.getByText('nitrous, 150 hp in 4 cylinders')).toBeVisible();
  await page.getByLabel('Power adders', { exact: true }).fill('500 hp');
  await expect(page.getByText('500 hp of nitrous, or the engine’s own power?')).toBeVisible();
  await expect(slip).toBeHidden();
  await page.getByRole('button', { name: /enter it under base power/ }).click();
  await expect(slip).toBeVisible();
});

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
  await expect(page.getByLabel('Name of the build')).toHaveValue('From Quick gap, 4.0000 in · 101.600 mm');
  await page.getByRole('link', { name: /^Targets/ }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('28–31');
});

test('an address that holds nonsense, or a chart that is not here, is still answered', async ({ page, server }) => {
  await page.goto(`${server.url}/gap?bore=elephant&adder=rocket&boost=-1&cyl=900&chart=gone%407&use=%00`);
  await expect(page.getByText('The chart this link names is not here.')).toBeVisible();
  await expect(page.getByRole('article', { name: 'Figures' })).toContainText('No bore yet');
  await page.getByLabel('Finished bore').fill('103.25mm');
  await page.getByLabel('Finished bore').fill('99999');
  await expect(page.getByText(/no bore is that size|is that right|did you mean/)).toBeVisible();
});

test('stroke and highest speed raise the heat load, a slower one lowers nothing, and both stay in the address', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/gap?units=imperial&bore=4in&use=endurance&piston=forged4032&wall=iron`);
  const slip = page.getByRole('article', { name: 'Figures' });
  await expect(slip).toContainText('heat load 1.15');
  await page.getByText('Stroke and speed:').click();
  await page.getByLabel('Stroke', { exact: true }).fill('3.48');
  await page.getByLabel('Highest speed').fill('fast');
  await expect(page.getByText('“fast” is not an engine speed. Accepted: 6500, 6500 rpm.')).toBeVisible();
  await expect(slip).toBeHidden();
  await page.getByLabel('Highest speed').fill('8500');
  await expect(page.getByText('25.0 m/s mean piston speed')).toBeVisible();
  // time at full load 1.05 without its usual speed, and (25 ÷ 16)^0.8
  await expect(slip).toContainText('heat load 1.50');
  await expect(page).toHaveURL(/stroke=3.48in&rpm=8500/);
  await page.reload();
  await expect(slip).toContainText('heat load 1.50');
  await page.getByText('Stroke and speed:').click();
  await page.getByLabel('Highest speed').fill('2000');
  await expect(slip).toContainText('heat load 1.15');
});
