import { expect, it } from 'vitest';
import { parseRunning } from './parseRunning';

const USUAL = { rpm: 6000, compression: 10, stroke: 88, rod: 150 };

it('takes what is typed over the usual figures, a decimal comma too', () => {
  expect(parseRunning({ rpm: ' 7200 ', compression: '11,5', rod: '' }, USUAL)).toEqual({
    running: { ...USUAL, rpm: 7200, compression: 11.5 },
    faults: {},
    isRodShort: false,
  });
});

it('says what cannot be, and stays as usual there', () => {
  expect(parseRunning({ rpm: '70000', stroke: 'long' }, USUAL)).toMatchObject({
    running: USUAL,
    faults: { rpm: 'Speed, rpm: from 300 to 20000.', stroke: 'Stroke, mm: from 15 to 400.' },
  });
});

it('a rod is longer than half the stroke', () => {
  expect(parseRunning({ rod: '44' }, USUAL)).toMatchObject({
    isRodShort: true,
    faults: { rod: 'Longer than half the stroke.' },
  });
  expect(parseRunning({ rod: '45' }, USUAL).isRodShort).toBe(false);
});
