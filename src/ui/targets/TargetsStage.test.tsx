import { screen, waitFor, within } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { fromInches } from '@/core/foundation/quantity/length';
import { NO_SERVICE } from '@/core/models/load/service';
import { boosted } from '@/fixtures/adders';
import { job, jobEntry } from '@/fixtures/records';
import { STARTING_CHART } from '@/core/models/charts/chart';
import type { FittedGaps } from '@/store/gapHistory';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { fill, gone, onDeck, region, renderBuild, row, shows } from '../testing/renderBuild';

/** The build goes by the starting curve. */
const onCurve: Entry = {
  ...{ id: 'chart', at: '2026-05-04T09:00:00.000Z', by: '', kind: 'chart', replaces: null },
  value: STARTING_CURVE,
};

const figure = (name: RegExp) => (): HTMLElement =>
  within(screen.getByRole('group', { name: 'Figures' })).getByRole('button', { name });
const top = figure(/Top ring gap/);
const rung = (name: string) => (): HTMLElement => {
  const found = document.querySelector<HTMLElement>(`[data-rung="${name}"]`);
  if (!found) throw new Error(`no rung ${name}`);
  return found;
};
const findings = (): HTMLElement => screen.getByRole('list', { name: 'Findings' });
const dialog = () => within(screen.getByRole('dialog'));
const enterIt = async (user: UserEvent): Promise<void> => {
  await user.click(screen.getByRole('button', { name: 'Enter it' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
};
/** Enters a figure of a paper. */
async function enter(
  user: UserEvent,
  paper: string,
  form: string,
  fields: Record<string, string>,
  ...ticks: RegExp[]
): Promise<void> {
  await user.click(screen.getByRole('button', { name: new RegExp(`(Enter|Change) ${paper}`) }));
  await user.click(await screen.findByRole('radio', { name: form }));
  for (const tick of ticks) await user.click(screen.getByRole('checkbox', { name: tick }));
  for (const [label, text] of Object.entries(fields)) fill(dialog().getByLabelText(label), text);
  await enterIt(user);
}

it('the order of trust, rung by rung: own, manual, sheet; and own put over them all, until it is accepted and taken out', async () => {
  const { user } = await renderBuild('targets');
  await shows(top, '21–24');
  await enter(user, 'own figure', 'at least', { 'At least': '19', Reason: 'ran it last year' });
  await shows(rung('chart'), 'used');
  await shows(rung('own'), 'ran it last year');
  await shows(findings, "Your top ring minimum of 19 thou is not used; it is under the chart's 20.3 thou");
  await enter(user, 'service manual', 'from – to', { From: '0.6mm', To: '0.75mm' });
  await shows(rung('manual'), 'used');
  await shows(top, '23.6–29.5');
  await enter(user, 'packed sheet', 'factor × bore', { Factor: '0.0065' });
  await shows(rung('sheet'), 'used');
  await shows(top, '27–30');
  expect(document.querySelectorAll('[data-in-force="true"]')).toHaveLength(1);

  await enter(user, 'own figure', 'at least', { 'At least': '25' }, /Put it over/);
  await shows(rung('own'), 'used');
  await shows(rung('own'), 'Put over the others: ran it last year');
  await shows(top, '25–28');
  await shows(
    findings,
    "Your top ring minimum of 25 thou is under the sheet's 26.4 thou. Too tight can cost the engine",
  );
  await shows(findings, 'Stop.');
  await user.click(within(rung('own')()).getByRole('button', { name: 'Accept with a reason' }));
  fill(await screen.findByLabelText('Why it may stay'), 'the tune is known');
  fill(screen.getByLabelText('Your initials'), 'KM');
  await user.click(screen.getByRole('button', { name: 'Accept' }));
  await shows(rung('own'), 'the tune is known');
  await waitFor(() => expect(findings().textContent).not.toContain('Stop.'));

  await user.click(screen.getByRole('button', { name: 'Change own figure' }));
  await user.click(await screen.findByRole('button', { name: 'Take it out' }));
  await shows(rung('sheet'), 'used');
});

it('an own figure is in force where the chart offers none for the piston', async () => {
  const cast = jobEntry({ construction: 'cast', service: { ...NO_SERVICE, use: 'street', now: boosted(140_000) } });
  const { user } = await renderBuild('targets', cast);
  await shows(top, 'The chart offers no top ring gap');
  await enter(user, 'own figure', 'at least', { 'At least': '25', Reason: 'ran it last year' });
  await shows(top, '25–28');
  await shows(rung('own'), 'used');
});

it('an own figure asks for its reason; clearance and rails have the same rungs', async () => {
  const { user } = await renderBuild('targets');
  await user.click(await screen.findByRole('button', { name: 'Enter own figure' }));
  fill(await screen.findByLabelText('At least'), '25');
  await user.click(screen.getByRole('button', { name: 'Enter it' }));
  await shows(() => screen.getByRole('alert'), 'Enter the reason for your own figure.');
  await user.click(screen.getByRole('button', { name: 'Cancel' }));

  await user.click(figure(/Piston to wall/)());
  await shows(rung('chart'), '3.7–4.7 thou');
  await enter(user, 'packed sheet', 'factor × bore', { Factor: '0.0012' });
  await shows(figure(/Piston to wall/), '4.9–5.9');
  await user.click(figure(/Oil rail gaps/)());
  await shows(rung('chart'), 'Common practice');
  await enter(user, 'service manual', 'from – to', { From: '0.3mm', To: '0.9mm' });
  await shows(figure(/Oil rail gaps/), '11.8–35.4');
});

it('slips in a figure are asked about: a factor for a gap, ten times, millimetres for thou, second under top', async () => {
  const { user } = await renderBuild('targets');
  await user.click(await screen.findByRole('button', { name: 'Enter packed sheet' }));
  await user.click(await screen.findByRole('radio', { name: 'at least' }));
  fill(dialog().getByLabelText('At least'), '.0055');
  await shows(() => screen.getByRole('dialog'), '0.0055 looks like a factor, not a gap');
  await user.click(screen.getByRole('button', { name: 'Enter it' }));
  await shows(() => screen.getByRole('alert'), 'not settled yet');
  await user.click(dialog().getByRole('button', { name: '0.0055 × bore' }));
  expect(dialog().getByLabelText('Factor')).toHaveProperty('value', '0.0055');
  await enterIt(user);
  await shows(top, '23–26');

  await user.click(screen.getByRole('button', { name: 'Change packed sheet' }));
  await user.click(await screen.findByRole('radio', { name: 'at least' }));
  fill(dialog().getByLabelText('At least'), '220');
  await shows(() => screen.getByRole('dialog'), 'did you mean 22 thou?');
  fill(dialog().getByLabelText('At least'), '0.56');
  await shows(() => screen.getByRole('dialog'), 'did you mean 0.56 mm?');
  await user.click(dialog().getByRole('button', { name: /0.560 mm/ }));
  await enterIt(user);
  await shows(top, '22–25');

  await user.click(figure(/Second ring gap/)());
  await user.click(screen.getByRole('button', { name: 'Enter packed sheet' }));
  await user.click(await screen.findByRole('radio', { name: 'at least' }));
  fill(dialog().getByLabelText('At least'), '18');
  await shows(() => screen.getByRole('dialog'), 'That is under the top ring’s, 22 thou: gas could be trapped');
  await enterIt(user);
  // one sheet gives both: it was asked once, and nothing more is said against it
  await shows(figure(/Second ring gap/), '18–21');
  expect(findings().textContent).not.toContain('top ring');
});

it('papers give one figure ±, factors from – to, and a range that is hard at the top with an aim inside', async () => {
  const { user } = await renderBuild('targets');
  await screen.findByRole('group', { name: 'Figures' });
  await enter(user, 'packed sheet', 'one figure ±', { Figure: '24', '±': '.5' });
  await shows(top, '23.5–24.5');
  await shows(() => screen.getByRole('complementary'), '24 thou ± 0.5 thou, as given: 23.5 thou to 24.5 thou');
  await enter(user, 'packed sheet', 'factors × bore', { 'From factor': '0.004', 'To factor': '0.008' });
  await shows(top, '17–32.5');
  const range = { From: '20', To: '26', 'Aim from': '22', 'Aim to': '24' };
  await enter(user, 'packed sheet', 'from – to', range, /Hard at the top/, /Aim inside it/);
  await shows(top, '22–24');
  await shows(top, 'limits 20–26, hard');
});

it('a second ring is worked from the top where that is chosen, by a difference or a ratio', async () => {
  const street = jobEntry({ plannedBore: fromInches(4), service: { ...NO_SERVICE, use: 'street' } });
  const { user, sent } = await renderBuild('targets', street);
  await user.click(await screen.findByRole('tab', { name: 'Rules' }));
  await user.selectOptions(await screen.findByLabelText('How much larger'), 'so much over the top');
  fill(screen.getByLabelText('Over the top ring'), '3 thou');
  await user.click(screen.getByRole('button', { name: 'Set how much larger' }));
  await user.click(screen.getByRole('tab', { name: 'Targets' }));
  await shows(figure(/Second ring gap/), '21–24');
  await user.click(screen.getByRole('tab', { name: 'Rules' }));
  await user.selectOptions(await screen.findByLabelText('How much larger'), 'so many times the top');
  fill(screen.getByLabelText('Times the top ring'), '3');
  expect(screen.getByText('Enter a number from 1 to 2.')).toBeDefined();
  expect(screen.getByRole('button', { name: 'Set how much larger' })).toHaveProperty('disabled', true);
  fill(screen.getByLabelText('Times the top ring'), '1.2');
  await user.click(screen.getByRole('button', { name: 'Set how much larger' }));
  await waitFor(async () =>
    expect(await sent('targets')).toMatchObject({ value: { secondBy: { by: 'ratio', ratio: 1.2 } } }),
  );
});

const goToTab = async (user: UserEvent, name: string): Promise<void> =>
  user.click(await screen.findByRole('tab', { name }));
const saveCard = async (user: UserEvent): Promise<void> => {
  await user.click(screen.getByRole('button', { name: 'Save job card' }));
};
/** A field of the job card. */
const field = async (label: string): Promise<HTMLElement> => screen.findByLabelText(label);

it('the duty follows from the power adder: near a line both rows are shown, what is planned counts, and another row can be chosen', async () => {
  const street = jobEntry({ plannedBore: fromInches(4), service: { ...NO_SERVICE, use: 'street' } });
  const { user, goTo, main } = await renderBuild('targets', street);
  await shows(top, '18–21');
  await goTo('Job');
  fill(await field('Power adders'), '14 bar');
  await shows(main, 'did you mean 14 psi?');
  await saveCard(user);
  await shows(main, 'Power adders: “14 bar” is not settled yet.');
  await user.click(screen.getByRole('button', { name: /14 psi$/ }));
  await shows(main, 'Suggested: boost to 15 psi (1.03 bar), because 14.0 psi');
  await shows(main, '14.0 psi (0.97 bar) is near the line at 15 psi');
  fill(await field('Planned upgrades'), '14 psi turbo + nitrous');
  await shows(main, 'Planned upgrades: Say how large the nitrous shot is.');
  fill(await field('Planned upgrades'), '14 psi turbo + 150+100 hp nitrous');
  await shows(main, 'turbo, 14.0 psi (0.97 bar); nitrous, 150 + 100 hp');
  await saveCard(user);
  await shows(main, 'Saved.');
  await goTo('Targets');
  await shows(top, '28–31');
  await shows(region('Now, and what is planned'), /24–27 thou.*28–31 thou/);
  await shows(region('Near the line between two rows'), /24–27 thou.*27–30 thou/);

  await goTo('Job');
  await user.selectOptions(await field('Chart row'), 'boostLow');
  await saveCard(user);
  await goTo('Targets');
  await shows(top, '24–27');
  await shows(findings, 'That row allows for more heat.');
});

it('a cylinder is fitted looser on purpose, and a gap typed for an allowance is not taken', async () => {
  const { user, main } = await renderBuild('targets');
  await goToTab(user, 'Rules');
  await user.selectOptions(await field('Cylinder'), '8');
  fill(await field('Both gaps, more by'), '12');
  await shows(main, '12 thou more is not an allowance');
  fill(await field('Both gaps, more by'), '1');
  fill(await field('Clearance, more by'), '.5');
  fill(await field('Why'), 'end cylinder');
  await user.click(screen.getByRole('button', { name: 'Allow it' }));
  await shows(() => screen.getByRole('row', { name: /end cylinder/ }), '+ 1 thou');
  await goToTab(user, 'Targets');
  await shows(top, '21–24');
  await user.click(onDeck('8'));
  await shows(top, '22–25');
  await shows(() => screen.getByRole('complementary'), 'allowance of this cylinder + 1 thou (end cylinder) → 22 thou');
  await goToTab(user, 'Rules');
  await user.click(await screen.findByRole('button', { name: /^Take out ?allowance of cylinder 8$/ }));
  await goToTab(user, 'Targets');
  await shows(top, '21–24');
});

it('an engine is said in one line; what is not understood is said with what is, and a load beyond the model asks for the sheet', async () => {
  const stamp = { at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
  const street = jobEntry({ plannedBore: fromInches(4), service: { ...NO_SERVICE, use: 'street' } });
  const chart = { ...stamp, id: 'chart', kind: 'chart' as const, value: STARTING_CURVE };
  const { user, goTo, main } = await renderBuild('targets', street, chart);
  const shares = (): HTMLElement => screen.getByRole('list', { name: 'Shares of the heat load' });
  await shows(top, '18–21');
  await goTo('Job');
  fill(await field('Power adders'), 'a big one');
  await shows(main, '“a big one” is no power adder known here');
  fill(await field('Power adders'), '10');
  await shows(main, '10 of what?');
  await user.click(screen.getByRole('button', { name: /10 psi of boost/ }));
  await shows(main, 'turbo, 10.0 psi (0.69 bar)');
  const charge = within(screen.getByRole('radiogroup', { name: 'Power adders, charge' }));
  await user.click(charge.getByRole('radio', { name: 'not cooled' }));
  await shows(shares, 'hot charge ×1.04');
  await shows(shares, 'never counted');
  fill(await field('Altitude'), '5000 ft');
  await shows(shares, 'altitude ×0.86');
  await shows(shares, 'it may run lower');
  await user.click(await field('Never run lower: count the thinner air'));
  await gone(shares, 'it may run lower');
  fill(await field('Altitude'), '');
  await user.selectOptions(await field('Fuel'), 'methanol');
  await shows(shares, 'fuel ×0.90');
  await shows(shares, 'on a hotter one');
  await user.click(await field('Always run on it: count its lower heat'));
  await user.click(screen.getByText('Also runs on:'));
  await user.click(await field('gas (propane, methane)'));
  await shows(shares, 'fuel ×1.05');
  await user.click(await field('gas (propane, methane)'));
  fill(await field('Planned upgrades'), '60 psi');
  await saveCard(user);
  await shows(main, 'Saved.');
  await goTo('Targets');
  await shows(top, 'is beyond this model, which ends at 3.3: enter the figure from the ring and piston sheets.');
});

it('what a paper gives wrongly is told in its form, and a paper that is outranked stays in sight', async () => {
  const { user, press } = await renderBuild('targets');
  const fault = (): HTMLElement => dialog().getByRole('alert');
  await press('button', 'Enter service manual');
  fill(await screen.findByLabelText('From'), '26');
  fill(screen.getByLabelText('To'), '24');
  await press('button', 'Enter it');
  await shows(fault, 'are they swapped?');
  fill(screen.getByLabelText('To'), '30');
  await enterIt(user);
  await shows(top, '26–30');
  await screen.findByText(/Outranked: 21–24 thou/);
  await press('button', 'Enter packed sheet');
  await user.click(await screen.findByRole('radio', { name: 'factor × bore' }));
  fill(dialog().getByLabelText('Factor'), '0.027');
  await press('button', 'Enter it');
  await shows(fault, 'is not a factor');
  fill(dialog().getByLabelText('Factor'), '0.0072');
  await enterIt(user);
  await shows(top, '30–33');
  await press('button', 'Change packed sheet');
  await press('button', 'Take it out');
  await shows(top, '26–30');
  await press('tab', 'Rules');
  await press('radio', 'equal or tighter');
  await press('tab', 'Targets');
  await shows(figure(/Second ring gap/), '26–29');
});

it('a single in millimetres from a sheet alone: no bore, no duty, no piston, and still targets, rings and a plan', async () => {
  const { engine } = job;
  const single = { ...engine, layout: 'single', cylinders: 1, bankAngle: 0 } as const;
  const { user, goTo, log, press } = await renderBuild(
    'rings',
    jobEntry({
      engine: single,
      units: 'metric',
      plannedBore: null,
      construction: null,
      surface: null,
      service: NO_SERVICE,
    }),
  );
  const rings = (): HTMLElement => screen.getByRole('link', { name: /^Rings/ });
  await screen.findByText('No target yet.');
  await log('0.35');
  await screen.findAllByText('no target');
  await user.click(screen.getByRole('link', { name: 'Enter a figure from the sheet' }));
  await press('button', 'Enter packed sheet');
  fill(await screen.findByLabelText('From'), '0.3');
  fill(screen.getByLabelText('To'), '0,45');
  await enterIt(user);
  await shows(top, '0.30–0.45');
  await shows(rings, '1/2');
  await goTo('Clocking');
  await waitFor(() => expect(document.querySelector('[data-joint="top"]')?.getAttribute('data-degrees')).toBe('45.0'));
  fill(await screen.findByRole('combobox', { name: 'School' }), 'frontAndBack');
  await screen.findByText(/Where the rails go depends on the bore/);
});

it('what a curve is entered at is said with its shares, and what a chart of steps offers with its reason', async () => {
  const service = { ...NO_SERVICE, use: 'marine', fuel: 'gas' } as const;
  const { server } = await renderBuild('targets', jobEntry({ service }));
  const sidebar = (): HTMLElement => screen.getByRole('complementary');
  await shows(sidebar, 'The row and the column');
  expect(sidebar().textContent).not.toContain('×1.25');
  server.entries.push(onCurve);
  await shows(sidebar, 'The heat load and the piston');
  await shows(sidebar, 'fuel ×1.05, time at full load ×1.25');
});

it('rounding and windows are set in one step, and a limit inside its window is not taken', async () => {
  const { press } = await renderBuild('targets');
  const set = (): HTMLElement => screen.getByRole('button', { name: 'Set rounding and windows' });
  await press('tab', 'Rules');
  const steps = await screen.findByLabelText<HTMLSelectElement>('Gaps go up to the next');
  fill(steps, within(steps).getByRole<HTMLOptionElement>('option', { name: '½ thou (0.0005 in)' }).value);
  fill(screen.getByLabelText('Gap: how wide the aim is'), '9');
  await screen.findByText('A limit lies inside its aim window', { exact: false });
  expect(set()).toHaveProperty('disabled', true);
  fill(screen.getByLabelText('Gap: how wide the aim is'), '2');
  await press('button', 'Set rounding and windows');
  await press('tab', 'Targets');
  await shows(top, '20.5–22.5');
});

it('heat: the worked row, the margin, the chance from the worker, and what is assumed', async () => {
  const cast = jobEntry({ plannedBore: fromInches(4), construction: 'cast', service: { ...NO_SERVICE, use: 'plain' } });
  const { user, press } = await renderBuild('targets?view=heat', cast);
  const worked = row(/^minimum/);
  await press('tab', 'Closing check');
  await screen.findByRole('table', { name: 'Gaps hot' });
  // both cases, where the ends meet, and the margin: iron is judged warm
  await shows(worked, /16 ?7\.[45] ?1\.9 ?200 ?47/);
  await shows(worked, /\d %|1 in \d/);
  await screen.findByText(/Iron is judged warm/);
  await screen.findByRole('img', { name: /top ring gap against ring temperature: minimum 16 thou closes at 200 °C/ });
  await user.click(within(worked()).getByRole('button', { name: /^why/ }));
  await shows(() => screen.getByRole('dialog', { name: /Why: minimum/ }), /= 0\.0074\d in/);
  await user.keyboard('{Escape}');
  await user.click(screen.getByText(/What is assumed:/));
  fill(await screen.findByLabelText('Top ring, °C'), '500');
  await screen.findByText('did you mean 500 °F?', { exact: false });
  expect(screen.getByRole('button', { name: 'Set what is assumed' })).toHaveProperty('disabled', true);
  await press('button', /260 °C/);
  await press('button', 'Set what is assumed');
  await shows(worked, '−60');
  await shows(
    findings,
    /by the heat model the chance that the target’s lower end, 16 thou, closes is .+: at 200 °C, the ring assumed at 260 °C/,
  );
});

it('over the curve lie a chart of steps, row by row, and what the shop has fitted', async () => {
  const fitted: FittedGaps[] = [
    { id: 'ran-well', name: 'Ran well', load: 1, construction: 'forged4032', top: 0.00475, second: null },
  ];
  const service = { ...NO_SERVICE, use: 'street' as const };
  const { server, user, goTo, press } = await renderBuild(
    'rings',
    jobEntry({ plannedBore: fromInches(4), service }),
    onCurve,
  );
  server.answers['/api/charts'] = () => ({ charts: [{ chart: STARTING_CHART, standard: true }] });
  server.answers['/api/gap-history'] = () => ({ builds: fitted });
  await goTo('Targets');
  await press('tab', 'Heat load');
  const picture = () => within(screen.getByRole('region', { name: 'Gap against heat load' }));
  await user.click(await screen.findByText(/Builds of the shop on the same piston: 1/));
  expect(picture().getByRole('link', { name: 'Ran well' }).getAttribute('href')).toBe('/builds/ran-well/targets');
  await shows(() => picture().getByRole('listitem'), '1.00: 19');
  const laid = picture().getByLabelText<HTMLSelectElement>('Lay a chart of steps over it');
  fill(laid, within(laid).getByRole<HTMLOptionElement>('option', { name: 'Starting chart, version 1' }).value);
  await screen.findByRole('table', { name: 'Starting chart against the curve' });
  await shows(row(/^performance street/), '1.001818');
  await shows(row(/boost to 15 psi/), /1\.04 – 1\.73.*24.*18\.5 – 25\.6/);
  await shows(row(/boost over 15 psi/), 'over 3.3');
});
