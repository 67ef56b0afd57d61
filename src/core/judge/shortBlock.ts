/** Whether a short block is ready, and everything that is open on it. */
import { BLOCK, isCylinderId } from '../foundation/engine/places';
import { type Judgement, placeAt } from './judgement';
import { type Message, say } from '../foundation/quantity/message';
import type { StageId } from './registry';
import { covers } from './stageTables';
import { openOnCrank } from '../stages/journals/openBearings';
import { weightsOf, openWeights } from '../stages/assembly/weights/weights';
import { torqueRecordOf, openFasteners } from '../stages/assembly/torque/torqueRecord';
import { afterWords, isTurnOpen, rotatingTorqueOf } from '../stages/assembly/rotating/rotatingTorque';
import { blockStepsIn } from '../stages/assembly/engineSteps';
import { isRight } from '../stages/assembly/cylinderSteps';
import { STEP_WORDS } from '../stages/assembly/stepNames';

/** Something that keeps a short block from being ready. */
export interface OpenPoint {
  says: Message;
  stage: StageId;
  /** A cylinder, a main, the crank or the block. */
  place: string;
}

/** What a short block is. */
export interface ShortBlock {
  /** `ready` where nothing is open. */
  isReady: boolean;
  open: OpenPoint[];
}

/**
 * The verdict on a short block: every cylinder ready and through its walk, every bearing done, every step of the engine
 * made, masses and fasteners as far as they were begun, no reminder left on; and whatever the job covers, no stop and no
 * unanswered fix on the engine's own parts.
 *
 * @example shortBlockOf(demo).open.length // 47
 */
export function shortBlockOf(judgement: Judgement): ShortBlock {
  const { cylinders, blockPins, job } = judgement;
  const at = (place: string, stage: StageId, says: Message): OpenPoint => ({ place, stage, says });
  const named = (place: string): string =>
    place === BLOCK
      ? 'Engine'
      : ((p) => (p === undefined ? place : 'words' in p ? p.words : p.label))(placeAt(judgement, place));
  const ofCylinders = cylinders.flatMap(({ id, label, ready, block }) => [
    ...ready.missing.flatMap((m) => (m.isOfEngine ? [] : [at(id, m.stage, say`Cylinder ${label}: ${m.says}`)])),
    ...(covers(job, 'assembly')
      ? block.checks
          .filter((c) => !isRight(c.state) && !block.open.includes(c))
          .map((c) => at(id, 'assembly', say`Cylinder ${label}: ${STEP_WORDS[c.check]}`))
      : []),
  ]);
  const ofCrank = covers(job, 'journals') ? openOnCrank(judgement).map((o) => at(o.place, 'journals', o.says)) : [];
  const ofBlock = [
    ...blockStepsIn(judgement)
      .filter((s) => !isRight(s.state))
      .map((s) => at(BLOCK, 'assembly', say`Engine: ${STEP_WORDS[s.check]}`)),
    ...blockPins.map((p) => at(p.cylinder, 'assembly', say`${named(p.cylinder)}: reminder: ${p.text}`)),
  ];
  const ofBench = [
    ...openWeights(weightsOf(judgement)).map((o) =>
      at(o.place, 'assembly', say`Cylinder ${named(o.place)}: ${o.says}`),
    ),
    ...openFasteners(torqueRecordOf(judgement, cylinders)).map((o) => at(o.place, 'assembly', o.says)),
    ...rotatingTorqueOf(judgement, [])
      .turns.filter(isTurnOpen)
      .map((t) =>
        at(
          t.entry.cylinder,
          'assembly',
          say`Rotating torque: ${t.isJump ? `a jump with cylinder ${t.label}` : `${afterWords(t.entry, t.label)}, over what it may take`}`,
        ),
      ),
  ];
  const own = job ? [...ofCylinders, ...ofCrank, ...(covers(job, 'assembly') ? [...ofBlock, ...ofBench] : [])] : [];
  const known = new Set(own.map((o) => `${o.stage} ${o.place}`));
  const against = judgement.findings.flatMap(({ severity, stage, cylinder, says }): OpenPoint[] => {
    const place = cylinder ?? BLOCK;
    const isOwn = cylinder !== null && !isCylinderId(cylinder);
    const counts = severity === 'stop' ? cylinder === null || isOwn : severity === 'mend' && isOwn;
    return counts && !known.has(`${stage} ${place}`) ? [at(place, stage, says)] : [];
  });
  const reminders = covers(job, 'assembly')
    ? []
    : blockPins.map((p) => at(p.cylinder, 'assembly', say`${named(p.cylinder)}: reminder: ${p.text}`));
  const open = job ? [...own, ...against, ...reminders] : [];
  return { isReady: job !== null && cylinders.length > 0 && open.length === 0, open };
}
