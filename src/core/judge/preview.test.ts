import { describe, expect, it } from 'vitest';
import { reading, record } from '@/fixtures/records';
import { STARTING_BORES } from '../stages/bores/measuringPlan';
import { fromThou } from '../foundation/quantity/length';
import type { Entry } from './buildRecord';
import type { At } from '../stages/contract/tasks';
import type { Subject } from './registry';
import { judge } from './judge';
import { EMPTY_HAND, asChoice, asEntry, readingOf } from './preview';

const stamp = (id: string) => ({ id, at: '2026-05-04T09:00:00.000Z', by: 'AB', replaces: null });
const at = (cylinder: string, subject: Subject): At<Subject> => ({ cylinder, subject, spot: null });
const meaning = { value: fromThou(22), upTo: null, taken: '' };
/** The pistons of cylinders 1 and 3 (L1 and L2) swapped, and the top rings of 1 and 2 (L1 and R1). */
const swapped: Entry[] = [
  {
    ...stamp('pairing'),
    kind: 'pairing',
    value: {
      ...judge(record()).choices.pairing,
      pairs: ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'].map((cylinder) => ({
        cylinder,
        piston: { L1: 'L2', L2: 'L1' }[cylinder] ?? cylinder,
      })),
    },
  },
  {
    ...stamp('placing'),
    kind: 'placing',
    value: {
      ...judge(record()).choices.placing,
      top: {
        locked: [],
        pairs: ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'].map((cylinder) => ({
          cylinder,
          ring: { L1: 'R1', R1: 'L1' }[cylinder] ?? cylinder,
        })),
      },
    },
  },
];

describe('the reading that an entry would make', () => {
  it('of a piston, its pin and its grooves, is filed under the number of the piston in that cylinder', () => {
    const judgement = judge(record(...swapped));
    for (const subject of ['piston', 'pin', 'pinBore', 'topSide'] as const)
      expect(readingOf(judgement, at('L1', subject), meaning, EMPTY_HAND, '22').cylinder).toBe('L2');
    expect(readingOf(judgement, at('L1', 'strip'), meaning, EMPTY_HAND, '22').cylinder).toBe('L1');
  });

  it('of a ring says which ring it is and the bore it was read in, and how it stood', () => {
    const hand = {
      ...EMPTY_HAND,
      ring: { depth: 'bottom' as const, squaring: 'tool' as const, deburred: true, squared: false },
    };
    const made = readingOf(judge(record(...swapped)), at('L1', 'top'), { ...meaning, open: true }, hand, '22+');
    expect(made).toMatchObject({ cylinder: 'L1', typed: '22+', plate: null, place: null });
    expect(made.fit).toEqual({
      ring: 'R1',
      depth: 'bottom',
      squaring: 'tool',
      deburred: true,
      squared: false,
      open: true,
    });
    expect(readingOf(judge(record()), at('L1', 'top'), meaning, EMPTY_HAND, '22').fit).toMatchObject({
      ring: 'L1',
      depth: null,
      open: false,
    });
  });

  it('of a bore says where in it, and whether the torque plate was on; of anything else neither', () => {
    const plate: Entry = { ...stamp('plate'), kind: 'bores', value: { ...STARTING_BORES, plate: true } };
    const judgement = judge(record(plate));
    const spot = { depth: 'top' as const, angle: 90 };
    const bore = readingOf(judgement, { cylinder: 'L1', subject: 'bore', spot }, meaning, EMPTY_HAND, '4.065');
    expect(bore).toMatchObject({ place: spot, plate: true, fit: null });
    expect(readingOf(judgement, at('L1', 'piston'), meaning, EMPTY_HAND, '4.06')).toMatchObject({
      place: null,
      plate: null,
      fit: null,
    });
  });

  it('carries the tool, the temperatures, and both leaves', () => {
    const hand = { instrument: 'mic.1', temperature: 25, gaugeTemperature: 21 };
    const made = readingOf(judge(record()), at('L1', 'top'), { ...meaning, upTo: fromThou(23) }, hand, '22/23');
    expect(made).toMatchObject({ ...hand, value: fromThou(22), upTo: fromThou(23) });
  });

  it('is judged as it would be once logged', () => {
    const before = record();
    const made = readingOf(judge(before), at('L1', 'top'), meaning, EMPTY_HAND, '22');
    const logged: Entry = { ...reading('a', 'L1', 'top', 0), ...made };
    const states = (entry: Entry): unknown => judge(record(entry)).cylinders.map((c) => c.rings.top.state);
    expect(states(asEntry(made))).toEqual(states(logged));
  });
});

it('a choice is previewed over whatever stands', () => {
  const { bores } = judge(record()).choices;
  const previewed = judge(record(asChoice('bores', { ...bores, repeats: 3 })));
  expect(previewed.choices.bores.repeats).toBe(3);
  expect(asChoice('bores', bores)).toMatchObject({ kind: 'bores', replaces: null });
});
