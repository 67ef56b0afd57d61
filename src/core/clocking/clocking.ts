/**
 * Clocking: where the five joints of a piston point when it goes in.
 *
 * Seen on the crown, 0° is the engine's front, clockwise. The pin lies along the crank: its ends are at
 * 0° and 180°, the thrust faces at 90° and 270°. Rings turn in service; it is the start that is set, and
 * fitters differ. Common practice, no source, for every school and rule here.
 */
import type { Bank, Rotation } from '../engine/engine';
import { apart, arcAngle, mirrored, turned } from '../quantity/angle';
import { type Nm, NM_PER_INCH } from '../quantity/length';

export const JOINTS = ['top', 'second', 'upperRail', 'expander', 'lowerRail'] as const;
export type Joint = (typeof JOINTS)[number];

/** Degrees of each joint, clockwise from the front. */
export type Joints = Record<Joint, number>;

export const JOINT_WORDS: Record<Joint, string> = {
  top: 'top ring gap',
  second: 'second ring gap',
  upperRail: 'upper rail gap',
  expander: 'expander joint',
  lowerRail: 'lower rail gap',
};

export const SCHOOLS = ['diagonals', 'frontAndBack'] as const;
export type School = (typeof SCHOOLS)[number];

export const SCHOOL_WORDS: Record<School, string> = {
  diagonals: 'Opposed on the diagonals',
  frontAndBack: 'Front and back',
};

export const SCHOOL_REASONS: Record<School, string> = {
  diagonals: 'Top and second half a turn apart, 45° off the pin and clear of both thrust faces; the rails a quarter turn from them.',
  frontAndBack: 'Top at the front and second at the rear, over the pin ends where side load is least; expander joint at the front, a rail about 1 in of arc to either side of it.',
};

export interface ClockingChoices {
  school: School;
  /** Whether the left bank is the mirror image of the right one. */
  mirrorLeft: boolean;
}

/** Arc from the expander joint to each rail in the front-and-back school: 1 in. */
export const RAIL_ARC: Nm = NM_PER_INCH;

const DIAGONALS: Joints = { top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 };

function frontAndBack(bore: Nm): Joints {
  const step = arcAngle(RAIL_ARC, bore);
  return { top: 0, second: 180, upperRail: turned(step), expander: 0, lowerRail: turned(-step) };
}

const mapJoints = (joints: Joints, change: (degrees: number) => number): Joints => ({
  top: change(joints.top),
  second: change(joints.second),
  upperRail: change(joints.upperRail),
  expander: change(joints.expander),
  lowerRail: change(joints.lowerRail),
});

/**
 * Where a school puts the joints of one cylinder.
 *
 * @param bore bore in nm, or null while it is not known; only the front-and-back school depends on it
 * @returns degrees clockwise from the front, 0 ≤ a < 360; null where the bore is needed and not known
 */
export function jointsOf({ school, mirrorLeft }: ClockingChoices, bank: Bank, bore: Nm | null): Joints | null {
  const joints = school === 'diagonals' ? DIAGONALS : bore === null ? null : frontAndBack(bore);
  return joints && mirrorLeft && bank === 'left' ? mapJoints(joints, mirrored) : joints;
}

/**
 * Direction of the major thrust face: 90° for a crank turning clockwise seen from the front, on every
 * bank, else 270°. After top dead centre the rod leans so that the piston is pressed to that side.
 */
export const majorThrust = (rotation: Rotation): number => (rotation === 'clockwise' ? 90 : 270);

/** Least angle from top to second: fails under the first, warns under the second. */
export const TOP_TO_SECOND = { fail: 60, warn: 120 };
/** Least angle between a rail and the other rail or the expander joint before they count as in line. */
export const IN_LINE = 15;

export type RuleVerdict = 'pass' | 'warn' | 'fail';

export interface RuleResult {
  rule: 'topToSecond' | 'railsApart' | 'railsOffExpander';
  verdict: RuleVerdict;
  /** The angle the verdict rests on. */
  degrees: number;
  text: string;
}

const inLineVerdict = (degrees: number): RuleVerdict => (degrees < IN_LINE ? 'warn' : 'pass');

/** The rules that every plan is held against, with the angle each verdict rests on. */
export function checkJoints(joints: Joints): RuleResult[] {
  const compression = apart(joints.top, joints.second);
  const rails = apart(joints.upperRail, joints.lowerRail);
  const expander = Math.min(apart(joints.upperRail, joints.expander), apart(joints.lowerRail, joints.expander));
  const verdict = compression < TOP_TO_SECOND.fail ? 'fail' : compression < TOP_TO_SECOND.warn ? 'warn' : 'pass';
  const round = (degrees: number): number => Math.round(degrees * 10) / 10;
  return [
    {
      rule: 'topToSecond',
      verdict,
      degrees: compression,
      text:
        verdict === 'pass'
          ? `top to second ${round(compression)}°`
          : `Top and second gaps are ${round(compression)}° apart: gas has a short way down. Turn one until they are ${TOP_TO_SECOND.warn}° apart or more.`,
    },
    { rule: 'railsApart', verdict: inLineVerdict(rails), degrees: rails, text: `rails ${round(rails)}° apart` },
    { rule: 'railsOffExpander', verdict: inLineVerdict(expander), degrees: expander, text: `nearest rail ${round(expander)}° from the expander joint` },
  ];
}

/** Inboard and outboard as seen on a bank: outboard is 90° on the right bank, 270° on the left. */
function sideWord(right: boolean, bank: Bank): string {
  if (bank === 'only') return right ? 'right' : 'left';
  return right === (bank === 'right') ? 'outboard' : 'inboard';
}

/** A direction on the crown in plain words, e.g. `front, outboard`, `rear`, `left`. */
export function directionWords(degrees: number, bank: Bank): string {
  const angle = turned(degrees);
  const end = apart(angle, 0) < 67.5 ? 'front' : apart(angle, 180) < 67.5 ? 'rear' : null;
  const side = apart(angle, 90) < 67.5 ? sideWord(true, bank) : apart(angle, 270) < 67.5 ? sideWord(false, bank) : null;
  return [end, side].filter(Boolean).join(', ');
}
