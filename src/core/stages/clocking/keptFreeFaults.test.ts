import { expect, it } from 'vitest';
import { pocketFaults, sectorFaults } from './keptFreeFaults';

const POCKET = { valve: 'intake', at: 90, out: 25_000_000, across: 40_000_000 } as const;

it('a pocket has a diameter, and lies in the bore where that is known', () => {
  expect(pocketFaults(POCKET, 45_000_000)).toEqual({});
  expect(pocketFaults(POCKET, 44_999_999)).toEqual({ across: 'That lies outside the bore.' });
  expect(pocketFaults(POCKET, null)).toEqual({});
  expect(pocketFaults({ ...POCKET, across: 0 }, 1)).toEqual({ across: 'Enter its diameter.' });
});

it('a sector lies between two directions', () => {
  expect(sectorFaults({ from: 10, to: 350 })).toEqual({});
  expect(sectorFaults({ from: 350, to: 350 })).toEqual({ to: 'Enter two directions.' });
});
