/** What is still open on the bottom end: of a bearing, a play, and of all that is no cylinder's. */
import { CRANK } from '../../foundation/engine/places';
import { type Message, say } from '../../foundation/quantity/message';
import type { JournalChoices } from './choices';
import type { All, JudgedBearing, JudgedFigure, Whole } from './types';

/** Whether all of a bearing that is inspected was found right, or nothing is inspected. */
export const isLookedAt = ({ asks }: JournalChoices, { looks }: Pick<JudgedBearing, 'looks'>): boolean =>
  !asks.looks || looks.every((l) => l.state === 'right');

/** Whether a journal is round and straight enough, or was accepted. */
export const isJournalRight = ({ journal: { state, accepted } }: JudgedBearing): boolean =>
  (state !== 'out' && state !== 'part read') || accepted !== null;

/** What a journal that is not right lacks, in words. */
export const journalLacks = ({ journal: { state } }: JudgedBearing): string =>
  state === 'part read' ? 'part read' : 'out of its limits';

/** Whether nothing more is asked of a bearing. */
export const isSettled = (choices: JournalChoices, b: JudgedBearing): boolean =>
  b.clearance.done && isJournalRight(b) && isLookedAt(choices, b);

/** Whether a figure is still open: one that is asked for, or that was read all the same. */
export const isOpen = (asked: boolean, held: JudgedFigure): boolean => (asked || held.value !== null) && !held.done;

/** What keeps a bearing from being done, in words. */
const lacksOf = (choices: JournalChoices, b: JudgedBearing): string[] => [
  ...(b.clearance.done ? [] : [`clearance ${b.clearance.state}`]),
  ...(isJournalRight(b) ? [] : [`journal ${journalLacks(b)}`]),
  ...(isLookedAt(choices, b) ? [] : ['not all inspected']),
];

/** What is open on mains and crank: what is of a rod, its cylinder lacks. */
export function openOnCrank({ mains, crank, others, choices: { journals } }: All): { place: string; says: Message }[] {
  const ofMains = mains.flatMap((m) =>
    lacksOf(journals, m).map((what) => ({ place: m.id, says: say`${m.words}: ${what}` })),
  );
  if (!crank) return ofMains;
  const { id, endPlay } = crank;
  return [
    ...ofMains,
    ...(isOpen(journals.asks.endPlay, endPlay) ? [{ place: id, says: say`Crank: end play ${endPlay.state}` }] : []),
    ...others
      .filter((o) => !o.clearance.done)
      .map((o) => ({ place: o.id, says: say`${o.words}: ${o.clearance.state}` })),
    ...(isLookedAt(journals, crank) ? [] : [{ place: id, says: say`Crank: thrust washers not inspected` }]),
  ];
}

/** Whether anything of the bottom end was read or inspected. */
export const isBottomEndBegun = ({ mains, rods, crank, others, log }: All, cylinders: readonly Whole[]): boolean =>
  [...mains, ...rods].some(
    (b) => b.journal.size !== null || b.clearance.value !== null || b.clearance.check !== null,
  ) ||
  crank?.endPlay.value != null ||
  others.some((o) => o.clearance.value !== null) ||
  cylinders.some((c) => c.side.value !== null || c.smallEnd.value !== null) ||
  log.ticks.has(CRANK);
