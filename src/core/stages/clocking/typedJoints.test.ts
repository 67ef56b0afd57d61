import { expect, it } from 'vitest';
import { NO_ANGLES, parseJoints, parseSheet, typedSheet } from './typedJoints';

const ALL = { top: '45', second: '225', upperRail: '1:30', expander: 'rear', lowerRail: '315' };

it('joints are typed as degrees, hours of the crown as it is shown, or words; what is empty is left out', () => {
  expect(parseJoints(ALL, 0)).toEqual({
    joints: { top: 45, second: 225, upperRail: 45, expander: 180, lowerRail: 315 },
    faults: {},
  });
  expect(parseJoints({ ...NO_ANGLES, upperRail: '1:30' }, 90).joints).toEqual({ upperRail: 315 });
  expect(Object.keys(parseJoints({ ...NO_ANGLES, top: 'there' }, 0).faults)).toEqual(['top']);
});

it('a sheet needs every joint, and is typed as it was set', () => {
  const { sheet, faults } = parseSheet({ joints: ALL, zero: '90', sense: 'anticlockwise', from: ' TF-82 ' });
  expect(faults).toEqual({});
  expect(sheet).toMatchObject({ zero: 90, sense: 'anticlockwise', from: 'TF-82', joints: { upperRail: 45 } });
  expect(parseSheet(typedSheet(sheet))).toEqual({ sheet, faults: {} });
  expect(parseSheet({ ...typedSheet(sheet), joints: { ...ALL, second: ' ', top: 'there' } }).faults).toMatchObject({
    second: 'Enter an angle.',
    top: expect.any(String),
  });
});
