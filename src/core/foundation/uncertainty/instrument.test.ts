import { describe, expect, it } from 'vitest';
import { fromInches } from '../quantity/length';
import { type Instrument, SUITED, calibrationEnds, instrumentKey, isOutOfDate, isOutOfRange } from './instrument';
import { STARTING_INSTRUMENTS } from './startingInstruments';
import { instrumentFaults } from './instrumentFaults';

const [micrometer] = STARTING_INSTRUMENTS.filter((i) => i.id === 'mic-3-4in');
const [gauge] = STARTING_INSTRUMENTS.filter((i) => i.id === 'gauge-in');
const kit = gauge?.kit;
if (!micrometer || !gauge || !kit) throw new Error('no tools');

describe('calibration', () => {
  it.each([
    ['2026-02-16', 12, '2027-02-16'],
    ['2024-02-29', 12, '2025-02-28'],
    ['2026-08-31', 6, '2027-02-28'],
    ['2026-11-30', 3, '2027-02-28'],
    ['2026-01-31', 1, '2026-02-28'],
    ['2026-05-04', null, null],
    [null, 12, null],
  ] as const)('of %s for %s months ends on %s', (calibrated, months, end) => {
    expect(calibrationEnds({ calibrated, months })).toBe(end);
  });

  it('is out of date from the day it ends', () => {
    const tool = { calibrated: '2026-02-16', months: 12 };
    expect(isOutOfDate(tool, '2027-02-15T23:59:59.000Z')).toBe(false);
    expect(isOutOfDate(tool, '2027-02-16T00:00:00.000Z')).toBe(true);
    expect(isOutOfDate({ calibrated: null, months: 12 }, '2099-01-01')).toBe(false);
  });
});

describe('tools', () => {
  it('reach what they reach, ends included', () => {
    expect([3, 3.5, 4].map((inches) => isOutOfRange(micrometer, fromInches(inches)))).toEqual([false, false, false]);
    expect([2.9999, 4.0001].map((inches) => isOutOfRange(micrometer, fromInches(inches)))).toEqual([true, true]);
  });

  it('are sound as the shop begins with them, each under its own name, and one suits every kind of reading', () => {
    for (const tool of STARTING_INSTRUMENTS) expect([tool.id, instrumentFaults(tool)]).toEqual([tool.id, {}]);
    expect(new Set(STARTING_INSTRUMENTS.map(instrumentKey)).size).toBe(STARTING_INSTRUMENTS.length);
    for (const kinds of Object.values(SUITED))
      expect(STARTING_INSTRUMENTS.some((i) => kinds.some((k) => k === i.kind))).toBe(true);
  });

  it.each<[string, Instrument, RegExp]>([
    ['no name', { ...micrometer, name: ' ' }, /a name/],
    ['no range', { ...micrometer, to: micrometer.from }, /must be above its start/],
    ['no resolution', { ...micrometer, resolution: 0 }, /resolution must be more than zero/],
    ['no error', { ...micrometer, limit: 0 }, /no tool is without error/],
    ['too coarse', { ...micrometer, resolution: fromInches(2) }, /finer than the range/],
    ['a gauge without a kit', { ...gauge, kit: null }, /has a kit/],
    ['a micrometer with one', { ...micrometer, kit }, /has a kit/],
    ['no rods', { ...gauge, kit: { ...kit, rods: [] } }, /at least one rod/],
    ['a turn of one division', { ...gauge, kit: { ...kit, turn: kit.division } }, /more than one division/],
    ['preload past a turn', { ...gauge, kit: { ...kit, preload: kit.turn } }, /no make-up/],
  ])('%s is called out', (_, tool, says) => {
    expect(Object.values(instrumentFaults(tool)).join(' ')).toMatch(says);
  });
});
