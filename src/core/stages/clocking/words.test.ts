import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, turned } from '../../foundation/quantity/angle';
import { STARTING_STAND } from './stand';
import { VIEWS, turnOf, viewWords } from './viewpoint';
import { clockHours, directionWords, parseCrownAngle } from './words';

const only = { bank: 'only' as const, intake: null };

describe('directions in words', () => {
  it.each([
    [0, { bank: 'only', intake: null }, 'front'],
    [45, { bank: 'right', intake: null }, '45° right of front, outboard'],
    [45, { bank: 'left', intake: null }, '45° right of front, inboard'],
    [315, { bank: 'left', intake: null }, '45° left of front, outboard'],
    [90, { bank: 'only', intake: null }, 'right'],
    [90, { bank: 'only', intake: 270 }, 'right, exhaust side'],
    [180, { bank: 'left', intake: null }, 'rear'],
    [225, { bank: 'only', intake: 270 }, '45° left of rear, intake side'],
    [270, { bank: 'right', intake: null }, 'left, inboard'],
    [359.7, { bank: 'right', intake: null }, 'front'],
    [4, { bank: 'right', intake: null }, '4° right of front'],
  ] as const)('%d° with %o is “%s”', (degrees, round, words) => {
    expect(directionWords(degrees, round)).toBe(words);
  });

  it.each([
    [0, '12:00'],
    [45, '1:30'],
    [90, '3:00'],
    [359, '12:00'],
    [300, '10:00'],
    [28.6, '12:55'],
  ])('%d° is %s on the clock', (degrees, hours) => expect(clockHours(degrees)).toBe(hours));
});

describe('angles as they are typed', () => {
  it.each([
    ['45', 45],
    [' 45° ', 45],
    ['-30', 330],
    ['360', 0],
    ['28,6', 28.6],
    ['1:30', 45],
    ['2 o’clock'.replace('’', "'"), 60],
    ['12h', 0],
    ['front', 0],
    ['Rear', 180],
    ['left', 270],
    ['45 right of front', 45],
    ['45 left of rear', 225],
    ['30 right of rear', 150],
    ['20 left of front', 340],
  ])('“%s” is %d°', (typed, degrees) => {
    const heard = parseCrownAngle(typed, 0);
    expect(heard.ok && heard.degrees).toBeCloseTo(degrees, 9);
  });

  it.each(['', '400', 'x', '13:00', '0:30', '1:75', '200 left of front', '4 5', '1e3', '='])(
    '“%s” is refused with what is accepted',
    (typed) => {
      const heard = parseCrownAngle(typed, 0);
      expect(heard).toMatchObject({ ok: false });
      expect(!heard.ok && heard.fault.length).toBeGreaterThan(10);
    },
  );

  it('hours are read as the picture is turned, degrees are not', () => {
    expect(parseCrownAngle('12:00', 180)).toEqual({ ok: true, degrees: 180 });
    expect(parseCrownAngle('45', 180)).toEqual({ ok: true, degrees: 45 });
  });

  it('words and hours that are said back are understood again (identity)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.constantFrom(0, 90, 180, 270), (degrees, turn) => {
        const words = parseCrownAngle(directionWords(degrees, only), 0);
        expect(words.ok && words.degrees).toBe(degrees);
        const hours = parseCrownAngle(clockHours(degrees + turn), turn);
        expect(hours.ok && apart(hours.degrees, degrees)).toBeLessThanOrEqual(1.5);
      }),
    );
  });
});

describe('how a crown is met', () => {
  const bench = { tilt: 45 };
  it('the front is away on the bench and from the flywheel, and towards whoever stands at the front', () => {
    expect(VIEWS.map((view) => turnOf(view, bench, STARTING_STAND, 0))).toEqual([0, 180, 90, 0]);
  });

  it('in the stand the high side is at the top, on either bank and however the block is rolled', () => {
    fc.assert(
      fc.property(fc.integer({ min: -170, max: 170 }), fc.integer({ min: -180, max: 180 }), (tilt, roll) => {
        const turn = turnOf('stand', { tilt }, { roll, side: 'right' }, 0);
        const reach = Math.sin(((tilt + roll) * Math.PI) / 180);
        fc.pre(Math.abs(reach) > 0.1);
        expect(turned((reach > 0 ? 270 : 90) + turn)).toBe(0);
      }),
    );
  });

  it('at an upright bore it is where the fitter stands that counts, and the lean of the car does not', () => {
    expect(turnOf('stand', { tilt: 0 }, { roll: 0, side: 'right' }, 0)).toBe(90);
    expect(turnOf('stand', { tilt: 0 }, { roll: 0, side: 'left' }, 0)).toBe(270);
    expect(turnOf('stand', { tilt: 30 }, { roll: 0, side: 'left' }, 30)).toBe(270);
    expect(viewWords('stand', { tilt: 30 }, { roll: 0, side: 'left' }, 30)).toContain('upright, you on the left');
  });
});
