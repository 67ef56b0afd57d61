import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import * as math from 'mathjs';
import { describe, expect, it } from 'vitest';
import { boosted, nitrous } from '@/fixtures/adders';
import { fromInches } from '../../foundation/quantity/length';
import { type PressureUnit, PRESSURE_UNITS, fromPressure } from '../../foundation/quantity/pressure';
import { SEA_LEVEL, atmosphereAt, compressedHotter } from './gas';
import { baseWords, shareReason, shareWords, sharesText } from './loadWords';
import { parseAltitude, parsePower } from './parsePowerAndAltitude';
import { type LoadOf, doubtWords, heatLoad, outsideWords } from './load';
import { type Adders, type Service, NO_ADDERS, NO_SERVICE } from './service';
import { FUELS, USES } from './serviceWords';

const eight = { cylinders: 8, bore: fromInches(4) };
const both = { fuel: true, altitude: true };
const loadOf = (part: Partial<Service>, engine = eight): LoadOf => {
  const found = heatLoad({ ...NO_SERVICE, use: 'street', ...part }, engine);
  if (!found.set) throw new Error(found.ask);
  return found.inForce;
};
const shares = (part: Partial<Service>): Record<string, number> =>
  Object.fromEntries(loadOf(part).shares.map(({ of, factor }) => [shareWords(of), factor]));
const psi = (value: number): Adders => boosted(fromPressure(value, 'psi'));

describe('gas relations', () => {
  it('the standard atmosphere: 89,874 Pa at 1,000 m and 54,020 at 5,000 (ISO 2533:1975, recalled)', () => {
    expect(atmosphereAt(0)).toBe(SEA_LEVEL);
    expect(atmosphereAt(1_000) / 100).toBeCloseTo(898.74, 0);
    expect(atmosphereAt(5_000) / 100).toBeCloseTo(540.2, 0);
  });

  it('air at 300 K compressed eightfold without loss: 543 K; at 0.65 it rises 1.54 times as much (textbook example, recalled)', () => {
    expect(300 * compressedHotter(8, 1)).toBeCloseTo(543.4, 1);
    expect((compressedHotter(8, 0.65) - 1) / (compressedHotter(8, 1) - 1)).toBeCloseTo(1 / 0.65, 10);
  });

  it('units of pressure as in a library of units (reference library: mathjs)', () => {
    const names: Record<PressureUnit, string> = { psi: 'psi', bar: 'bar', kPa: 'kPa' };
    for (const unit of PRESSURE_UNITS)
      for (const value of [0.5, 7, 14.7, 32])
        expect(fromPressure(value, unit)).toBeCloseTo(math.unit(value, names[unit]).toNumber('Pa'), -0.5);
  });
});

