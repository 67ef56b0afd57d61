import { unit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { fromPressure, parsePressure, pressureText, toPressure } from './pressure';

describe('pressure', () => {
  it.each([1, 14.7, 20, 80])('%s psi as a reference library has it (reference library: mathjs)', (psi) => {
    expect(fromPressure(psi, 'psi')).toBeCloseTo(unit(psi, 'psi').toNumber('Pa'), -1);
    expect(toPressure(fromPressure(psi, 'psi'), 'psi')).toBeCloseTo(psi, 3);
  });

  it('15 psi is 1.03 bar (common practice, no source)', () => {
    expect(pressureText(fromPressure(15, 'psi'))).toBe('15.0 psi (1.03 bar)');
  });

  it.each<[string, 'psi' | 'bar' | 'kPa', number]>([
    ['20', 'psi', fromPressure(20, 'psi')],
    ['1,4', 'bar', 140_000],
    ['1.4 bar', 'psi', 140_000],
    ['140kpa', 'psi', 140_000],
    ['20 lb', 'bar', fromPressure(20, 'psi')],
  ])('%j in %s is understood', (text, unitChosen, value) => {
    expect(parsePressure(text, unitChosen)).toEqual({ kind: 'understood', value });
  });

  it('a figure that only fits another unit is asked about: 14 bar, 0.9 psi, 140 psi', () => {
    expect(parsePressure('14', 'bar')).toMatchObject({
      kind: 'question',
      ask: expect.stringContaining('did you mean 14 psi?'),
    });
    expect(parsePressure('0.9', 'psi')).toMatchObject({
      kind: 'question',
      options: [{ words: '0.9 bar' }, { words: '0.9 psi, as typed' }],
    });
    expect(parsePressure('140', 'psi')).toMatchObject({
      kind: 'question',
      options: [{ words: '140 kPa' }, { words: '140 psi, as typed' }],
    });
  });

  it.each(['much', '-5', '1e3', '20 mm', '0', '99999'])('%j is refused', (text) => {
    expect(parsePressure(text, 'psi').kind).toBe('refused');
  });

  it('nothing typed is nothing', () => {
    expect(parsePressure('  ', 'psi').kind).toBe('empty');
  });
});
