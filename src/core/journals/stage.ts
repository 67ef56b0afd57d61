/**
 * Journals: the stage as every bench knows it. What works it out stands in `working.ts`, which is loaded with a build whose
 * job covers it: no other bench waits for it.
 */
import type { Judged, Stage } from '../stage/stage';
import { SILENT } from '../stage/stage';
import { type JournalChoices, STARTING_JOURNALS, startingShells } from './choices';
import type { All, Engine, JournalsMade, JournalsPart, Pistoned, Whole } from './found';
import type { Working } from './subjects';

let fitted: Working | null = null;

/** Fits what works the stage out: from then on it is judged. */
export function fit(working: Working): void {
  fitted = working;
}

/** Of a build that has no bottom end: no bearing, and nothing of a cylinder. */
const NOTHING: Judged<JournalsPart, JournalsMade> = {
  cylinders: new Map(),
  engine: { mains: [], rods: [], crank: null, along: [], apart: { main: null, rod: null }, others: [] },
};

/** The working once it is loaded; what says nothing before. */
const works = (): Working => fitted ?? { ...SILENT, judge: () => NOTHING, lists: () => ({ journals: [], play: [] }) };

/** What all have alike. */
const OF_A_BEARING = {
  list: 'journals',
  number: 'bearing',
  style: 'size',
  warm: true,
  spots: null,
  fitted: false,
} as const;
const OF_PLAY = {
  ...OF_A_BEARING,
  list: 'play',
  field: 'play',
  style: 'fine',
  warm: false,
  part: null,
} as const;

export const journals = {
  ...SILENT,
  words: 'Journals',
  coverable: true,
  optional: true,
  load: () => (fitted ? null : import('./working').then(({ working }) => fit(working))),
  isWorked: ({ crank, job }) => crank !== null || job === null,
  choices: {
    journals: (): JournalChoices => STARTING_JOURNALS,
    shells: startingShells,
  },
  subjects: {
    journal: { ...OF_A_BEARING, words: 'journal', field: 'journal', tool: 'piston', part: 'journal', spots: 'bearing' },
    housing: { ...OF_A_BEARING, words: 'housing with shells', field: 'housing', tool: 'bore', part: 'shells' },
    bare: { ...OF_A_BEARING, words: 'bare housing', field: 'housing', tool: 'bore', part: 'housing' },
    shell: { ...OF_A_BEARING, words: 'shell', field: 'shell', tool: 'pin', part: 'shells', spots: 'bearing' },
    thread: {
      ...OF_A_BEARING,
      words: 'crushed thread',
      field: 'thread',
      tool: 'thread',
      style: 'fine',
      warm: false,
      part: 'shells',
    },
    endPlay: { ...OF_PLAY, words: 'end play', tool: 'play', number: 'crank' },
    other: { ...OF_PLAY, words: 'other clearance', tool: 'gap', number: 'other' },
    side: { ...OF_PLAY, words: 'side clearance', tool: 'gap', number: 'rod' },
    smallEnd: {
      ...OF_A_BEARING,
      words: 'small end',
      field: 'pin',
      tool: 'pinBore',
      number: 'rod',
      part: null,
    },
  },
  judge: (engine, cylinders, memo) => works().judge(engine, cylinders, memo),
  lists: (engine, cylinders) => works().lists(engine, cylinders),
  progress: (engine, cylinders) => works().progress(engine, cylinders),
  missing: (engine, cylinder) => works().missing(engine, cylinder),
  caption: (cylinder) => works().caption(cylinder),
  expected: (engine, cylinder, subject, units) => works().expected(engine, cylinder, subject, units),
  outcome: (engine, cylinder, subject) => works().outcome(engine, cylinder, subject),
  places: (engine) => works().places(engine),
  expectedAt: (engine, place, subject, units) => works().expectedAt(engine, place, subject, units),
  outcomeAt: (engine, place, subject) => works().outcomeAt(engine, place, subject),
  report: async () => (fitted ? (await import('./report')).report : {}),
} satisfies Stage<Engine, Pistoned, JournalsPart, JournalsMade, All, Whole>;
