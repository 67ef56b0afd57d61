import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou } from './length';
import { bothText, lengthText, rangeText } from './format';
import { fine, raw, say, messageText, size } from './message';

describe('the printer', () => {
  it.each([
    [fromThou(22), 'imperial', 'fine', '22 thou'],
    [fromThou(20.5), 'imperial', 'fine', '20.5 thou'],
    [fromThou(22), 'metric', 'fine', '0.559 mm'],
    [fromMm(0.6), 'metric', 'fine', '0.60 mm'],
    [fromInches(4.065), 'imperial', 'size', '4.0650 in'],
    [fromMm(82.5), 'metric', 'size', '82.500 mm'],
    [fromThou(3), 'imperial', 'clearance', '3.0 thou'],
    [fromInches(0.020325), 'imperial', 'raw', '0.02033 in'],
    [-fromThou(0.01), 'imperial', 'fine', '0 thou'],
    [-fromThou(2), 'imperial', 'fine', '−2 thou'],
  ] as const)('prints %d nm in %s as %s: %s', (nm, units, style, text) => {
    expect(lengthText(nm, units, style)).toBe(text);
  });

  it('says both systems side by side', () => {
    expect(bothText(fromThou(22), 'fine', 'imperial')).toBe('0.022 in · 0.559 mm');
    expect(bothText(fromThou(22), 'fine', 'metric')).toBe('0.559 mm · 0.022 in');
    expect(bothText(fromInches(4.216), 'size', 'imperial')).toBe('4.2160 in · 107.086 mm');
  });

  it('prints windows, and a minimum alone', () => {
    expect(rangeText(fromThou(22), fromThou(25), 'imperial')).toBe('22–25 thou');
    expect(rangeText(fromThou(15), null, 'imperial')).toBe('≥ 15 thou');
    expect(rangeText(fromThou(22), fromThou(24.5), 'imperial')).toBe('22–24.5 thou');
  });

  it('gives both ends of a window in mm as many decimals', () => {
    expect(rangeText(fromThou(21), fromThou(24), 'metric')).toBe('0.533–0.610 mm');
    expect(rangeText(fromMm(0.5), fromMm(0.58), 'metric')).toBe('0.50–0.58 mm');
  });

  it('prints a sentence in either system from the same parts', () => {
    const saying = say`bore ${size(fromInches(4))} × ${0.004} = ${raw(fromInches(0.016))}, ${[...say`at least ${fine(fromThou(16))}`]}`;
    expect(messageText(saying, 'imperial')).toBe('bore 4.0000 in × 0.004 = 0.01600 in, at least 16 thou');
    expect(messageText(saying, 'metric')).toBe('bore 101.600 mm × 0.004 = 0.4064 mm, at least 0.406 mm');
  });
});
