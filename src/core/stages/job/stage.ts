/** Job: the card that says what is built. */
import { findings } from './findings';
import { isCylinderId, isOnEngine } from '../../foundation/engine/places';
import { type EngineContext, type Stage, SILENT, counted } from '../contract/stage';
import type { Memo } from '../contract/memo';
import type { LoggedReading } from '../../record/reading';
import type { Job } from '../../record/jobCard';
import type { JobEngineResult } from './types';

/** `duty.row` is the chart's row in force, null while none is. */
type Engine = EngineContext & JobEngineResult & { duty: { row: object | null } };

const isStray = ({ cylinder, fit }: LoggedReading, labels: EngineContext['labels']): boolean =>
  isCylinderId(cylinder)
    ? !labels.has(cylinder) || !labels.has(fit?.ring ?? cylinder)
    : !isOnEngine(cylinder, labels.size);

const straysOf = ({ log, labels }: EngineContext, memo: Memo): LoggedReading[] =>
  [...log.numbers].flatMap(([number, ofNumber]) =>
    memo('strays', number, [ofNumber, labels], () =>
      [...ofNumber.histories.values()].flatMap((history) =>
        history.flatMap((item) => (item.kind === 'reading' && isStray(item, labels) ? [item] : [])),
      ),
    ),
  );

/** Its four answers: name, bore, duty, piston. */
const answers = ({ job, duty }: Engine): boolean[] =>
  job
    ? [job.name !== '', job.plannedBore !== null, duty.row !== null, job.construction !== null]
    : [false, false, false, false];

export const job = {
  ...SILENT,
  words: 'Job',
  deck: false,
  choices: { job: (): Job | null => null },
  judge: (engine, _cylinders, memo) => ({
    cylinders: new Map<string, object>(),
    engine: { strays: straysOf(engine, memo) },
  }),
  progress: (engine) => counted(answers(engine)),
  findings,
} satisfies Stage<EngineContext, never, object, JobEngineResult, Engine>;
