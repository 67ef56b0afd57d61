/** Assembly: what is checked of each cylinder at the block before its piston goes in and on the way. */
import { say } from '../quantity/saying';
import type { Tick } from '../record/log';
import { partsIn } from '../record/parts';
import type { Memo } from '../stage/memo';
import { type Caption, type Judged, type Missing, type Stage, SILENT, counted } from '../stage/stage';
import { type Check, CHECK_WORDS } from './checks';
import type { AssemblyPart, Clocked, Engine, Readied, Whole } from './found';
import { blockOf, isRight } from './judged';

const NO_TICKS: ReadonlyMap<Check, Tick> = new Map();

function judge({ log, choices }: Engine, cylinders: readonly Clocked[], memo: Memo): Judged<AssemblyPart, object> {
  const parts = cylinders.map(({ id, clocking }): [string, AssemblyPart] => {
    const ticks = log.ticks.get(id) ?? NO_TICKS;
    const inIt = partsIn(log, id);
    return [
      id,
      memo('block', id, [ticks, inIt, clocking, choices.clocking], () => ({
        block: blockOf(ticks, inIt, clocking, choices.clocking),
      })),
    ];
  });
  return { cylinders: new Map(parts), engine: {} };
}

/** Checks that are not made, or do not hold. */
const missing = (_engine: unknown, { block }: Whole): Missing[] =>
  block.checks
    .filter((c) => !isRight(c.state))
    .map((c) => ({
      says: say`${CHECK_WORDS[c.check]}: ${c.state === 'again' ? 'check again' : c.state === 'against' ? 'moved' : c.state}`,
      subject: null,
    }));

function caption({ block: { checks, done }, ready }: Whole & Partial<Readied>): Caption {
  const figure = say`${done}/${checks.length}`;
  const against = checks.some((c) => c.state === 'against');
  if (against || checks.some((c) => c.state === 'again'))
    return { state: 'short', word: against ? 'moved' : 'check again', figure };
  if (done === checks.length)
    return ready?.is === false
      ? { state: 'not proven', word: 'not ready', figure: [] }
      : { state: 'in window', word: 'ready', figure: [] };
  return { state: 'to do', word: done > 0 ? 'begun' : 'to do', figure: done > 0 ? figure : [] };
}

export const assembly = {
  ...SILENT,
  words: 'Assembly',
  coverable: true,
  judge,
  progress: (_engine, cylinders) => counted(cylinders.map(({ block }) => block.done === block.checks.length)),
  missing,
  caption,
  joints: ({ block }) => block.asFound,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Clocked, AssemblyPart, object, Engine, Whole>;
