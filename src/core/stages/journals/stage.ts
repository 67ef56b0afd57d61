/** Journals: the bearings of crank and rods, end play and side clearance. A job asks for them only where it says so. */
import { findings } from './findings';
import { clear } from '../../foundation/quantity/message';
import { type Caption, type Stage, SILENT, counted } from '../contract/stage';
import { type JournalChoices, STARTING_JOURNALS, startingShells } from './choices';
import { expectedOf } from './expected';
import type { All, Engine, JudgedFigure, JournalsEngineResult, JournalsCylinderResult, Pistoned, Whole } from './types';
import { judgeBearings } from './judgeBearings';
import { outcome, outcomeAt } from './outcome';
import { isLookedAt, isSettled } from './openBearings';
import { isRodSettled, journalTasks, missing, playTasks } from './tasks';

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

const captionOf = ({ state, value }: JudgedFigure): Caption => ({
  state,
  word: state,
  figure: value === null ? [] : [clear(value)],
});

export const journals = {
  ...SILENT,
  words: 'Journals',
  coverage: 'where added',
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
  judge: judgeBearings,
  lists: (engine, cylinders) => ({ journals: journalTasks(engine, cylinders), play: playTasks(engine, cylinders) }),
  progress: ({ mains, crank, others, choices: { journals: chosen } }, cylinders) =>
    counted([
      ...mains.map((b) => isSettled(chosen, b)),
      ...cylinders.map((c) => isRodSettled(chosen, c)),
      ...(chosen.asks.endPlay && crank ? [crank.endPlay.done && isLookedAt(chosen, crank)] : []),
      ...others.map((o) => o.clearance.done),
    ]),
  missing,
  caption: ({ rod }) => captionOf(rod.clearance),
  expected: (engine, cylinder, subject, units) => expectedOf(engine, cylinder.rod, subject, units),
  outcome,
  places: ({ mains, crank, others }) => [...mains, ...(crank ? [crank] : []), ...others],
  expectedAt: (engine, { id }, subject, units) => {
    const main = engine.mains.find((b) => b.id === id);
    return main ? expectedOf(engine, main, subject, units) : null;
  },
  outcomeAt,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Pistoned, JournalsCylinderResult, JournalsEngineResult, All, Whole>;
