/** Assembly: the walk from piston on rod to the last turn of the crank, and what is pinned on it. */
import { findings } from './findings';
import { BLOCK, isCylinderId } from '../../foundation/engine/places';
import type { BalanceChoices, SetChoices } from './weights/choices';
import { say } from '../../foundation/quantity/message';
import { type Log, type Tick, pinsOn } from '../../record/log';
import { partsIn } from '../../record/fittedParts';
import type { PinEntry } from '../../record/reading';
import type { Memo } from '../contract/memo';
import {
  type Caption,
  type StageResult,
  type Missing,
  type Progress,
  type Stage,
  SILENT,
  counted,
} from '../contract/stage';
import type { FastenerGroup } from './torque/fastenerGroups';
import { STARTING_WALK } from './walkChoices';
import type { All, AssemblyEngineResult, AssemblyCylinderResult, Clocked, Engine, Readied, Whole } from './types';
import { blockOf } from './cylinderSteps';
import { blockStepsOf, stepsOf } from './steps';
import type { Step } from '../../record/stepIds';

const NO_TICKS: ReadonlyMap<Step, Tick> = new Map();

/** Whether the steps of the engine are made. */
const isBlockDone = ({ ticks }: Log, steps: readonly Step[]): boolean => {
  const made = ticks.get(BLOCK);
  return steps.every((step) => made?.has(step));
};

const pinsElsewhere = ({ log: { pins } }: Engine): PinEntry[] =>
  [...pins].flatMap(([place, on]) => (isCylinderId(place) ? [] : on));

function judge(
  engine: Engine,
  cylinders: readonly Clocked[],
  memo: Memo,
): StageResult<AssemblyCylinderResult, AssemblyEngineResult> {
  const { log, choices } = engine;
  const parts = cylinders.map(({ id, clocking }): [string, AssemblyCylinderResult] => {
    const ticks = log.ticks.get(id) ?? NO_TICKS;
    const inIt = partsIn(log, id);
    const pins = pinsOn(log, id);
    const { walk } = choices;
    return [
      id,
      memo('block', id, [ticks, inIt, clocking, choices.clocking, walk, pins], () => ({
        block: blockOf(stepsOf(walk, clocking.rod), ticks, inIt, clocking, choices.clocking),
        pins,
      })),
    ];
  });
  return {
    cylinders: new Map(parts),
    engine: { blockPins: pinsElsewhere(engine) },
  };
}

/** Steps before the piston goes in that are not made, or do not hold; and what is pinned on the cylinder. */
const missing = (_choices: unknown, { block: { open }, pins }: Whole): Missing[] => [
  ...pins.map(({ part, text }) => ({ says: say`Reminder${part ? `, ${part}` : ''}: ${text}`, subject: null })),
  ...(open.length > 0
    ? [{ says: say`${open.length} ${open.length === 1 ? 'step' : 'steps'} before it goes in`, subject: null }]
    : []),
];

const isDone = ({ block: { done, checks }, pins }: Whole): boolean => done === checks.length && pins.length === 0;

const progress = ({ log, choices }: All, cylinders: readonly Whole[]): Progress => {
  const ofBlock = blockStepsOf(choices.walk);
  return counted([
    ...cylinders.map(isDone),
    ...(ofBlock.length > 0 && cylinders.length > 0 ? [isBlockDone(log, ofBlock)] : []),
  ]);
};

function caption({ block: { checks, done, open, isIn }, pins, ready }: Whole & Partial<Readied>): Caption {
  const figure = say`${done}/${checks.length}`;
  const against = checks.some((c) => c.state === 'against');
  if (against || checks.some((c) => c.state === 'again'))
    return { state: 'short', word: against ? 'moved' : 'check again', figure };
  if (pins.length > 0) return { state: 'short', word: 'reminder', figure };
  if (done === checks.length && isIn) return { state: 'in window', word: 'in', figure: [] };
  if (isIn) return { state: 'to do', word: 'in', figure };
  if (open.length === 0)
    return ready?.is === false
      ? { state: 'not proven', word: 'not ready', figure: [] }
      : { state: 'in window', word: 'ready', figure: [] };
  return { state: 'to do', word: done > 0 ? 'begun' : 'to do', figure: done > 0 ? figure : [] };
}

export const assembly = {
  ...SILENT,
  words: 'Assembly',
  coverage: 'unless left out',
  choices: {
    walk: () => STARTING_WALK,
    fasteners: (): FastenerGroup[] | null => null,
    balance: (): BalanceChoices | null => null,
    sets: (): SetChoices | null => null,
  },
  judge,
  progress,
  missing,
  caption,
  joints: ({ block }) => block.asFound,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Clocked, AssemblyCylinderResult, AssemblyEngineResult, All, Whole>;
