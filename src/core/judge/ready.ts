/** What stands against a cylinder: what it lacks on the stages that the job covers, and what is found whatever it covers. */
import { isCylinderId } from '../foundation/engine/places';
import { say } from '../foundation/quantity/message';
import type { Finding } from '../stages/contract/finding';
import type { StageId } from './registry';
import { STAGE_IDS, covers } from './stageTables';
import { type JudgedCylinder, type Judgement, type Lacking, asked } from './judgement';

const isOfEngine = ({ cylinder }: Finding): boolean => cylinder === null || !isCylinderId(cylinder);

/** Whether a finding stands against a cylinder: a stop or a fix on it, or a stop on the engine's own parts. */
export const isAgainst = (finding: Finding, cylinder: string): boolean =>
  isOfEngine(finding) ? finding.severity === 'stop' : finding.cylinder === cylinder && finding.severity !== 'note';

/** What stands against a cylinder on a stage that the job leaves to others: what was begun there all the same. */
function begunElsewhere(stage: StageId, engine: Judgement, cylinder: JudgedCylinder): Lacking[] {
  if (stage === 'assembly')
    return cylinder.pins.map(({ text }) => ({ says: say`Reminder: ${text}`, subject: null, stage, isOfEngine: false }));
  const isBegun = cylinder.bore.spots.some((spot) => spot.value !== null || spot.off !== null);
  if (stage !== 'bores' || !isBegun) return [];
  return lackingOn(stage, engine, cylinder);
}

const lackingOn = (stage: StageId, engine: Judgement, cylinder: JudgedCylinder): Lacking[] =>
  asked(stage)
    .missing(engine.choices, cylinder)
    .map((m): Lacking => ({ ...m, stage, isOfEngine: false }));

/**
 * What keeps a cylinder from being ready.
 *
 * @param against the findings that stand against it, see `isAgainst`; one is left out where its stage names what is missing already
 */
export function lackingOf(
  engine: Judgement,
  cylinder: JudgedCylinder,
  against: readonly Finding<StageId>[],
): Lacking[] {
  const missing = STAGE_IDS.flatMap((stage) =>
    covers(engine.job, stage) ? lackingOn(stage, engine, cylinder) : begunElsewhere(stage, engine, cylinder),
  );
  const named = new Set(missing.map((m) => m.stage));
  return [
    ...missing,
    ...against.flatMap((f): Lacking[] =>
      isOfEngine(f) || !named.has(f.stage)
        ? [{ says: f.says, subject: null, stage: f.stage, isOfEngine: isOfEngine(f) }]
        : [],
    ),
  ];
}
