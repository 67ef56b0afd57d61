/** Where the work is: which cylinder, and what of it. */
import { firstSpot } from '@/core/stages/bores/bore';
import { CRANK, isCylinderId, otherId } from '@/core/foundation/engine/places';
import type { Judgement } from '@/core/judge/judgement';
import { type At, nextTask } from '@/core/stages/contract/tasks';
import type { ListId, Subject } from '@/core/judge/registry';
import { LISTS_OF, STAGE_IDS, SUBJECTS, SUBJECT_IDS, covers, listOf } from '@/core/judge/stageTables';
import type { Cursor } from './contexts';

/** The first of each list. */
const FIRST = Object.fromEntries(
  SUBJECT_IDS.toReversed().map((subject) => [listOf(subject), subject]),
) as Cursor['inHand'];

/** A cursor with a subject in hand. */
export const withSubject = (inHand: Cursor['inHand'], subject: Subject): Cursor['inHand'] => ({
  ...inHand,
  [listOf(subject)]: subject,
});

/** A cursor moved to a thing to read. */
export function movedTo(before: Cursor, { cylinder: at, subject, spot }: At<Subject>, chosen: boolean): Cursor {
  const { spots } = SUBJECTS[subject];
  const isCylinder = isCylinderId(at);
  return {
    cylinder: isCylinder ? at : before.cylinder,
    place: isCylinder ? null : at,
    chosen,
    spot: (spots === 'bore' ? spot : null) ?? before.spot,
    onBearing: (spots === 'bearing' ? spot : null) ?? before.onBearing,
    inHand: withSubject(before.inHand, subject),
  };
}

/** Where a subject is in hand: on the cylinder, or on what else of the engine is. */
export function handAt({ cylinder, place, spot, onBearing }: Cursor, subject: Subject): At<Subject> {
  const { number, spots } = SUBJECTS[subject];
  const on = { crank: CRANK, other: isOther(place) ? place : otherId(1), bearing: isMain(place) ? place : cylinder };
  return {
    cylinder: number === 'crank' || number === 'other' || number === 'bearing' ? on[number] : cylinder,
    subject,
    spot: spots === 'bore' ? spot : spots === 'bearing' ? onBearing : null,
  };
}

const isMain = (place: string | null): place is string => place?.startsWith('M') ?? false;
const isOther = (place: string | null): place is string => place?.startsWith('X') ?? false;

/** Where a build is opened: at the first open ring once rings are begun, else at what is open first on the stages that the job covers. */
export function startingCursor({ job, tasks, cylinders, choices }: Judgement): Cursor {
  const open = Object.fromEntries(
    (Object.keys(tasks) as ListId[]).map((list) => [list, nextTask<Subject>(tasks[list], null)]),
  ) as Record<ListId, At<Subject> | null>;
  const inOrder = STAGE_IDS.flatMap((id) => (covers(job, id) ? LISTS_OF[id].map((list) => open[list]) : []));
  const isBegun = tasks.rings.some((t) => t.done);
  const first = isBegun ? open.rings : inOrder.find((at) => at && isCylinderId(at.cylinder));
  const cylinder = first?.cylinder ?? open.rings?.cylinder ?? cylinders[0]?.id ?? '';
  const here = Object.values(open).flatMap((at) => (at?.cylinder === cylinder ? [at] : []));
  return {
    cylinder,
    place: null,
    onBearing: { depth: 'front', angle: 0 },
    spot: here.find((at) => at.subject === 'bore')?.spot ?? firstSpot(choices.bores),
    inHand: here.reduce((inHand, at) => withSubject(inHand, at.subject), FIRST),
    chosen: false,
  };
}

/** Where the work goes on: at what is open first of the list in sight, else where a build is opened. */
export function resumedCursor(judgement: Judgement, list: ListId | null): Cursor {
  const start = startingCursor(judgement);
  const open = list && nextTask<Subject>(judgement.tasks[list], null);
  return open ? movedTo(start, open, false) : start;
}
