import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../../../foundation/quantity/length';
import { type TypedGroup, groupFaults, parseGroup, typedGroup } from './fastenerGroupForm';
import type { FastenerGroup } from './fastenerGroups';

const group: FastenerGroup = {
  ...{ id: 'caps', words: 'Main caps', on: 'engine', count: 3, lubricant: 'oil', source: 'manual, page 42' },
  ...{ steps: [40_000, 80_000], angle: 90, stretch: null, order: [2, 1, 3], measured: true, used: 2 },
};
const faultsOf = (change: Partial<TypedGroup>) =>
  parseGroup({ ...typedGroup(group, 'metric'), ...change }, group).faults;

describe('a group of fasteners as it is typed', () => {
  it('is the group it was, in N·m to the last digit, and in lb·ft to the tenth that is shown', () => {
    expect(parseGroup(typedGroup(group, 'metric'), group)).toEqual({ group, faults: {} });
    const { steps } = parseGroup(typedGroup(group, 'imperial'), group).group;
    steps.forEach((step, i) => expect(Math.abs(step - (group.steps[i] ?? 0))).toBeLessThan(68));
  });

  it('stretch is typed in thou or millimetres, and keeps both ends', () => {
    const typed = { ...typedGroup({ ...group, angle: null }, 'imperial'), stretch: '5 – 5.5' };
    expect(parseGroup(typed, group).group.stretch).toEqual({ from: fromThou(5), to: fromThou(5.5) });
  });

  it.each<[string, Partial<TypedGroup>, Record<string, string | RegExp>]>([
    ['no name', { words: ' ' }, { words: 'Enter a name.' }],
    ['no lubricant', { lubricant: '' }, { lubricant: 'Enter the lubricant that the figure is given for.' }],
    ['none of them', { count: '0', order: '' }, { count: 'Enter a whole number from 1 to 60.' }],
    ['half of one', { count: '1.5', order: '' }, { count: 'Enter a whole number from 1 to 60.' }],
    ['steps that are no torques', { steps: '4x 5' }, { steps: /no torques/ }],
    ['a lesser step after a greater', { steps: '80 40' }, { steps: 'Each step must be more than the one before.' }],
    ['nine steps', { steps: '1 2 3 4 5 6 7 8 9' }, { steps: 'At most 8 steps.' }],
    ['nothing to tighten to', { steps: '' }, { steps: 'Enter a torque or a stretch.' }],
    ['two turns and more', { angle: '721' }, { angle: 'Enter degrees from 1 to 720.' }],
    ['an angle and a stretch', { stretch: '0.1 0.2' }, { angle: 'Enter an angle or a stretch, not both.' }],
    ['a stretch backwards', { angle: '', stretch: '0.2 0.1' }, { stretch: /Enter two figures/ }],
    ['one end of a stretch', { angle: '', stretch: '0.2' }, { stretch: /two figures/ }],
    ['an order that leaves one out', { order: '1 2' }, { order: 'Enter each number from 1 to 3 once.' }],
    ['an order with one twice', { order: '1 2 2' }, { order: 'Enter each number from 1 to 3 once.' }],
    ['used, and not how often', { state: 'used', used: '' }, { used: /from 1 to 99/ }],
  ])('%s is said at its field', (_, change, says) => {
    const found = faultsOf(change);
    expect(Object.keys(found)).toEqual(Object.keys(says));
    for (const [field, words] of Object.entries(says)) expect(found[field]).toMatch(words);
  });

  it('whatever is typed: a group without a fault is one that files take too (property)', () => {
    const text = fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom('', '1', '2 3', '10 20', '90', '0.1 0.2'));
    const typed = fc.record({
      ...{ units: fc.constantFrom('metric' as const, 'imperial' as const), words: text, lubricant: text, source: text },
      ...{ on: fc.constantFrom('rods' as const, 'engine' as const), count: text, steps: text, angle: text },
      ...{ stretch: text, order: text, used: text, measured: fc.boolean() },
      state: fc.constantFrom('new' as const, 'used' as const, 'unset' as const),
    });
    fc.assert(
      fc.property(typed, (entry) => {
        const parsed = parseGroup(entry, group);
        if (Object.keys(parsed.faults).length === 0) expect(groupFaults(parsed.group)).toEqual({});
        for (const step of parsed.group.steps) expect(Number.isInteger(step)).toBe(true);
      }),
    );
  });
});
