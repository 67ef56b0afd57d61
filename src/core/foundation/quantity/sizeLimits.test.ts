import { describe, expect, it } from 'vitest';
import { fromMm } from './length';
import { classesText, parseSizeClasses } from './parseSizeClasses';
import { messageText } from './message';
import { classAt, groundBy, NO_SIZES, sizesWords } from './sizeLimits';
import { sizesFaults } from './sizesFaults';

const A = { name: 'A', from: fromMm(86), to: fromMm(86.01) };
const B = { name: 'B', from: fromMm(86.01), to: fromMm(86.02) };

describe('size limits', () => {
  it.each([
    [85.9999, null],
    [86, 'A'],
    [86.01, 'A'],
    [86.0101, 'B'],
    [86.0201, null],
  ])('%d mm is of class %s', (mm, name) => {
    expect(classAt(fromMm(mm), { classes: [A, B] })).toBe(name);
  });

  it('reversed limits, reversed classes and a class that is there twice are faults', () => {
    expect(sizesFaults({ ...NO_SIZES, least: 2, most: 1 })).toEqual({ most: 'The most must be over the least.' });
    expect(sizesFaults({ ...NO_SIZES, classes: [{ ...A, to: A.from }] }).classes).toMatch(/Class A: its end/);
    expect(sizesFaults({ ...NO_SIZES, classes: [A, A] })).toEqual({ classes: 'Class A is entered twice.' });
    expect(sizesFaults({ ...NO_SIZES, classes: [A, B], least: 1, most: null })).toEqual({});
  });

  it('are said in words, whichever end is given', () => {
    const text = (least: number | null, most: number | null) => {
      const words = sizesWords({ ...NO_SIZES, least, most });
      return words && messageText(words, 'metric');
    };
    expect(text(null, null)).toBeNull();
    expect(text(fromMm(50), null)).toBe('at least 50.000 mm');
    expect(text(null, fromMm(51))).toBe('at most 51.000 mm');
    expect(text(fromMm(50), fromMm(51))).toBe('50.000 mm to 51.000 mm');
  });

  it('of a ground journal lie so much lower, and no class is left', () => {
    expect(groundBy({ ...NO_SIZES, least: 10, most: 20, classes: [A] }, 3)).toMatchObject({
      ...{ least: 7, most: 17, classes: [] },
    });
    expect(groundBy({ ...NO_SIZES, classes: [A] }, 0).classes).toEqual([A]);
  });
});

describe('classes as typed', () => {
  it.each([
    ['A 86.000–86.010; B 86.010–86.020', 'metric'],
    ['A: 86,000-86,010, B: 86,010-86,020', 'metric'],
    ['A 86 to 86.01\nB 86.010 mm to 86.020 mm', 'metric'],
    ['A 86.000 mm - 86.010 mm; B 86.010 mm - 86.020 mm', 'imperial'],
  ] as const)('%s', (text, units) => {
    expect(parseSizeClasses(text, 'bore', units)).toEqual({ ok: true, classes: [A, B] });
  });

  it('come back as they would be typed; nothing is none; what is not a class is named', () => {
    expect(parseSizeClasses(classesText([A, B], 'metric'), 'bore', 'metric')).toEqual({ ok: true, classes: [A, B] });
    expect(parseSizeClasses('', 'bore', 'metric')).toEqual({ ok: true, classes: [] });
    expect(parseSizeClasses('A 86.000–86.010; about 86', 'bore', 'metric')).toMatchObject({
      ok: false,
      why: expect.stringMatching(/“about86” is not a class\. Example/) as string,
    });
    expect(parseSizeClasses('A 86.010', 'bore', 'metric').ok).toBe(false);
    expect(parseSizeClasses('A 0.5–86.010', 'bore', 'metric')).toMatchObject({
      ok: false,
      why: expect.stringMatching(/^Class A/) as string,
    });
  });
});
