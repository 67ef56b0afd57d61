import { describe, expect, it } from 'vitest';
import { messageText } from '../quantity/message';
import { type FigureAtLimit, furthestOver, figureAtLimitWords, isWorse } from './figureAtLimit';

const least = (figure: number, limit: number): FigureAtLimit => ({ figure, limit, side: 'least' });
const most = (figure: number, limit: number): FigureAtLimit => ({ figure, limit, side: 'most' });

describe('a figure held against its limit', () => {
  it('is worse once the limit is stricter or the figure further out, of the same side alone', () => {
    expect(isWorse(least(16, 19), least(16, 18))).toBe(true);
    expect(isWorse(least(15, 18), least(16, 18))).toBe(true);
    expect(isWorse(least(17, 18), least(16, 18))).toBe(false);
    expect(isWorse(most(30, 26), most(30, 27))).toBe(true);
    expect(isWorse(most(31, 27), most(30, 27))).toBe(true);
    expect(isWorse(most(29, 28), most(30, 27))).toBe(false);
    expect(isWorse(most(31, 20), least(16, 18))).toBe(false);
  });

  it('of several the one furthest over in proportion is named', () => {
    expect(
      furthestOver([
        { figure: 12, limit: 10 },
        { figure: 9, limit: 5 },
      ]),
    ).toEqual(most(9, 5));
    expect(
      furthestOver([
        { figure: 9, limit: 5 },
        { figure: 12, limit: 10 },
      ]),
    ).toEqual(most(9, 5));
    expect(furthestOver([])).toBeNull();
  });

  it('is said in its own unit', () => {
    expect(messageText(figureAtLimitWords(least(406_400, 457_200)), 'imperial')).toBe('16 thou against 18 thou');
    expect(messageText(figureAtLimitWords({ ...most(5_000, 3_000), of: 'mass' }), 'imperial')).toBe(
      '5.0 g against 3.0 g',
    );
  });
});
