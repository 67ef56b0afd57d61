import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { apart, mirrored, turned } from '../../foundation/quantity/angle';
import { fromInches } from '../../foundation/quantity/length';
import { type Joints, JOINTS, mapJoints } from '../../foundation/parts/joints';
import { STARTING_RULES, checkJoints } from './rules';
import { type School, type SchoolChoices, SCHOOLS, STARTING_SETTINGS, jointsOf } from './schools';
import { STARTING_FACTS, surroundingsOf } from './surroundings';

const SHEET = {
  joints: { top: 30, second: 200, upperRail: 100, expander: 330, lowerRail: 250 },
  zero: 0,
  sense: 'clockwise' as const,
  from: 'packed sheet',
};
const choose = (school: School, change: Partial<SchoolChoices> = {}): SchoolChoices => ({
  school,
  mirrorLeft: true,
  settings: STARTING_SETTINGS,
  sheet: SHEET,
  ...change,
});

function placed(choices: SchoolChoices, bank: 'left' | 'right' | 'only', bore = fromInches(4)): Joints {
  const joints = jointsOf(choices, { bank, bore, high: bank === 'left' ? 90 : 270 });
  if (typeof joints === 'string') throw new Error(joints);
  return joints;
}

describe('schools (common practice, no source)', () => {
  it('opposed on the diagonals: top and second half a turn apart, 45° off the pin, rails a quarter turn from both', () => {
    const joints = placed(choose('diagonals'), 'right');
    expect(apart(joints.top, joints.second)).toBe(180);
    for (const rail of [joints.upperRail, joints.lowerRail]) {
      expect(apart(rail, joints.top)).toBe(90);
      expect(apart(rail, joints.second)).toBe(90);
    }
    for (const joint of [joints.top, joints.second])
      expect([apart(joint, 0), apart(joint, 180)].sort()).toEqual([135, 45].sort());
  });

  it('front and back: top at the front, second at the rear, each rail 1 in of arc (28.648° on 4.000 in) from the expander joint', () => {
    const joints = placed(choose('frontAndBack'), 'only');
    expect(joints).toMatchObject({ top: 0, second: 180, expander: 0 });
    expect(joints.upperRail).toBeCloseTo(28.648, 3);
    expect(joints.lowerRail).toBeCloseTo(331.352, 3);
  });

  it('high and low: top and expander at the high side, second at the low side, rails an arc to either side', () => {
    const joints = placed(choose('highAndLow', { mirrorLeft: false }), 'right');
    expect(joints).toMatchObject({ top: 270, second: 90, expander: 270 });
    expect(joints.upperRail).toBeCloseTo(298.648, 3);
    expect(joints.lowerRail).toBeCloseTo(241.352, 3);
  });

  it('thirds: oil pieces 120° apart, second a quarter turn from the upper rail, top opposite the second', () => {
    const { upperRail, expander, lowerRail, second, top } = placed(choose('thirds'), 'only');
    expect([apart(upperRail, expander), apart(expander, lowerRail), apart(lowerRail, upperRail)]).toEqual([
      120, 120, 120,
    ]);
    expect(apart(second, upperRail)).toBe(90);
    expect(apart(top, second)).toBe(180);
  });

  it('ten, two and six: top at 300°, second at 60°, the pack at 180°; twelve o’clock can point elsewhere', () => {
    expect(placed(choose('tenTwoSix'), 'only')).toMatchObject({ top: 300, second: 60, expander: 180 });
    expect(placed(choose('tenTwoSix', { settings: { ...STARTING_SETTINGS, twelve: 90 } }), 'only')).toMatchObject({
      top: 30,
      second: 150,
      expander: 270,
    });
  });

  it('straight across: top and second 180° apart, rails 180° apart', () => {
    const { top, second, upperRail, lowerRail } = placed(choose('across'), 'only');
    expect([apart(top, second), apart(upperRail, lowerRail)]).toEqual([180, 180]);
  });

  it('a maker’s sheet is read with its own zero and its own sense', () => {
    expect(placed(choose('sheet'), 'only')).toEqual(SHEET.joints);
    expect(placed(choose('sheet', { sheet: { ...SHEET, zero: 90 } }), 'only').top).toBe(120);
    expect(placed(choose('sheet', { sheet: { ...SHEET, zero: 180, sense: 'anticlockwise' } }), 'only').top).toBe(150);
  });

  it('says what it needs where it gives no plan', () => {
    expect(jointsOf(choose('diagonals'), { bank: 'only', bore: null, high: null })).toBeTypeOf('object');
    expect(jointsOf(choose('frontAndBack'), { bank: 'only', bore: null, high: null })).toBe('bore');
    expect(jointsOf(choose('highAndLow'), { bank: 'only', bore: fromInches(4), high: null })).toBe('upright');
    expect(jointsOf(choose('sheet', { sheet: null }), { bank: 'only', bore: fromInches(4), high: null })).toBe('sheet');
  });

  it('a mirrored left bank is the mirror image of the right one, for every school, setting and bore (identity)', () => {
    const degrees = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(
        fc.constantFrom(...SCHOOLS),
        fc.double({ min: 2, max: 6, noNaN: true }),
        degrees,
        degrees,
        degrees,
        (school, inches, offPin, twelve, acrossTop) => {
          const choices = choose(school, { settings: { ...STARTING_SETTINGS, offPin, twelve, acrossTop } });
          const bore = Math.round(inches * 25_400_000);
          const [right, left] = [placed(choices, 'right', bore), placed(choices, 'left', bore)];
          for (const joint of JOINTS) expect(apart(left[joint], mirrored(right[joint]))).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('left alone, the left bank stands as the right one does', () => {
    for (const school of SCHOOLS.filter((s) => s !== 'highAndLow'))
      expect(placed(choose(school, { mirrorLeft: false }), 'left')).toEqual(placed(choose(school), 'right'));
  });

  it('every school keeps its gaps apart: none breaks a rule where it stands as it is drawn', () => {
    for (const school of SCHOOLS)
      for (const bank of ['left', 'right'] as const) {
        const round = surroundingsOf(
          { id: 'x', bank },
          fromInches(4),
          { bankAngle: 90, rotation: 'clockwise' },
          STARTING_FACTS,
        );
        expect(
          checkJoints(placed(choose(school), bank), STARTING_RULES, round, new Set(JOINTS)).filter(
            (r) => r.verdict !== 'pass',
          ),
        ).toEqual([]);
      }
  });
});

describe('rules', () => {
  const round = surroundingsOf(
    { id: 'R1', bank: 'right' },
    fromInches(4),
    { bankAngle: 90, rotation: 'clockwise' },
    STARTING_FACTS,
  );
  const plan = placed(choose('diagonals'), 'right');
  const only = (change: Partial<Joints>, rule: string) =>
    checkJoints({ ...plan, ...change }, STARTING_RULES, round).filter((r) => r.rule === rule);

  it.each([
    [59, 'stop'],
    [60, 'mend'],
    [119, 'mend'],
    [120, 'pass'],
    [180, 'pass'],
  ] as const)('top and second %d° apart: %s (common practice, no source)', (degrees, verdict) => {
    expect(only({ second: plan.top + degrees }, 'topToSecond')).toMatchObject([{ verdict, degrees }]);
  });

  it('warns of rails in line with each other or with the expander joint, and names them', () => {
    expect(only({ lowerRail: plan.upperRail + 5 }, 'railsApart')).toMatchObject([
      { verdict: 'mend', degrees: 5, joints: ['upperRail', 'lowerRail'] },
    ]);
    expect(only({ expander: plan.lowerRail - 14 }, 'railsOffExpander')).toMatchObject([
      { verdict: 'mend', joints: ['lowerRail', 'expander'] },
    ]);
  });

  it('finds a joint over a pin end, on a thrust face, and at the low side at rest', () => {
    expect(only({ top: 3 }, 'pinEnds')).toMatchObject([{ verdict: 'note', joints: ['top'], degrees: 3 }]);
    expect(only({ second: 275 }, 'minorThrust')).toMatchObject([{ verdict: 'note', degrees: 5 }]);
    expect(only({ upperRail: 100 }, 'majorThrust')).toMatchObject([{ verdict: 'mend', degrees: 10 }]);
    expect(only({ upperRail: 100 }, 'lowSide')).toMatchObject([{ verdict: 'note' }]);
    expect(only({ top: 10 }, 'pinEnds')).toMatchObject([{ verdict: 'pass' }]);
  });

  it('a place the school means is told and breaks no rule; moved there by hand it does', () => {
    const joints = { ...plan, top: 0 };
    const at = (placedBySchool: Set<'top'>) =>
      checkJoints(joints, STARTING_RULES, round, placedBySchool).find((r) => r.rule === 'pinEnds');
    expect(at(new Set(['top']))).toMatchObject({
      verdict: 'pass',
      says: expect.stringContaining('as the school has it'),
    });
    expect(at(new Set())).toMatchObject({ verdict: 'note' });
  });

  it('a rule that is off is not looked at, and a limit that is set is the one that holds', () => {
    const rules = {
      ...STARTING_RULES,
      pinEnds: { ...STARTING_RULES.pinEnds, on: false },
      topToSecond: { ...STARTING_RULES.topToSecond, limit: 180 },
    };
    expect(checkJoints({ ...plan, top: 0 }, rules, round).map((r) => r.rule)).not.toContain('pinEnds');
    expect(checkJoints({ ...plan, top: 44 }, rules, round)[0]).toMatchObject({
      rule: 'topToSecond',
      verdict: 'mend',
      degrees: 179,
    });
  });

  it('turning as the cure says ends the breach and begins no other', () => {
    const joint = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(joint, joint, joint, joint, joint, (top, second, upperRail, expander, lowerRail) => {
        const joints = { top, second, upperRail, expander, lowerRail };
        const keys = (j: Joints): string[] =>
          checkJoints(j, STARTING_RULES, round)
            .filter((r) => r.verdict !== 'pass')
            .map((r) => `${r.rule}/${r.joints.join()}`);
        const before = keys(joints);
        for (const breach of checkJoints(joints, STARTING_RULES, round)) {
          if (!breach.cure) continue;
          const { joint: which, to, by } = breach.cure;
          const after = keys({ ...joints, [which]: to });
          expect(after).not.toContain(`${breach.rule}/${breach.joints.join()}`);
          expect(after.every((k) => before.includes(k))).toBe(true);
          expect(turned(joints[which] + by)).toBe(to);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('cures with the least whole turn, and all breaches of a joint at once where one turn can', () => {
    expect(only({ top: 4 }, 'pinEnds')[0]?.cure).toEqual({ joint: 'top', to: 10, by: 6 });
    const pockets = surroundingsOf(
      { id: 'R1', bank: 'right' },
      fromInches(3.78),
      { bankAngle: 90, rotation: 'clockwise' },
      { ...STARTING_FACTS, pockets: [{ valve: 'intake', at: 262, out: 24_000_000, across: 42_000_000 }] },
    );
    const both = checkJoints({ ...plan, lowerRail: 267 }, STARTING_RULES, pockets).filter((r) => r.verdict !== 'pass');
    expect(both.map((r) => r.rule)).toEqual(['minorThrust', 'pockets']);
    for (const { cure } of both) expect(cure).toEqual({ joint: 'lowerRail', to: 246, by: -21 });
  });

  it('turning the whole engine’s plan and what is round it turns nothing else (identity)', () => {
    const joint = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(joint, joint, joint, joint, joint, joint, (top, second, upperRail, expander, lowerRail, turn) => {
        const joints = { top, second, upperRail, expander, lowerRail };
        const apartOnly = {
          ...STARTING_RULES,
          pinEnds: { ...STARTING_RULES.pinEnds, on: false },
          majorThrust: { ...STARTING_RULES.majorThrust, on: false },
          minorThrust: { ...STARTING_RULES.minorThrust, on: false },
          lowSide: { ...STARTING_RULES.lowSide, on: false },
        };
        const verdicts = (by: number) =>
          checkJoints(
            mapJoints(joints, (d) => turned(d + by)),
            apartOnly,
            { ...round, sectors: [{ words: '', from: turned(100 + by), to: turned(150 + by) }] },
          ).map((r) => [r.rule, r.verdict, r.degrees]);
        expect(verdicts(turn)).toEqual(verdicts(0));
      }),
    );
  });
});
