/** Assembly: what is checked of each cylinder at the block before its piston goes in and on the way. */
import { say } from '../quantity/saying';
import type { Tick } from '../record/log';
import { partsIn } from '../record/parts';
import { type Finding, about } from '../stage/finding';
import type { Memo } from '../stage/memo';
import { type Caption, type Judged, type Stage, SILENT, counted } from '../stage/stage';
import type { Check } from './checks';
import type { AssemblyPart, Clocked, Engine, Whole } from './found';
import { blockOf, checkSays } from './judged';

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

/** What was found at the block that does not hold, or is not as it was planned. */
const findingsOf = ({ id, label, block }: Whole): Finding[] =>
  block.checks.flatMap((check) => {
    const { state } = check;
    if (state !== 'again' && state !== 'against' && state !== 'moved') return [];
    return [about(state === 'moved' ? 'note' : 'mend', 'assembly', id, say`Cylinder ${label}: ${checkSays(check)}`)];
  });

function caption({ block: { checks, done } }: Whole): Caption {
  const figure = say`${done}/${checks.length}`;
  const against = checks.some((c) => c.state === 'against');
  if (against || checks.some((c) => c.state === 'again'))
    return { state: 'short', word: against ? 'moved' : 'check again', figure };
  if (done === checks.length) return { state: 'in window', word: 'ready', figure: [] };
  return { state: 'to do', word: done > 0 ? 'begun' : 'to do', figure: done > 0 ? figure : [] };
}

export const assembly = {
  ...SILENT,
  words: 'Assembly',
  judge,
  progress: (_engine, cylinders) => counted(cylinders.map(({ block }) => block.done === block.checks.length)),
  findings: (_engine, cylinders, memo) =>
    cylinders.flatMap((c) => memo('block findings', c.id, [c.block, c.label], () => findingsOf(c))),
  caption,
  joints: ({ block }) => block.asFound,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Clocked, AssemblyPart, object, Engine, Whole>;
