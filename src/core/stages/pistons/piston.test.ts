import { STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import { STARTING_PISTONS, gaugePoint, pinState, stripCheck } from './piston';
import { outlierOf, NEAR } from '../../foundation/quantity/outlier';
import { median } from '../../foundation/quantity/expectedSize';

describe('a size among its neighbours', () => {
  const others = [3.3822, 3.3824, 3.3823].map(fromInches);

  it.each([
    [3.3824, '3.3824', null],
    [3.324, '3.324', /digit 8 dropped|digit 2 dropped/],
    [3.3284, '3.3284', /digits 2 and 8 swapped/],
    [3.2823, '3.2823', /off by 0.1 in/],
    [3.4073, '3.4073', /off by one turn, 0.025 in/],
  ] as const)('%s is called out with the slip that explains it (common practice, no source)', (inches, typed, slip) => {
    const found = outlierOf(fromInches(inches), typed, others, NEAR.piston);
    if (slip === null) expect(found).toBeNull();
    else expect(found).toMatchObject({ neighbours: fromInches(3.3823), slip: expect.stringMatching(slip) as string });
  });

  it('names no slip where none leads back, and asks for two neighbours at least', () => {
    expect(outlierOf(fromInches(3.39), '3.39', others, NEAR.piston)).toMatchObject({ off: fromThou(7.7), slip: null });
    expect(outlierOf(fromInches(3.39), '3.39', others.slice(0, 1), NEAR.piston)).toBeNull();
    expect(median([])).toBe(0);
  });
});

describe('pins', () => {
  it.each([
    [0.3, 'tight'],
    [0.45, 'not proven'],
    [0.5, 'in window'],
    [0.75, 'in window'],
    [1.3, 'over'],
  ] as const)('%s thou against 0.5 to 1 is %s (common practice, no source)', (thou, state) => {
    expect(
      pinState(
        fromThou(thou),
        { standard: fromThou(0.05), freedom: Infinity },
        STARTING_PISTONS.pin,
        STARTING_STRICTNESS,
      ),
    ).toBe(state);
  });
});

describe('the feeler strip', () => {
  it('reads about half a thou under the true clearance, and agrees within half a thou of that (common practice, no source)', () => {
    expect(stripCheck(fromThou(3.5), fromThou(4))).toMatchObject({ expected: fromThou(3.5), agrees: true });
    expect(stripCheck(fromThou(4), fromThou(4)).agrees).toBe(true);
    expect(stripCheck(fromThou(4.5), fromThou(4)).agrees).toBe(false);
    expect(stripCheck(fromThou(2.5), fromThou(4)).agrees).toBe(false);
  });
});

it('says where to measure, with the height where the maker’s is noted', () => {
  expect(messageText(gaugePoint(STARTING_PISTONS.gauge), 'metric')).toContain('maker’s gauge point');
  expect(messageText(gaugePoint({ height: fromMm(14), from: 'skirt' }), 'metric')).toContain(
    '14.000 mm up from the skirt’s foot',
  );
});
