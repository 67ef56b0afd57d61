/** Job: the card that says what is built. */
import { isCylinderId, isOnEngine } from '../engine/places';
import { type Frame, SILENT, type Stage, counted } from '../stage/stage';
import type { Memo } from '../stage/memo';
import type { LoggedReading } from '../record/reading';
import type { JudgedDuty } from '../targets/settings';
import type { Job } from './job';

export interface JobMade {
  /** Readings of cylinders, mains, or rings of cylinders, that this engine has not got. */
  strays: LoggedReading[];
}

type Engine = Frame & JobMade & { duty: JudgedDuty };

const isStray = ({ cylinder, fit }: LoggedReading, labels: Frame['labels']): boolean =>
  isCylinderId(cylinder)
    ? !labels.has(cylinder) || !labels.has(fit?.ring ?? cylinder)
    : !isOnEngine(cylinder, labels.size);

const straysOf = ({ log, labels }: Frame, memo: Memo): LoggedReading[] =>
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
} satisfies Stage<Frame, never, object, JobMade, Engine>;
