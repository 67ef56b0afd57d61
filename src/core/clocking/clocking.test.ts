import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, arcAngle, mirrored, turned } from '../quantity/angle';
import { fromInches } from '../quantity/length';
import { type ClockingChoices, type Joints, JOINTS, RAIL_ARC, SCHOOLS, checkJoints, directionWords, jointsOf, majorThrust } from './clocking';

const bore = fromInches(4);

function placed(choices: ClockingChoices, bank: 'left' | 'right' | 'only'): Joints {
  const joints = jointsOf(choices, bank, bore);
  if (!joints) throw new Error('a bore is given');
  return joints;
}

describe('angles', () => {
  it('1 in of arc is 28.648° on a 4.000 in bore and 32.740° on 3.500 (identity)', () => {
    expect(arcAngle(RAIL_ARC, fromInches(4))).toBeCloseTo(28.648, 3);
    expect(arcAngle(RAIL_ARC, fromInches(3.5))).toBeCloseTo(32.74, 3);
  });

  it('distance is symmetric, at most half a turn, and unchanged by turning or mirroring both (identity)', () => {
    const angle = fc.integer({ min: -720, max: 720 });
    fc.assert(
      fc.property(angle, angle, angle, (a, b, turn) => {
        expect(apart(a, b)).toBe(apart(b, a));
        expect(apart(a, b)).toBeLessThanOrEqual(180);
        expect(apart(a + turn, b + turn)).toBe(apart(a, b));
        expect(apart(mirrored(a), mirrored(b))).toBe(apart(a, b));
        expect(turned(a) >= 0 && turned(a) < 360).toBe(true);
      }),
    );
  });
});

describe('schools (common practice, no source)', () => {
  it('opposed on the diagonals: top and second half a turn apart, 45° off the pin, rails a quarter turn from both', () => {
    const joints = placed({ school: 'diagonals', mirrorLeft: true }, 'right');
    expect(apart(joints.top, joints.second)).toBe(180);
    for (const rail of [joints.upperRail, joints.lowerRail]) {
      expect(apart(rail, joints.top)).toBe(90);
      expect(apart(rail, joints.second)).toBe(90);
    }
    for (const joint of [joints.top, joints.second]) expect([apart(joint, 0), apart(joint, 180)].sort()).toEqual([135, 45].sort());
  });

  it('front and back: top at the front, second at the rear, each rail 1 in of arc from the expander joint', () => {
    const joints = placed({ school: 'frontAndBack', mirrorLeft: false }, 'only');
    expect(joints).toMatchObject({ top: 0, second: 180, expander: 0 });
    expect(joints.upperRail).toBeCloseTo(28.648, 3);
    expect(joints.lowerRail).toBeCloseTo(331.352, 3);
  });

  it('mirrors the left bank only, and only when asked', () => {
    for (const school of SCHOOLS) {
      const right = placed({ school, mirrorLeft: true }, 'right');
      const left = placed({ school, mirrorLeft: true }, 'left');
      for (const joint of JOINTS) expect(left[joint]).toBeCloseTo(mirrored(right[joint]), 9);
      expect(placed({ school, mirrorLeft: false }, 'left')).toEqual(right);
      expect(placed({ school, mirrorLeft: true }, 'only')).toEqual(right);
    }
  });

  it('needs the bore only where an arc has to become an angle', () => {
    expect(jointsOf({ school: 'diagonals', mirrorLeft: false }, 'only', null)).not.toBeNull();
    expect(jointsOf({ school: 'frontAndBack', mirrorLeft: false }, 'only', null)).toBeNull();
  });

  it('every school passes its own rules on every bank', () => {
    for (const school of SCHOOLS)
      for (const bank of ['left', 'right', 'only'] as const)
        expect(checkJoints(placed({ school, mirrorLeft: true }, bank)).map((r) => r.verdict)).toEqual(['pass', 'pass', 'pass']);
  });
});

describe('rules (common practice, no source)', () => {
  const plan = placed({ school: 'diagonals', mirrorLeft: false }, 'only');
  it.each([
    [59, 'fail'],
    [60, 'warn'],
    [119, 'warn'],
    [120, 'pass'],
    [180, 'pass'],
  ] as const)('top and second %d° apart: %s', (degrees, verdict) => {
    expect(checkJoints({ ...plan, second: plan.top + degrees })[0]).toMatchObject({ rule: 'topToSecond', verdict, degrees });
  });

  it('warns of rails in line with each other or with the expander joint', () => {
    expect(checkJoints({ ...plan, lowerRail: plan.upperRail + 5 })[1]?.verdict).toBe('warn');
    expect(checkJoints({ ...plan, expander: plan.lowerRail - 14 })[2]?.verdict).toBe('warn');
  });
});

describe('directions', () => {
  it('major thrust at 90° for a clockwise crank, else 270° (common practice, no source)', () => {
    expect([majorThrust('clockwise'), majorThrust('anticlockwise')]).toEqual([90, 270]);
  });

  it.each([
    [0, 'only', 'front'],
    [45, 'right', 'front, outboard'],
    [45, 'left', 'front, inboard'],
    [315, 'left', 'front, outboard'],
    [90, 'only', 'right'],
    [180, 'left', 'rear'],
    [225, 'only', 'rear, left'],
    [270, 'right', 'inboard'],
  ] as const)('%d° on the %s bank is %s', (degrees, bank, words) => {
    expect(directionWords(degrees, bank)).toBe(words);
  });
});
