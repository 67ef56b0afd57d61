/** What is to be known of fasteners, turning and masses. */
import { openWeights, weightsOf } from './weights/weights';
import { BLOCK, isCylinderId } from '../../foundation/engine/places';
import { say } from '../../foundation/quantity/message';
import { lapsedWords } from '../../record/reading';
import { type Finding, about } from '../contract/finding';
import { usedWords } from './torque/fastenerGroups';
import { torqueRecordOf, unrecorded } from './torque/torqueRecord';
import { isTurnOpen, turnFaults, rotatingTorqueOf } from './rotating/rotatingTorque';
import type { Engine, Whole } from './types';

/** Whether something was signed off as tightened on the walk. */
export const isTightened = ({ log }: Pick<Engine, 'log'>, cylinders: readonly Whole[]): boolean =>
  log.ticks.get(BLOCK)?.get('allTight') !== undefined ||
  cylinders.some(({ block }) => block.checks.some((c) => c.check === 'tightened' && c.tick));

/** A bolt that went too far, a piston that binds, sets that lie apart, a second round by the same hand. */
export function benchFindings(engine: Engine, cylinders: readonly Whole[]): Finding[] {
  const ledger = torqueRecordOf(engine, cylinders);
  const units = engine.job?.units ?? 'metric';
  const at = (place: string): string | null => (isCylinderId(place) ? place : null);
  const label = (place: string): string => engine.labels.get(place) ?? place;
  return [
    ...ledger.flatMap((g) =>
      g.fasteners
        .filter((f) => f.state === 'over' && f.accepted === null)
        .map((f) =>
          about('stop', 'assembly', at(f.cylinder), say`${f.words} ${f.says}.${f.lapsed ? lapsedWords(f.lapsed) : ''}`),
        ),
    ),
    ...rotatingTorqueOf(engine, [])
      .turns.filter(isTurnOpen)
      .flatMap((t) => turnFaults(t, units).map((says) => about('stop', 'assembly', at(t.entry.cylinder), says))),
    ...openWeights(weightsOf({ ...engine, cylinders })).map((o) =>
      about(
        o.isDisagreement ? 'mend' : 'note',
        'assembly',
        o.place,
        say`Cylinder ${label(o.place)}: ${o.says}.${o.lapsed ? lapsedWords(o.lapsed) : ''}`,
      ),
    ),
    ...(isTightened(engine, cylinders)
      ? unrecorded(ledger).map((what) =>
          about('note', 'assembly', null, say`${what}: signed off as torqued, but no torque is on record.`),
        )
      : []),
    ...ledger
      .filter(({ group }) => (group.used ?? 0) > 0 && (group.angle !== null || group.stretch !== null))
      .map(({ group }) =>
        about(
          'note',
          'assembly',
          null,
          say`${group.words}: ${usedWords(group)}. Bolts torqued to an angle or to a stretch are often used only once: see the manual.`,
        ),
      ),
    ...ledger
      .filter((g) => g.isSameHand)
      .map((g) =>
        about(
          'note',
          'assembly',
          null,
          say`${g.group.words}: the second round was by the hand of the first. Another finds what one’s own does not.`,
        ),
      ),
  ];
}
