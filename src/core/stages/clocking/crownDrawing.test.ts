import { describe, expect, it } from 'vitest';
import { demoRecords } from '../../../../scripts/demoRecords';
import { judge } from '@/core/judge/judge';
import { crownOf } from './crownDrawing';
import { isBreach } from './cylinderClocking';

describe('the crown of a plan', () => {
  it('marks the joints of the rules that are broken, and no others', () => {
    const told = demoRecords().flatMap((record) => {
      const { choices, cylinders } = judge(record);
      return cylinders.flatMap(({ clocking }) => {
        const scene = crownOf(clocking, choices.clocking, 'bench', 'full');
        const marked = scene?.items.filter((item) => 'text' in item && item.text.endsWith(' !')).length;
        const broken = new Set(clocking.rules.filter(isBreach).flatMap((rule) => rule.joints)).size;
        return scene ? [{ marked, broken }] : [];
      });
    });
    for (const { marked, broken } of told) expect(marked).toBe(broken);
    expect(new Set(told.map(({ broken }) => broken > 0))).toEqual(new Set([true, false]));
  });
});
