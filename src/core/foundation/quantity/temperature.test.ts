import { unit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { fromFahrenheit, parseTemperature } from './temperature';

const RING: [number, number] = [60, 400];

describe('temperature', () => {
  it.each([-40, 32, 212, 401])('%s °F as a reference library has it (reference library: mathjs)', (f) => {
    expect(fromFahrenheit(f)).toBeCloseTo(unit(f, 'degF').toNumber('degC'), 9);
  });

  it.each<[string, number]>([
    ['205', 205],
    ['205 c', 205],
    ['205,5 °C', 205.5],
    ['401F', 205],
  ])('%j is understood', (text, value) => {
    expect(parseTemperature(text, RING)).toEqual({ kind: 'understood', value });
  });

  it('a bare figure that only fits °F is asked about', () => {
    expect(parseTemperature('450', RING)).toMatchObject({
      kind: 'question',
      options: [{ value: 232.2, words: '450 °F' }],
    });
  });

  it.each(['hot', '2050', '-300', '5 C', '20 K'])('%j is refused', (text) => {
    expect(parseTemperature(text, RING).kind).toBe('refused');
  });

  it('nothing typed is nothing', () => {
    expect(parseTemperature('', RING).kind).toBe('empty');
  });
});
