/** Targets on paper: what every figure must be, and from which source. */
import { clear, fine, say, size } from '../../foundation/quantity/message';
import { acceptedWords } from '../../record/reading';
import { type Piece, type SheetPart, words } from '../contract/report';
import type { Report } from '../contract/stage';
import { adderWords } from '../../models/load/adderWords';
import type { Engine, TargetsEngineResult, Whole } from './types';
import type { OwnFigure } from './ownFigure';
import { type Target, standingWords } from '../../models/targets/target';
import { SURFACE_WORDS } from '../../foundation/parts/materials';

function targetRow(figure: string, target: Target, own: OwnFigure | null): Piece[][] {
  if (!target.set) return [words(figure), words('–'), words('–'), words(target.ask)];
  const { least, aimFrom, aimTo, most, mostHard, from, standing } = target.inForce;
  const limits =
    most === null ? say`${fine(least)} at least` : say`${fine(least)} to ${fine(most)}${mostHard ? ', hard' : ''}`;
  return [
    words(figure),
    [{ kind: 'range', from: aimFrom, to: aimTo }],
    [{ kind: 'said', says: limits }],
    words(
      `${from} (${standingWords(standing)})${own?.accepted ? `; outside the ${own.over.rank}, ${acceptedWords(own.accepted)}` : ''}`,
    ),
  ];
}

function sheet(
  { standard, own, job, duty, piston, choices: { chart } }: Engine & TargetsEngineResult,
  cylinders: readonly Whole[],
): SheetPart[] {
  if (!standard || !job) return [];
  const allowed = cylinders.flatMap(({ label, allowance }) => (allowance ? [{ label, allowance }] : []));
  const { now, later } = job.service;
  const basis =
    standard.cylinder === null ? 'planned bore' : `own measured bores; shown for cylinder ${standard.cylinder}`;
  const setWith = say`${job.plannedBore === null ? '' : say`Planned bore ${size(job.plannedBore)}. `}For: ${
    duty.row?.words ?? 'not set'
  }. Pistons: ${piston?.words ?? 'not set'}. Cylinder wall: ${
    job.surface ? SURFACE_WORDS[job.surface] : 'not set'
  }.${adderWords(now) === 'none' ? '' : ` Power adder: ${adderWords(now)}.`}${
    later ? ` Planned upgrades: ${adderWords(later)}.` : ''
  } From ${basis}. ${chart.name}, version ${chart.version}.`;
  const looser = allowed.map(
    ({ label, allowance: { gap, clearance, reason } }, i) =>
      say`${i === 0 ? '' : '; '}cylinder ${label}, gaps + ${fine(gap)}, clearance + ${clear(clearance)}${reason ? ` (${reason})` : ''}`,
  );
  return [
    {
      heading: say`Targets`,
      before: [setWith, ...(allowed.length > 0 ? [say`Fitted looser on purpose: ${looser.flat()}.`] : [])],
      table: {
        columns: [
          { words: 'figure' },
          { words: 'aim', figures: true },
          { words: 'limits', figures: true },
          { words: 'source' },
        ],
        rows: [
          targetRow('Top ring gap', standard.targets.top, own.top),
          targetRow('Second ring gap', standard.targets.second, own.second),
          targetRow('Oil rails', standard.targets.rails, own.rails),
          targetRow('Piston to wall', standard.targets.clearance, own.clearance),
        ],
      },
      after: [],
    },
  ];
}

export const report = { sheet } satisfies Partial<Report<Engine & TargetsEngineResult, Whole>>;
