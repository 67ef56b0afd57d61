/** Where the joints point, on paper and in the table. */
import { type Joint, movedFrom, JOINTS, JOINT_WORDS } from '../../foundation/parts/joints';
import type { Cylinder } from '../../foundation/engine/engine';
import { say } from '../../foundation/quantity/message';
import { type Piece, type Row, type SheetPart, words } from '../contract/report';
import type { Report } from '../contract/stage';
import type { All, ClockingCylinderResult, Whole } from './types';
import { SCHOOL_WORDS } from './schoolWords';

/** Where the joints are planned. */
function rows(_engine: All, { label, id, clocking }: Cylinder & ClockingCylinderResult): Row[] {
  const joints = clocking.plan?.joints;
  if (!joints) return [];
  return JOINTS.map((joint) => ({
    cylinder: label,
    place: id,
    what: `${joint}_joint`,
    direction_deg: String(Math.round(joints[joint] * 1000) / 1000),
    entry: 'plan',
  }));
}

function jointCell({ clocking: { plan }, block: { asFound } }: Whole, joint: Joint): Piece[] {
  if (!plan) return words('–');
  const moved = asFound && movedFrom(plan.joints, asFound).some((m) => m.joint === joint);
  return [
    { kind: 'text', text: `${Math.round(plan.joints[joint]) % 360}°` },
    ...(moved ? [{ kind: 'text' as const, text: `found ${Math.round(asFound[joint])}°`, look: 'below' as const }] : []),
  ];
}

/** Who checked a cylinder at the block, or how far it is. */
function blockWords({ block: { checks, done, checkedBy } }: Whole): string {
  if (done === 0) return '☐';
  const who = checkedBy.join(', ');
  return `${done === checks.length ? 'checked' : `${done} of ${checks.length}`}${who && `, ${who}`}`;
}

function sheet({ choices: { clocking }, clockingChosen }: All, cylinders: readonly Whole[]): SheetPart[] {
  if (!cylinders.some((c) => c.clocking.plan)) return [];
  const { school, sheet: printed } = clocking;
  const from = school === 'sheet' && printed?.from ? ` (${printed.from})` : '';
  return [
    {
      heading: say`Clocking: ${SCHOOL_WORDS[school].toLowerCase()}${from}${clockingChosen ? '' : ', proposed'}`,
      before: [say`Degrees clockwise from the front of the engine, seen on the crown.`],
      table: {
        columns: [
          { words: 'cylinder' },
          ...JOINTS.map((joint) => ({ words: JOINT_WORDS[joint], figures: true })),
          { words: 'at the block' },
        ],
        rows: cylinders.map((c) => [
          words(c.label),
          ...JOINTS.map((joint) => jointCell(c, joint)),
          words(blockWords(c)),
        ]),
      },
      after: [],
    },
  ];
}

export const report = { rows, sheet } satisfies Partial<Report<All, Whole>>;
