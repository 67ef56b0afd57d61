import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { apart, turned } from '../../foundation/quantity/angle';
import { fromMm } from '../../foundation/quantity/length';
import { crownScene, markPath } from './crown';
import { type CrownAsk, type Box, BORE_RADIUS } from './crownScene';
import { type Joints, JOINTS } from '../../foundation/parts/joints';
import { STARTING_RULES, keptFree } from './rules';
import { STARTING_FACTS, surroundingsOf } from './surroundings';

const bore = fromMm(96);
const facts = {
  ...STARTING_FACTS,
  intake: 'inboard' as const,
  pockets: [{ valve: 'intake' as const, at: 262, out: fromMm(24), across: fromMm(42) }],
};

function ask(joints: Joints, change: Partial<CrownAsk> = {}): CrownAsk {
  const round = surroundingsOf({ id: 'R1', bank: 'right' }, bore, { bankAngle: 90, rotation: 'clockwise' }, facts);
  return { joints, round, free: keptFree(STARTING_RULES, round), broken: new Set(), turn: 0, style: 'full', ...change };
}

const overlap = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
const degrees = fc.oneof(fc.integer({ min: 0, max: 359 }), fc.constantFrom(0, 90, 180, 270, 45));
const joints: fc.Arbitrary<Joints> = fc.record({
  top: degrees,
  second: degrees,
  upperRail: degrees,
  expander: degrees,
  lowerRail: degrees,
});

describe('the crown as a drawing', () => {
  it('no words collide with each other nor with the bore, and none leave the drawing, wherever the joints are and however it is turned', () => {
    fc.assert(
      fc.property(joints, fc.constantFrom(0, 90, 180, 270), fc.subarray([...JOINTS]), (placed, turn, broken) => {
        const { words, box } = crownScene(ask(placed, { turn, broken: new Set(broken) }));
        expect(words).toHaveLength(5 + 4 + 10);
        words.forEach((a, i) => {
          for (const b of words.slice(i + 1)) expect(overlap(a, b), JSON.stringify([a, b])).toBe(false);
          const nearest = Math.hypot(Math.max(0, a.x, -(a.x + a.w)), Math.max(0, a.y, -(a.y + a.h)));
          expect(nearest).toBeGreaterThan(BORE_RADIUS);
          expect(
            a.x >= box.x && a.x + a.w <= box.x + box.w && a.y >= box.y && a.y + a.h <= box.y + box.h,
            JSON.stringify([a, box]),
          ).toBe(true);
        });
      }),
      { numRuns: runs(400) },
    );
  });

  it('marks stand at their joints’ angles, turned as the picture is, each on a ring of its own', () => {
    fc.assert(
      fc.property(
        joints,
        fc.constantFrom(0, 90, 180, 270),
        fc.constantFrom('full' as const, 'card' as const),
        (placed, turn, style) => {
          const { marks } = crownScene(ask(placed, { turn, style }));
          for (const { joint, x, y } of marks)
            expect(apart((Math.atan2(x, -y) * 180) / Math.PI, placed[joint] + turn)).toBeLessThan(1e-6);
          const radii = marks.map(({ x, y }) => Math.round(Math.hypot(x, y)));
          expect(radii).toEqual([...radii].sort((a, b) => b - a));
          expect(new Set(radii).size).toBe(5);
        },
      ),
    );
  });

  it('draws pockets to the scale of the bore, where they lie (identity)', () => {
    const circle = crownScene(ask({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 })).items.find(
      (i) => i.kind === 'circle' && i.r < BORE_RADIUS && i.r > 72,
    );
    if (circle?.kind !== 'circle') throw new Error('no pocket');
    expect((circle.r * 2) / (2 * BORE_RADIUS)).toBeCloseTo(42 / 96, 9);
    expect(Math.hypot(circle.x, circle.y) / BORE_RADIUS).toBeCloseTo(24 / 48, 9);
    expect(turned((Math.atan2(circle.x, -circle.y) * 180) / Math.PI)).toBeCloseTo(262, 6);
  });

  it('each joint has an outline of its own', () => {
    expect(new Set(JOINTS.map((joint) => markPath(joint, 10))).size).toBe(5);
  });

  it('says major thrust where the crank’s rotation puts it', () => {
    const round = surroundingsOf(
      { id: '1', bank: 'only' },
      bore,
      { bankAngle: 0, rotation: 'anticlockwise' },
      STARTING_FACTS,
    );
    const texts = crownScene(
      ask({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 }, { round }),
    ).items.flatMap((i) => (i.kind === 'text' ? [i.text] : []));
    expect(texts).toContain('major thrust 270°');
    expect(texts).toContain('minor thrust 90°');
  });

  it('without its rings: the front mark alone, large, where it points, named', () => {
    const hung = crownScene(
      ask(
        { top: 0, second: 90, upperRail: 0, expander: 0, lowerRail: 0 },
        { joints: null, style: 'card', free: [], turn: 90 },
      ),
    );
    expect(hung.marks).toEqual([]);
    expect(hung.items.filter((i) => i.kind !== 'text' && i.stroke === 'ring')).toEqual([]);
    const wedge = hung.items.flatMap((i) => (i.kind === 'path' && i.fill === 'ink' ? [i.d] : []));
    // a quarter turned, the front is on the right
    expect(wedge).toEqual([expect.stringMatching(/^M190\.0 -?0\.0L/)]);
    expect(hung.items.some((i) => i.kind === 'text' && i.text === 'arrow')).toBe(true);
  });
});
