/** Where joints are, as it is typed: degrees from the front, an hour of the crown as it is shown, or words. */
import type { Faults } from '../../foundation/quantity/faults';
import { type Joint, type Joints, JOINTS } from '../../foundation/parts/joints';
import type { SheetPositions } from './schools';
import { parseCrownAngle } from './words';

/** By joint; empty where nothing is typed. */
export type TypedJoints = Record<Joint, string>;

export const NO_ANGLES: TypedJoints = { top: '', second: '', upperRail: '', expander: '', lowerRail: '' };

const NO_JOINTS: Joints = { top: 0, second: 0, upperRail: 0, expander: 0, lowerRail: 0 };

/**
 * The joints that are typed, in degrees, and what is wrong with others.
 *
 * @param turn degrees that the crown is turned by as it is shown
 * @example parseJoints({ ...NO_ANGLES, top: '45', second: 'up' }, 0).joints // { top: 45 }
 */
export function parseJoints(typed: TypedJoints, turn: number): { joints: Partial<Joints>; faults: Faults } {
  const joints: Partial<Joints> = {};
  const faults: Record<string, string> = {};
  for (const joint of JOINTS) {
    if (typed[joint].trim() === '') continue;
    const heard = parseCrownAngle(typed[joint], turn);
    if (heard.ok) joints[joint] = heard.degrees;
    else faults[joint] = heard.fault;
  }
  return { joints, faults };
}

/** The maker's sheet as it is typed. */
export interface TypedSheet {
  joints: TypedJoints;
  zero: '0' | '90' | '180' | '270';
  sense: SheetPositions['sense'];
  from: string;
}

/**
 * A sheet as a form shows it; empty for none.
 *
 * @example typedSheet(null).zero // '0'
 */
export function typedSheet(sheet: SheetPositions | null): TypedSheet {
  if (!sheet) return { joints: NO_ANGLES, zero: '0', sense: 'clockwise', from: '' };
  const angles = JOINTS.map((joint) => [joint, String(sheet.joints[joint])] as const);
  return {
    joints: { ...NO_ANGLES, ...Object.fromEntries(angles) },
    zero: String(sheet.zero) as TypedSheet['zero'],
    sense: sheet.sense,
    from: sheet.from,
  };
}

/**
 * What a sheet that is typed says; every joint is needed.
 *
 * @example parseSheet(typedSheet(null)).faults.top // 'Enter an angle.'
 */
export function parseSheet({ joints: typed, zero, sense, from }: TypedSheet): {
  sheet: SheetPositions;
  faults: Faults;
} {
  const { joints, faults } = parseJoints(typed, 0);
  const missing = JOINTS.flatMap((joint): [Joint, string][] =>
    typed[joint].trim() === '' ? [[joint, 'Enter an angle.']] : [],
  );
  return {
    sheet: {
      joints: { ...NO_JOINTS, ...joints },
      zero: Number(zero),
      sense,
      from: from.trim(),
    },
    faults: { ...faults, ...Object.fromEntries(missing) },
  };
}
