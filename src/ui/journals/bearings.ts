/** The bearings as the screens of the bottom end go through them. */
import { isBottomEndBegun } from '@/core/stages/journals/openBearings';
import { covers } from '@/core/judge/stageTables';
import { CRANK } from '@/core/foundation/engine/places';
import { journalSpots, SHELL_SPOTS } from '@/core/stages/journals/bearingClearance';
import type { JudgedBearing } from '@/core/stages/journals/types';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import type { Judgement } from '@/core/judge/judgement';
import { type At, sameAt } from '@/core/stages/contract/tasks';
import { handAt } from '../openBuild/cursor';
import type { Cursor } from '../openBuild/contexts';

export const JOURNAL_VIEWS = ['readings', 'shells', 'play', 'looks', 'manual'] as const;

/** Places from the front of the crank: mains, and the rods of each throw. */
export const alongCrank = ({ along }: Judgement): string[] =>
  along.flatMap((on) => (on.kind === 'main' ? [on.id] : on.rods));

/** The bearing at a place; undefined for the crank. */
export const bearingAt = ({ mains, rods }: Judgement, id: string): JudgedBearing | undefined =>
  mains.find((b) => b.id === id) ?? rods.find((b) => b.id === id);

/** What is read of one bearing, in order: what the method asks for, and the crushed thread beside it. */
export function besideAt({ tasks }: Judgement, id: string): At<JournalSubject>[] {
  const asked = tasks.journals.flatMap(({ cylinder, subject, spot }) =>
    cylinder === id && subject !== 'smallEnd' ? [{ cylinder, subject, spot }] : [],
  );
  const small = tasks.journals.filter((t) => t.cylinder === id && t.subject === 'smallEnd');
  const thread: At<JournalSubject> = { cylinder: id, subject: 'thread', spot: null };
  return [...asked, ...(asked.some((t) => sameAt(t, thread)) ? [] : [thread]), ...small];
}

/** Where the line stands: on the bearing in hand, at a spot that what is read has. */
export function bearingInHand(judgement: Judgement, cursor: Cursor): At<JournalSubject> {
  const at = handAt(cursor, cursor.inHand.journals) as At<JournalSubject>;
  const spots =
    at.subject === 'journal' ? journalSpots(judgement.choices.journals) : at.subject === 'shell' ? SHELL_SPOTS : [];
  const [first] = spots;
  const isThere = spots.some((s) => s.depth === at.spot?.depth && s.angle === at.spot.angle);
  return first && !isThere ? { ...at, spot: first } : at;
}

/** The first thing to read of a bearing, or the same thing as is in hand. */
export function onBearing(judgement: Judgement, id: string, subject: JournalSubject): At<JournalSubject> {
  const beside = besideAt(judgement, id);
  const open = judgement.tasks.journals.find((t) => t.cylinder === id && !t.done);
  const first = open ?? beside.find((b) => b.subject === subject) ?? beside[0];
  return first
    ? { cylinder: first.cylinder, subject: first.subject, spot: first.spot }
    : { cylinder: id, subject: 'thread', spot: null };
}

/** End play of the crank. */
export const END_PLAY: At<JournalSubject> = { cylinder: CRANK, subject: 'endPlay', spot: null };

/**
 * Where the line of end play, sides and other clearances stands: of the others on one that there is, which another
 * bench may take off the list.
 */
export function playAt(judgement: Judgement, cursor: Cursor, subject: Cursor['inHand']['play']): At<JournalSubject> {
  const at = handAt(cursor, subject) as At<JournalSubject>;
  const { others } = judgement;
  if (at.subject !== 'other' || others.some((o) => o.id === at.cylinder)) return at;
  const [first] = others;
  return first ? { ...at, cylinder: first.id } : END_PLAY;
}

/** Whether bearings are shown: those of a job that covers them, and of one that leaves them to others once one was read. */
export const areBearingsShown = (judgement: Judgement): boolean =>
  covers(judgement.job, 'journals') || isBottomEndBegun(judgement, judgement.cylinders);
