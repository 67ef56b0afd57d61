import { describe, expect, it } from 'vitest';
import { jobEntry } from '@/fixtures/records';
import { judge } from '../../judge/judge';
import { messageText } from '../../foundation/quantity/message';
import { report } from './report';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { BEVELS, SECTIONS, STARTING_RING_SET, UP_MARKS, fromSizes, landState, sideState } from './set';
import { ringFaults, upWords } from './ringOrientation';
import { STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { sectionOutline } from './section';

const { side, top } = STARTING_RING_SET;
const thou = (low: number, high = low) => ({ low: fromThou(low), high: fromThou(high) });

describe('a ring in its groove', () => {
  // common practice, no source: 0.001 to 0.002 in of axial clearance
  it.each([
    [thou(0.5), 'tight'],
    [thou(1), 'in window'],
    [thou(1.5, 2), 'in window'],
    [thou(0.5, 1.5), 'not proven'],
    [thou(2.5), 'loose'],
  ] as const)('axial clearance %o is %s', (found, state) => {
    expect(sideState(found, side, STARTING_STRICTNESS)).toBe(state);
  });

  it('sinks under the land, is flush and so proud, or nobody knows', () => {
    expect([thou(4), thou(0), null].map((f) => landState(f))).toEqual(['below', 'proud', 'to do']);
  });

  it('follows from the sizes where both are known', () => {
    const sizes = {
      axial: fromInches(0.0575),
      radial: fromInches(0.16),
      grooveHeight: fromInches(0.059),
      grooveDepth: fromInches(0.17),
      mass: null,
    };
    expect(fromSizes(sizes).side?.value).toBe(fromThou(1.5));
    expect(fromSizes(sizes).land?.value).toBe(fromThou(10));
    expect(fromSizes({ ...sizes, axial: null, grooveDepth: null })).toEqual({ side: null, land: null });
  });
});

describe('which way up', () => {
  it('“TOP” means this side up, not the top ring', () => {
    expect(upWords({ ...top, mark: 'word' })).toMatch(/this side up; it does not mean the top ring/);
  });

  it('a section that is not the same both ways never goes on by chance', () => {
    expect(upWords({ ...top, mark: 'none', section: 'hook' })).toMatch(/see the sheet/);
    expect(upWords({ ...top, mark: 'none' })).toMatch(/either side/);
    expect(ringFaults({ ...top, mark: 'innerBevel' })).toHaveLength(1);
    for (const bevel of ['insideUp', 'insideDown'] as const)
      expect(ringFaults({ ...top, mark: 'innerBevel', bevel })).toEqual([]);
    expect(upWords({ ...top, mark: 'innerBevel', bevel: 'insideDown' })).toMatch(/faces down, away from the crown/);
    expect(ringFaults({ ...top, mark: 'none', section: 'hook' })).toHaveLength(1);
  });

  it('has words for every mark, and a section drawn inside its frame, the bevel where it is said to be', () => {
    expect(new Set([...UP_MARKS, null].map((mark) => upWords({ ...top, mark }))).size).toBe(UP_MARKS.length + 1);
    for (const section of SECTIONS)
      for (const bevel of BEVELS)
        expect(
          sectionOutline({ section, bevel })
            .flat()
            .every((n) => n >= 0 && n <= 1),
        ).toBe(true);
    expect(sectionOutline({ section: 'plain', bevel: 'insideUp' })).not.toContainEqual([0, 1]);
    expect(sectionOutline({ section: 'plain', bevel: 'insideDown' })).not.toContainEqual([0, 0]);
    expect(sectionOutline({ section: 'hook', bevel: 'none' })).not.toContainEqual([1, 0]);
  });
});

describe('the sheet', () => {
  it('names the ring set over the gaps, where it has a name', () => {
    const over = (name: string): string[] | undefined => {
      const judgement = judge({
        id: 'named',
        entries: [
          jobEntry(),
          {
            ...{ id: 's', at: '2026-05-04T09:00:00.000Z', by: 'AB', kind: 'ringSet', replaces: null },
            value: { ...STARTING_RING_SET, name },
          },
        ],
      });
      const [gaps] = report.sheet(judgement, judgement.cylinders);
      return gaps?.before.map((words) => messageText(words, 'imperial'));
    };
    expect(over('packet 12')).toEqual(['packet 12']);
    expect(over('')).toEqual([]);
  });
});
