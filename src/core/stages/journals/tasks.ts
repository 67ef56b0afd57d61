/** What there is to read of the bottom end, and what a cylinder lacks there. */
import { CRANK } from '../../foundation/engine/places';
import { say } from '../../foundation/quantity/message';
import type { Missing } from '../contract/stage';
import type { Task } from '../contract/tasks';
import type { JournalChoices } from './choices';
import type { All, JournalsCylinderResult, JudgedBearing, Whole } from './types';
import { isJournalRight, isLookedAt, isOpen, isSettled, journalLacks } from './openBearings';
import { SHELL_SPOTS, journalSpots } from './bearingClearance';

/** What can be read of the bottom end. */
const JOURNAL_SUBJECTS = [
  'journal',
  'housing',
  'bare',
  'shell',
  'thread',
  'endPlay',
  'side',
  'smallEnd',
  'other',
] as const;
export type JournalSubject = (typeof JOURNAL_SUBJECTS)[number];

const task = (cylinder: string, subject: JournalSubject, done: boolean, spot: Task['spot'] = null) => ({
  cylinder,
  subject,
  spot,
  done,
});

/** What is read of one bearing, by the method that was chosen. */
function bearingTasks(b: JudgedBearing, { method, ...grid }: JournalChoices): Task<JournalSubject>[] {
  if (method === 'thread') return [task(b.id, 'thread', b.clearance.check !== null)];
  const spots = journalSpots(grid);
  const read = (all: JudgedBearing['journal']['spots'], spot: Task['spot']): boolean =>
    all.some((s) => s.depth === spot?.depth && s.angle === spot.angle && s.value !== null);
  const journal = spots.map((spot) => task(b.id, 'journal', read(b.journal.spots, spot), spot));
  if (method === 'with shells') return [...journal, task(b.id, 'housing', b.housing !== null)];
  return [
    ...journal,
    ...SHELL_SPOTS.map((spot) => task(b.id, 'shell', read(b.shells.spots, spot), spot)),
    task(b.id, 'bare', b.bare !== null),
  ];
}

/** Sizes of bearings, in the order of the route. */
export function journalTasks(
  { mains, choices: { journals } }: All,
  cylinders: readonly Whole[],
): Task<JournalSubject>[] {
  const { route, asks } = journals;
  const inOrder = (bearings: readonly JudgedBearing[]): Task<JournalSubject>[] => {
    const tasks = bearings.flatMap((b) => bearingTasks(b, journals));
    return route === 'byBearing'
      ? tasks
      : JOURNAL_SUBJECTS.flatMap((subject) => tasks.filter((t) => t.subject === subject));
  };
  return [
    ...inOrder(mains),
    ...inOrder(cylinders.map((c) => c.rod)),
    ...(asks.smallEnd ? cylinders.map((c) => task(c.id, 'smallEnd', c.smallEnd.state !== 'to do')) : []),
  ];
}

/** What is read once crank and rods are in. */
export function playTasks(engine: All, cylinders: readonly Whole[]): Task<JournalSubject>[] {
  const { crank } = engine;
  const { asks } = engine.choices.journals;
  return [
    ...(asks.endPlay && crank ? [task(CRANK, 'endPlay', crank.endPlay.value !== null)] : []),
    ...(asks.side
      ? cylinders.flatMap((c) =>
          c.sideOf === c.id && cylinders.every((o) => o.sideOf !== c.id || o.isSideDue)
            ? [task(c.id, 'side', c.side.value !== null)]
            : [],
        )
      : []),
    ...engine.others.map((o) => task(o.id, 'other', o.clearance.value !== null)),
  ];
}

/** Whether nothing of a rod is left to be read or inspected. */
export const isRodSettled = (choices: JournalChoices, { rod, side, smallEnd }: JournalsCylinderResult): boolean =>
  isSettled(choices, rod) && !isOpen(choices.asks.side, side) && !isOpen(choices.asks.smallEnd, smallEnd);

/** What a rod lacks before its piston goes in. */
export function missing(choices: All['choices'], { isSideDue, rod, side, smallEnd }: Whole): Missing[] {
  const { journals } = choices;
  const lacks = (is: boolean, what: string, subject: JournalSubject): Missing[] =>
    is ? [{ says: say`${what}`, subject }] : [];
  return [
    ...lacks(!rod.clearance.done, `rod bearing: ${rod.clearance.state}`, 'housing'),
    ...lacks(!isJournalRight(rod), `rod journal: ${journalLacks(rod)}`, 'journal'),
    ...lacks(isOpen(journals.asks.side && isSideDue, side), `rod side clearance: ${side.state}`, 'side'),
    ...lacks(isOpen(journals.asks.smallEnd, smallEnd), `pin in the small end: ${smallEnd.state}`, 'smallEnd'),
    ...lacks(!isLookedAt(journals, rod), 'rod bearing: not inspected', 'journal'),
  ];
}