describe('the heat load', () => {
  it('is 1 for a naturally aspirated performance street engine on petrol at sea level', () => {
    expect(loadOf({})).toEqual({ load: 1, inlet: 1, shares: [] });
  });

  it.each<[string, Partial<Service>, number]>([
    ['a plain rebuild', { use: 'plain' }, 0.85],
    ['drag', { use: 'sprint' }, 1.1],
    ['endurance', { use: 'endurance' }, 1.15],
    ['marine', { use: 'marine' }, 1.25],
    ['oval or drag, as older cards say', { use: 'race' }, 1.15],
    ['gas', { fuel: 'gas' }, 1.05],
    ['methanol that it always runs on', { fuel: 'methanol', always: both }, 0.9],
    ['methanol that it may run on', { fuel: 'methanol' }, 1],
    ['methanol or a blend', { fuel: 'methanol', otherFuels: ['e85'], always: both }, 0.95],
    ['methanol or gas', { fuel: 'methanol', otherFuels: ['gas'] }, 1.05],
    ['a diesel, which runs on nothing else', { fuel: 'diesel' }, 0.74],
    ['a fifth of nitromethane', { fuel: 'nitromethane', nitro: 0.2, always: both }, 0.99],
    ['a fifth of it in one tank, petrol in the other', { fuel: 'petrol', otherFuels: ['nitromethane'], nitro: 0.2 }, 1],
    // 1,500 m: 84,556 Pa (ISO 2533:1975, recalled), 0.8345^0.8
    ['1,500 m that it never leaves', { altitude: 1_500, always: both }, 0.8652],
    ['1,500 m that it may leave', { altitude: 1_500 }, 1],
    ['under the sea', { altitude: -400 }, 1.0384],
    ['air cooling', { cooling: 'air' }, 1.1],
    // by hand: (101.325 + 101.325) ÷ 101.325 = 2, 2^0.8 = 1.7411
    ['an atmosphere of boost', { now: boosted(SEA_LEVEL) }, 1.7411],
    [
      'two atmospheres absolute',
      { now: { ...NO_ADDERS, boost: { by: 'turbo', pressure: 2 * SEA_LEVEL, absolute: true, cooled: true } } },
      1.7411,
    ],
    // 150 hp on 300 hp: 1.5^0.8 = 1.3832; x = 0.5 ÷ 0.65, 1 + 0.25·(0.75·x·(1 − x)² + 3x² − 2x³) = 1.2239
    ['half as much again by nitrous', { basePower: 300, now: nitrous([150]) }, 1.3832 * 1.2239],
    ['as much again', { basePower: 300, now: nitrous([300]) }, 1.7411 * 1.25],
    [
      'the same as a share',
      { now: { ...NO_ADDERS, nitrous: { shots: [], share: 0.5, cylinders: null } } },
      1.3832 * 1.2239,
    ],
  ])('%s', (_, part, expected) => {
    expect(loadOf(part).load).toBeCloseTo(expected, 3);
  });

  describe('piston speed', () => {
    const mm = 1_000_000;
    const fast = (metresPerSecond: number): Partial<Service> => ({
      stroke: 90 * mm,
      redline: (metresPerSecond * 30) / 0.09,
    });

    // by hand: (25 ÷ 16)^0.8 = 1.429
    it('from 16 to 25 m/s the heat is 1.43 times as much', () => {
      expect(loadOf(fast(25)).load / loadOf(fast(16)).load).toBeCloseTo(1.429, 3);
      expect(loadOf(fast(16)).load).toBeCloseTo(1, 12);
    });

    it('is at a usual speed where nobody gives one, and says so', () => {
      const time = (part: Partial<Service>) => loadOf(part).shares.find((s) => s.of.kind === 'time');
      expect(time({ use: 'race' })).toMatchObject({ factor: 1.15, of: { usual: true } });
      const usual = time({ use: 'race' });
      expect(usual && shareReason(usual)).toMatch(/, at a usual speed$/);
      expect(time({ use: 'race', ...fast(25) })?.of).toMatchObject({ usual: false });
    });

    it('counts once: at its usual speed an engine has the load it has without one', () => {
      for (const [use, speed] of [
        ['race', 18],
        ['sprint', 19],
        ['marine', 15],
        ['plain', 13],
      ] as const)
        expect(loadOf({ use, ...fast(speed + 1e-9) }).load).toBeCloseTo(loadOf({ use }).load, 6);
      expect(loadOf({ fuel: 'diesel', ...fast(12 + 1e-9) }).load).toBeCloseTo(0.74, 6);
    });

    it('a slower one lowers nothing, and is shown', () => {
      const slow = loadOf({ use: 'race', ...fast(12) });
      expect(slow.load).toBe(1.15);
      expect(slow.shares.find((s) => s.of.kind === 'speed')).toMatchObject({ counted: false });
    });

    it('never lowers the load, and more of it never does: with boost and without, by stroke or by power (property)', () => {
      fc.assert(
        fc.property(
          fc.constantFrom(...USES),
          fc.constantFrom('petrol' as const, 'diesel' as const),
          fc.integer({ min: 0, max: 200_000 }),
          fc.integer({ min: 500, max: 9_000 }),
          fc.integer({ min: 0, max: 3_000 }),
          (use, fuel, boost, rpm, more) => {
            const part = { use, fuel, now: boost > 0 ? boosted(boost) : NO_ADDERS };
            const at = (redline: number): number => loadOf({ ...part, stroke: 90 * mm, redline }).load;
            expect(at(rpm)).toBeGreaterThanOrEqual(loadOf(part).load - 1e-12);
            expect(at(rpm + more)).toBeGreaterThanOrEqual(at(rpm) - 1e-12);
            const by = (basePower: number): number => loadOf({ ...part, basePower }).load;
            expect(by(rpm + more)).toBeGreaterThanOrEqual(by(rpm) - 1e-12);
          },
        ),
      );
    });

    it('says what the load of 1 is', () => {
      expect(baseWords(loadOf({}))).toMatch(/at a usual piston speed$/);
      expect(baseWords(loadOf(fast(12)))).toMatch(/at a usual piston speed$/);
      expect(baseWords(loadOf(fast(20)))).toMatch(/16 m\/s/);
    });

    it('is told by the power for its size too: twice a street engine’s is twice its speed', () => {
      // 8 cylinders of 4 in: 8 × π/4 × 1.016³ × 0.9 = 5.931 l; at 60 kW a litre 355.8 kW, 477.2 hp
      const at = (basePower: number, part: Partial<Service> = {}) => loadOf({ basePower, ...part });
      expect(at(477).load).toBe(1);
      expect(at(954.4).load).toBeCloseTo(2 ** 0.8, 3);
      // with an atmosphere of boost the same power is no more than usual
      expect(at(954, { now: boosted(SEA_LEVEL) }).load).toBeCloseTo(2 ** 0.8, 3);
      // stroke and speed go before it
      expect(at(954, fast(16)).load).toBeCloseTo(1, 12);
    });
  });

  it('knows the pressure in the inlet, at an altitude too', () => {
    expect(loadOf({ now: boosted(SEA_LEVEL) }).inlet).toBeCloseTo(2, 12);
    const high = { altitude: 1_500, now: boosted(SEA_LEVEL) };
    expect(loadOf({ ...high, always: both }).inlet).toBeCloseTo(1 + atmosphereAt(1_500) / SEA_LEVEL, 12);
    expect(loadOf(high).inlet).toBeCloseTo(2, 12);
  });

  it('is the product of its counted shares, each named', () => {
    const part: Partial<Service> = {
      use: 'sprint',
      fuel: 'e85',
      altitude: 500,
      now: {
        ...psi(14),
        nitrous: { shots: [100], share: null, cylinders: null },
        injection: { what: 'water', counted: false },
      },
    };
    const { load, shares: all } = loadOf(part);
    expect(all.map((s) => shareWords(s.of))).toEqual([
      'altitude',
      'boost',
      'nitrous',
      'fuel',
      'time at full load',
      'water injection',
    ]);
    expect(load).toBeCloseTo(
      all.filter((s) => s.counted).reduce((product, s) => product * s.factor, 1),
      12,
    );
    expect(all.at(-1)).toMatchObject({ counted: false, factor: 0.93 });
    const counted = loadOf({ ...part, now: { ...psi(14), injection: { what: 'water', counted: true } } });
    const without = loadOf({ ...part, now: psi(14) });
    expect(counted.load).toBeCloseTo(without.load * 0.93, 12);
  });

  it('says of each share where it comes from', () => {
    const { shares: all } = loadOf({
      ...{ use: 'sprint', fuel: 'e85', altitude: 500, cooling: 'air' },
      now: {
        ...boosted(fromPressure(14, 'psi'), 'turbo', false),
        nitrous: { shots: [100], share: null, cylinders: null },
        injection: { what: 'water', counted: false },
      },
    });
    expect(all.map(shareReason)).toEqual([
      '500 m over sea level, to the power 0.8; not counted: it may run lower',
      '14.0 psi (0.97 bar) over the atmosphere, 1.95 times its pressure, to the power 0.8',
      'not cooled, 97 K hotter',
      'what is missing of a charge that is not cooled: never counted, since it knocks sooner',
      '1.14 times the base power, that taken from its size, to the power 0.8, and hotter gas',
      'ethanol blend (E85); not counted: it may run on a hotter one',
      'drag or sprint, at a usual speed',
      'cylinders run hotter in air',
      'not counted: a tank runs out',
    ]);
    const relied = loadOf({ fuel: 'ethanol', altitude: 500, always: both }).shares;
    expect(relied.map(shareReason)).toEqual(['500 m over sea level, to the power 0.8', 'ethanol, neat']);
    expect(sharesText(heatLoad({ ...NO_SERVICE, use: 'marine', fuel: 'gas' }, eight))).toBe(
      'fuel ×1.05, time at full load ×1.25',
    );
    expect(sharesText(heatLoad(NO_SERVICE, eight))).toBe('');
  });

  it('a charge that is not cooled is hotter, which counts, and thinner, which is shown and does not', () => {
    const cooled = loadOf({ now: boosted(fromPressure(15, 'psi'), 'turbo', true) }).load;
    const hot = loadOf({ now: boosted(fromPressure(15, 'psi'), 'turbo', false) });
    expect(hot.load).toBeGreaterThan(cooled);
    expect(hot.shares.map((s) => [shareWords(s.of), s.counted])).toEqual([
      ['boost', true],
      ['hot charge', true],
      ['thin charge', false],
    ]);
    expect(hot.shares[2]?.factor).toBeLessThan(1);
    expect(loadOf({ now: psi(15) }).load).toBe(cooled);
  });

  it('a shot counts by what each cylinder that is fed gets', () => {
    const half = loadOf({ basePower: 400, now: nitrous([100], 4) }).load;
    expect(half).toBeCloseTo(loadOf({ basePower: 400, now: nitrous([200]) }).load, 12);
    expect(shares({ now: nitrous([60]) }).nitrous).toBeLessThan(
      heatLoad({ ...NO_SERVICE, use: 'street', now: nitrous([60]) }, { ...eight, cylinders: 2 }).set
        ? loadOf({ now: nitrous([60]) }, { ...eight, cylinders: 2 }).load
        : 0,
    );
  });

  it('gaps for what is planned where that is hotter', () => {
    const found = heatLoad({ ...NO_SERVICE, use: 'street', later: psi(10) }, eight);
    expect(found.set && found.inForce).toBe(found.set && found.later);
    const less = heatLoad({ ...NO_SERVICE, use: 'street', now: psi(20), later: psi(10) }, eight);
    expect(less.set && less.inForce).toBe(less.set && less.now);
  });

  it.each<[string, Partial<Service>, { bore: number | null }, RegExp]>([
    ['what for', { use: null }, { bore: null }, /Set the use/],
    ['boost', { now: boosted(null) }, { bore: null }, /how much boost/],
    ['shot', { now: nitrous([]) }, { bore: null }, /how large the nitrous shot/],
    ['base', { now: nitrous([100]) }, { bore: null }, /base power/],
    ['nitromethane', { fuel: 'nitromethane' }, { bore: null }, /how much nitromethane/],
    ['more than a fifth of it', { fuel: 'nitromethane', nitro: 0.6 }, { bore: null }, /beyond this model/],
    ['planned', { later: boosted(null) }, { bore: null }, /Planned upgrades: .*how much boost it runs\.$/],
  ])('asks for what it needs: %s', (_, part, { bore }, ask) => {
    expect(heatLoad({ ...NO_SERVICE, use: 'street', ...part }, { cylinders: 8, bore })).toMatchObject({
      set: false,
      ask: expect.stringMatching(ask) as string,
    });
  });

  it('says where it goes on with a doubt, and where it ends', () => {
    expect([outsideWords(2.6), doubtWords(2.6)]).toEqual([null, null]);
    expect(doubtWords(2.61)).toMatch(/2\.61 is over 2\.6, .* from memory/);
    expect([outsideWords(3.3), doubtWords(3.31)]).toEqual([null, null]);
    expect(outsideWords(3.31)).toMatch(/3\.31 is beyond .* 3\.3: .* sheets/);
  });

  const services = fc.record({
    use: fc.constantFrom(...USES),
    fuel: fc.constantFrom(...FUELS.filter((f) => f !== 'nitromethane')),
    altitude: fc.integer({ min: 0, max: 3_000 }),
    cooling: fc.constantFrom('water' as const, 'air' as const),
    basePower: fc.option(fc.integer({ min: 20, max: 2_000 })),
  });
  const adders = fc.record({
    boost: fc.integer({ min: 0, max: 400_000 }),
    cooled: fc.constantFrom(null, true, false),
    shot: fc.integer({ min: 0, max: 900 }),
  });
  const with_ = (boost: number, cooled: boolean | null, shot: number): Adders => ({
    ...NO_ADDERS,
    boost: boost > 0 ? { by: 'turbo', pressure: boost, absolute: false, cooled } : null,
    nitrous: shot > 0 ? { shots: [shot], share: null, cylinders: null } : null,
  });

  it('no adder ever lowers it, and none moves it in a step (property, 10,000 pairs)', () => {
    fc.assert(
      fc.property(
        services,
        adders,
        fc.integer({ min: 0, max: 200_000 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 20, max: 250 }),
        fc.integer({ min: 1, max: 16 }),
        (said, { boost, cooled, shot }, more, larger, mm, cylinders) => {
          const engine = { cylinders, bore: mm * 1_000_000 };
          const at = (b: number, s: number): number => loadOf({ ...said, now: with_(b, cooled, s) }, engine).load;
          const here = at(boost, shot);
          expect(at(boost + more, shot)).toBeGreaterThanOrEqual(here - 1e-12);
          expect(at(boost, shot + larger)).toBeGreaterThanOrEqual(here - 1e-12);
          // 0.1 psi: less than a hundredth of the load
          expect(at(boost + 690, shot) / here).toBeLessThan(1.01);
        },
      ),
      { numRuns: runs(10_000) },
    );
  });

  it('is total over every service there can be', () => {
    const any = fc.record({
      use: fc.constantFrom(...USES, null),
      fuel: fc.constantFrom(...FUELS),
      otherFuels: fc.subarray([...FUELS]),
      always: fc.record({ fuel: fc.boolean(), altitude: fc.boolean() }),
      nitro: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
      altitude: fc.integer({ min: -500, max: 6_000 }),
      basePower: fc.option(fc.integer({ min: 1, max: 50_000 })),
      stroke: fc.option(fc.integer({ min: 10_000_000, max: 600_000_000 })),
      redline: fc.option(fc.integer({ min: 300, max: 25_000 })),
      cooling: fc.constantFrom('water' as const, 'air' as const),
      now: adders.map(({ boost, cooled, shot }) => with_(boost, cooled, shot)),
      later: fc.option(adders.map(({ boost, cooled, shot }) => with_(boost, cooled, shot))),
    });
    fc.assert(
      fc.property(any, fc.option(fc.integer({ min: 10_000_000, max: 500_000_000 })), (service, bore) => {
        const found = heatLoad(service, { cylinders: 6, bore });
        if (found.set) expect(found.inForce.load).toBeGreaterThan(0);
        else expect(found.ask).toMatch(/\.$/);
      }),
    );
  });
});

describe('power and altitude as typed', () => {
  it.each([
    ['250', 250],
    ['250 hp', 250],
    ['180 kW', 241],
    ['', null],
    ['-3', 'no power'],
    ['lots', 'no power'],
    ['90000', 'no power'],
  ] as const)('%s', (text, expected) => {
    const heard = parsePower(text);
    expect(heard.kind === 'understood' ? heard.value : heard.kind === 'empty' ? null : 'no power').toBe(expected);
  });

  it.each([
    ['1000', 'imperial', 305],
    ['1000', 'metric', 1000],
    ['1500 m', 'imperial', 1500],
    ['5000ft', 'metric', 1524],
    ['-20', 'metric', -20],
    ['9000', 'metric', 'none'],
  ] as const)('%s in %s', (text, units, expected) => {
    const heard = parseAltitude(text, units);
    expect(heard.kind === 'understood' ? heard.value : 'none').toBe(expected);
  });
});
