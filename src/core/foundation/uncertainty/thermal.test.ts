import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, toInches } from '../quantity/length';
import { messageText } from '../quantity/message';
import { sumOf } from './combine';
import {
  type Noted,
  atTwenty,
  leastKnown,
  sharedShopDoubt,
  shopTemperature,
  temperaturesOf,
  thermalDoubt,
  thermalTerms,
  warmedWords,
} from './thermal';

const IRON = 10.8e-6;
const STEEL = 11.7e-6;
const PISTON = 19.4e-6;
const BORE = fromInches(4.065);
const thou = (nm: number): number => toInches(nm) * 1000;
const at = (temperature: number | null, gaugeTemperature: number | null = null) => ({ temperature, gaugeTemperature });

describe('the temperatures of a reading', () => {
  it('one that was not noted is the other: part and tool lay in one shop', () => {
    expect(temperaturesOf(at(30), null)).toEqual({ part: 30, tool: 30, noted: 'one' });
    expect(temperaturesOf(at(null, 30), 25)).toEqual({ part: 30, tool: 30, noted: 'one' });
    expect(temperaturesOf(at(35, 21), null)).toEqual({ part: 35, tool: 21, noted: 'both' });
    expect(temperaturesOf(at(26, 26), null).noted).toBe('one');
  });

  it('with neither it is the shop’s as noted beside it; 20 °C where nothing was', () => {
    expect(temperaturesOf(at(null), 28)).toEqual({ part: 28, tool: 28, noted: 'one' });
    expect(temperaturesOf(at(null), null)).toEqual({ part: 20, tool: 20, noted: 'none' });
  });

  it('the shop is as last noted, and the tool’s: a part may come from the wash', () => {
    const noted = (time: string, ...t: Parameters<typeof at>) => ({ at: time, ...at(...t) });
    expect(shopTemperature([noted('1', 18), noted('2', 35, 21), noted('3', null)])).toBe(21);
    expect(shopTemperature([noted('2', 24), noted('1', 18)])).toBe(24);
    expect(shopTemperature([noted('1', null)])).toBeNull();
  });

  it('of several what is known least counts, and of those what is furthest from 20 °C', () => {
    const of = (part: number, noted: Noted) => ({ part, tool: part, noted });
    expect(leastKnown([of(30, 'both'), of(25, 'one'), of(12, 'one')])).toEqual(of(12, 'one'));
    expect(leastKnown([of(30, 'both'), of(20, 'none')]).noted).toBe('none');
    expect(leastKnown([]).noted).toBe('none');
  });

  it('are said as they were taken', () => {
    const say = (...t: Parameters<typeof at>) => warmedWords([at(...t)], null).map((l) => messageText(l, 'metric'));
    expect(say(30)).toEqual(['brought to 20 °C: part and tool at 30 °C']);
    expect(say(30, 22)).toEqual(['brought to 20 °C: part at 30 °C, tool at 22 °C']);
    expect(say(null)).toEqual([]);
  });
});

describe('a size at 20 °C (ISO 1)', () => {
  // independent: measured·(11.7 − 10.8)·10⁻⁶ × 10 K = +0.037 thou; piston (11.7 − 19.4) = −0.313 thou
  it('in a shop of 30 °C an iron bore of 4.065 in grows by 0.04 thou, its piston shrinks by 0.31', () => {
    const moved = (expansion: number) => thou(atTwenty({ value: BORE, ...at(30) }, expansion, null) - BORE);
    expect(moved(IRON)).toBeCloseTo(0.037, 3);
    expect(moved(PISTON)).toBeCloseTo(-0.313, 3);
    expect(atTwenty({ value: BORE, ...at(null) }, PISTON, 30)).toBe(atTwenty({ value: BORE, ...at(30) }, PISTON, null));
  });

  it('part and tool that were both noted count as they were: a warm part shrinks by all of its own expansion', () => {
    const moved = (part: number, tool: number) => thou(atTwenty({ value: BORE, ...at(part, tool) }, IRON, null) - BORE);
    expect(moved(30, 20)).toBeCloseTo(-0.439, 3);
    expect(moved(20, 30)).toBeCloseTo(0.476, 3);
  });
});

describe('what temperature leaves in doubt', () => {
  // published, recalled: l 50.000623 mm, α 11.5e-6 with u(δα) 0.58e-6, θ −0.1 with u 0.41, u(δθ) 0.029; u_c 32 nm
  it('comes to the terms of the end gauge of JCGM 100:2008, H.1: 2.9 nm and 16.6 nm, 32 nm with the comparison', () => {
    const terms = thermalTerms({
      ...{ size: 50_000_623, part: 11.5e-6, tool: 11.5e-6, off: 0.1, swing: 0.41 },
      ...{ apart: 0.029, partOff: 0, toolOff: 0.58e-6 },
    });
    expect(terms.shop).toBeCloseTo(2.9, 1);
    expect(terms.apart).toBeCloseTo(16.7, 1);
    const all = [25, 9.7, terms.shop, terms.apart].map((standard) => ({ standard, freedom: Infinity }));
    expect(sumOf(all).standard).toBeCloseTo(31.7, 1);
  });

  it('of an iron bore is mostly how far it may be off its tool: 2 K are 0.051 thou', () => {
    const { shop, apart } = thermalDoubt(BORE, IRON, temperaturesOf(at(null), null));
    expect(thou(apart)).toBeCloseTo((4065 * IRON * 2) / Math.sqrt(3), 3);
    expect(thou(shop)).toBeLessThan(0.01);
    expect(thou(thermalDoubt(BORE, IRON, temperaturesOf(at(20, 21), null)).apart)).toBeCloseTo(thou(apart) / 2, 2);
  });

  it('a better-known temperature never raises it, within what a shop is taken to be', () => {
    const whole = (expansion: number, t: ReturnType<typeof at>): number => {
      const { shop, apart } = thermalDoubt(BORE, expansion, temperaturesOf(t, null));
      return Math.hypot(shop, apart);
    };
    fc.assert(
      fc.property(
        fc.double({ min: 5e-6, max: 30e-6, noNaN: true }),
        fc.double({ min: 17, max: 23, noNaN: true }),
        (expansion, celsius) => {
          const [none, one, both] = [at(null), at(celsius), at(celsius, celsius + 0.1)].map((t) => whole(expansion, t));
          expect(one).toBeLessThanOrEqual(none ?? 0);
          expect(both).toBeLessThanOrEqual(one ?? 0);
        },
      ),
    );
  });

  it('a handbook’s expansion counts the more the further the shop is from 20 °C', () => {
    const of = (celsius: number) => thermalDoubt(BORE, STEEL, temperaturesOf(at(celsius, celsius), null)).apart;
    expect(of(35)).toBeGreaterThan(of(20));
  });

  it('two sizes in one shop differ by their expansions alone', () => {
    expect(thou(sharedShopDoubt(BORE, PISTON - IRON, 'none'))).toBeCloseTo((4065 * 8.6e-6 * 3) / Math.sqrt(3), 4);
    expect(sharedShopDoubt(BORE, 0, 'none')).toBe(0);
    expect(sharedShopDoubt(BORE, 1e-6, 'one')).toBeCloseTo(sharedShopDoubt(BORE, 1e-6, 'none') / 3, 6);
  });
});
