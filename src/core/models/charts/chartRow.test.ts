import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromPressure } from '../../foundation/quantity/pressure';
import { DUTIES } from './chart';
import { boosted, nitrous } from '@/fixtures/adders';
import { type Adders, type Service, NO_ADDERS, NO_SERVICE } from '../load/service';
import { adderWords } from '../load/adderWords';
import { type Fuel, FUELS, USES } from '../load/serviceWords';
import { fuelCaution, isHotter, suggestDuty } from './chartRow';

const psi = (value: number): Adders => boosted(fromPressure(value, 'psi'));
const shot = (...shots: number[]): Adders => nitrous(shots);
const service = (part: Partial<Service>): Service => ({ ...NO_SERVICE, use: 'street', ...part });
const row = (part: Partial<Service>, cylinders = 8): string => {
  const suggestion = suggestDuty(service(part), cylinders);
  return suggestion.set ? suggestion.row : suggestion.ask;
};
const near = (part: Partial<Service>, cylinders = 8): string | null => {
  const suggestion = suggestDuty(service(part), cylinders);
  return suggestion.set ? (suggestion.now.near?.row ?? null) : null;
};

describe('the row suggested (common practice, no source: lines at about 15 psi and 200 hp)', () => {
  it.each<[string, Partial<Service>, string]>([
    ['no adder', {}, 'street'],
    ['no adder, racing', { use: 'race' }, 'race'],
    ['a little boost', { now: psi(8) }, 'boostLow'],
    ['15 psi itself', { now: psi(15) }, 'boostLow'],
    ['much boost', { now: psi(20) }, 'boostHigh'],
    ['a supercharger', { now: boosted(fromPressure(0.5, 'bar'), 'supercharger') }, 'boostLow'],
    ['a small shot', { now: shot(150) }, 'nitrousLow'],
    ['a large shot', { now: shot(250) }, 'nitrousHigh'],
    ['two stages that run together', { now: shot(150, 100) }, 'nitrousHigh'],
    ['a diesel', { fuel: 'diesel', now: psi(25) }, 'diesel'],
    ['boost without a use said', { use: null, now: psi(20) }, 'boostHigh'],
    ['nothing said', { use: null }, 'Set the use.'],
    ['boost not entered', { now: boosted(null) }, 'Say how much boost it runs.'],
    ['shot not said', { now: shot() }, 'Say how large the nitrous shot is.'],
  ])('%s', (_, part, expected) => {
    expect(row(part)).toBe(expected);
  });

  it('a shot counts by what each cylinder gets: 60 hp is small in eight and large in two', () => {
    expect(row({ now: shot(60) }, 8)).toBe('nitrousLow');
    expect(row({ now: shot(60) }, 2)).toBe('nitrousHigh');
    expect(row({ now: nitrous([120], 4) }, 8)).toBe('nitrousHigh');
    expect(row({ now: shot(230) }, 16)).toBe('nitrousHigh');
  });

  it.each<[string, Partial<Service>, string | null]>([
    ['14 psi', { now: psi(14) }, 'boostHigh'],
    ['16 psi', { now: psi(16) }, 'boostLow'],
    ['10 psi', { now: psi(10) }, null],
    ['190 hp', { now: shot(190) }, 'nitrousHigh'],
    ['210 hp', { now: shot(210) }, 'nitrousLow'],
    ['100 hp', { now: shot(100) }, null],
  ])('near a line the other row is named: %s', (_, part, expected) => {
    expect(near(part)).toBe(expected);
  });

  it('gaps now for what is planned when that is hotter, and says both', () => {
    const suggestion = suggestDuty(service({ later: shot(150) }), 8);
    expect(suggestion).toMatchObject({
      set: true,
      row: 'nitrousLow',
      now: { row: 'street' },
      later: { row: 'nitrousLow' },
    });
    expect(suggestion.set && suggestion.reason).toContain('gapped now for what is planned');
    expect(suggestDuty(service({ now: psi(20), later: psi(10) }), 8)).toMatchObject({
      row: 'boostHigh',
      later: { row: 'boostLow' },
    });
    expect(row({ later: shot() })).toBe('Planned upgrades: Say how large the nitrous shot is.');
  });

  it('never suggests less for more boost or a larger shot (property)', () => {
    const more = (a: Adders, b: Adders, cylinders: number): void =>
      expect(isHotter(row({ now: a }, cylinders), row({ now: b }, cylinders))).toBe(false);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 80 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 16 }),
        (value, by, cylinders) => {
          more(psi(value), psi(value + by), cylinders);
          more(shot(value * 5), shot(value * 5 + by), cylinders);
        },
      ),
    );
  });

  it('is total over every service there can be, and names a row of the starting chart', () => {
    const adders = fc.oneof(
      fc.constant(NO_ADDERS),
      fc.integer({ min: 1, max: 900 }).map(psi),
      fc.array(fc.integer({ min: 1, max: 800 }), { maxLength: 3 }).map((s) => shot(...s)),
    );
    const services = fc.record({
      ...{
        nitro: fc.constant(null),
        altitude: fc.constantFrom(0, 1500),
        basePower: fc.constantFrom(null, 300),
        stroke: fc.constant(null),
        redline: fc.constant(null),
        cooling: fc.constantFrom('water' as const, 'air' as const),
        otherFuels: fc.constant<Fuel[]>([]),
        always: fc.constant({ fuel: false, altitude: false }),
      },
      use: fc.constantFrom(...USES, null),
      fuel: fc.constantFrom(...FUELS),
      now: adders,
      later: fc.option(adders),
    });
    fc.assert(
      fc.property(services, fc.integer({ min: 1, max: 16 }), (any, cylinders) => {
        const suggestion = suggestDuty(any, cylinders);
        if (suggestion.set) expect(DUTIES).toContain(suggestion.row);
        else expect(suggestion.ask).toMatch(/^(Say|Set|Planned upgrades:) .*\.$/);
      }),
    );
  });
});

describe('words and what is typed', () => {
  it('an adder in a few words', () => {
    expect(adderWords(psi(20))).toBe('turbo, 20.0 psi (1.38 bar)');
    expect(adderWords(nitrous([100, 75], 4))).toBe('nitrous, 100 + 75 hp in 4 cylinders');
    expect(adderWords(NO_ADDERS)).toBe('none');
  });

  it('fuels that no row is for are called out', () => {
    const cautioned = FUELS.filter((fuel: Fuel) => fuelCaution(fuel));
    expect(cautioned).toEqual(['ethanol', 'methanol', 'nitromethane', 'gas', 'twoStroke']);
  });
});
