/** Clocking: where the joints of each piston point. */
import { findings } from './findings';
import { say } from '../../foundation/quantity/message';
import { type Memo, ENGINE } from '../contract/memo';
import { type Caption, type StageResult, type Missing, type Stage, SILENT, counted } from '../contract/stage';
import { type ClockingChoices, STARTING_CLOCKING } from './choices';
import { rodsOf } from '../../foundation/engine/crankcase';
import type { All, Bored, ClockingEngineResult, ClockingCylinderResult, Engine, Whole } from './types';
import { type KnownRules, isBreach, judgeClocking } from './cylinderClocking';

function judge(
  { job, choices, labels, log }: Engine,
  cylinders: readonly Bored[],
  memo: Memo,
): StageResult<ClockingCylinderResult, ClockingEngineResult> {
  const chosen = log.choices.has('clocking');
  if (!job) return { cylinders: new Map(), engine: { clockingChosen: chosen } };
  const { engine } = job;
  const rods = memo('rods', ENGINE, [engine, choices.clocking.rods, labels], () =>
    rodsOf(cylinders, engine, choices.clocking.rods),
  );
  const known: KnownRules = new Map();
  const parts = cylinders.map((cylinder): [string, ClockingCylinderResult] => {
    const bore = cylinder.bore.size?.value ?? job.plannedBore;
    const from = [bore, engine, choices.clocking, chosen, rods, labels];
    const part = memo('clocking', cylinder.id, from, () => {
      const rod = rods.get(cylinder.id) ?? { throw: 0, faces: 'both' as const, besides: null };
      return {
        clocking: judgeClocking({ cylinder, bore, engine, choices: choices.clocking, chosen, rod, labels }, known),
      };
    });
    return [cylinder.id, part];
  });
  return { cylinders: new Map(parts), engine: { clockingChosen: chosen } };
}

/** Where the joints of a cylinder go, and what stops them there. */
function missing(_choices: unknown, { clocking: { settled, rules } }: ClockingCylinderResult): Missing[] {
  if (!settled) return [{ says: say`clocking: no plan settled`, subject: null }];
  const stops = rules.filter((r) => r.verdict === 'stop').length;
  return stops > 0 ? [{ says: say`clocking: ${stops} against the rules`, subject: null }] : [];
}

function caption({ clocking: { settled, rules, plan } }: ClockingCylinderResult): Caption {
  const breaches = rules.filter(isBreach);
  if (breaches.length > 0) {
    const stops = breaches.some((r) => r.verdict === 'stop');
    return { state: stops ? 'over' : 'short', word: stops ? 'stop' : 'fix', figure: say`${breaches.length}` };
  }
  return settled
    ? { state: 'in window', word: 'planned', figure: [] }
    : { state: 'to do', word: plan ? 'proposed' : 'no plan', figure: [] };
}

export const clocking = {
  ...SILENT,
  words: 'Clocking',
  coverage: 'unless left out',
  choices: { clocking: (): ClockingChoices => STARTING_CLOCKING },
  judge,
  progress: (_engine, cylinders) => counted(cylinders.map((c) => c.clocking.settled)),
  missing,
  caption,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Bored, ClockingCylinderResult, ClockingEngineResult, All, Whole>;
