import { describe, expect, it } from 'vitest';
import { NO_LIMITS, STARTING_JOURNALS } from './choices';
import { journalFaults, limitsFaults, withAim } from './journalFaults';

const limits = { least: 40, aim: null, most: 60, source: '' };

describe('limits of the bottom end', () => {
  it.each([
    [{}, {}],
    [{ most: 40 }, { most: 'Mains: the most must be over the least.' }],
    [{ least: null }, { least: 'Mains: enter the least too.' }],
    [{ aim: { from: 39, to: 50 } }, { aim: 'Mains: the aim must lie between the least and the most.' }],
    [{ aim: { from: 50, to: 49 } }, { aim: 'Mains: the aim must lie between the least and the most.' }],
    [{ aim: { from: 50, to: 61 } }, { aim: 'Mains: the aim must lie between the least and the most.' }],
    [{ aim: { from: 40, to: 60 } }, {}],
    [{ most: null, aim: { from: 40, to: 900 } }, {}],
  ])('%j: %j', (change, faults) => expect(limitsFaults('Mains', { ...limits, ...change })).toEqual(faults));

  it('an end of the aim that is moved leaves the other, or stands to the limit; emptied there is none', () => {
    expect(withAim(limits, { from: 45 }).aim).toEqual({ from: 45, to: 60 });
    expect(withAim(limits, { to: 55 }).aim).toEqual({ from: 40, to: 55 });
    expect(withAim({ ...limits, aim: { from: 45, to: 55 } }, { to: 50 }).aim).toEqual({ from: 45, to: 50 });
    expect(withAim({ ...limits, most: null }, { from: 45 }).aim).toEqual({ from: 45, to: 45 });
    expect(withAim({ ...limits, aim: { from: 45, to: 55 } }, { from: null }).aim).toBeNull();
    expect(withAim({ ...limits, aim: { from: 45, to: 55 } }, { to: null }).aim).toBeNull();
  });

  it('each is said at its place', () => {
    const wrong = { ...limits, most: 1 };
    const { main } = STARTING_JOURNALS.bearings;
    const faults = journalFaults({
      ...STARTING_JOURNALS,
      bearings: {
        main: { ...main, clearance: wrong },
        rod: { ...main, sizes: { ...main.sizes, least: 2, most: 1 } },
      },
      ...{ endPlay: wrong, side: wrong, smallEnd: wrong },
      others: [
        { id: 'X1', words: 'Pump', limits: wrong },
        { id: 'X2', words: ' ', limits: NO_LIMITS },
      ],
    });
    expect(Object.keys(faults)).toEqual([
      ...['bearings.main.clearance.most', 'bearings.rod.sizes.most', 'endPlay.most', 'side.most', 'smallEnd.most'],
      ...['others.0.limits.most', 'others.1.words'],
    ]);
    expect(faults['others.0.limits.most']).toBe('Pump: the most must be over the least.');
    expect(journalFaults(STARTING_JOURNALS)).toEqual({});
  });
});
