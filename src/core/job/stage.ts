/** Job: the card that says what is built. */
import { type Finding, about } from '../stage/finding';
import { type Frame, SILENT, type Stage, counted } from '../stage/stage';
import type { Memo } from '../stage/memo';
import { say } from '../quantity/saying';
import type { LoggedReading } from '../record/reading';
import type { JudgedDuty } from '../targets/settings';
import type { Job } from './job';

interface JobMade {
  /** Readings of cylinders, or of rings of cylinders, that this engine has not got. */
  strays: LoggedReading[];
}

type Engine = Frame & JobMade & { duty: JudgedDuty };

const isStray = ({ cylinder, fit }: LoggedReading, labels: Frame['labels']): boolean =>
  !labels.has(cylinder) || !labels.has(fit?.ring ?? cylinder);

const straysOf = ({ log, labels }: Frame, memo: Memo): LoggedReading[] =>
  [...log.numbers].flatMap(([number, ofNumber]) =>
    memo('strays', number, [ofNumber, labels], () =>
      [...ofNumber.histories.values()].flatMap((history) =>
        history.flatMap((item) => (item.kind === 'reading' && isStray(item, labels) ? [item] : [])),
      ),
    ),
  );

function findings({ job, strays }: Engine): Finding[] {
  if (!job) return [about('note', 'job', null, say`Fill in the job card to begin.`)];
  const out: Finding[] = [];
  if (job.construction === null)
    out.push(
      about(
        'mend',
        'job',
        null,
        say`How the piston is made is not said. It decides the gap as much as the duty does: a high-ring piston needs nearly double.`,
      ),
    );
  if (job.plannedBore === null)
    out.push(about('note', 'job', null, say`No planned bore yet: targets wait for the measured bores.`));
  if (strays.length > 0) {
    const where = [...new Set(strays.map((s) => s.cylinder))].join(', ');
    out.push(
      about(
        'mend',
        'job',
        null,
        say`${strays.length} readings are of cylinders this engine has not got (${where}). They are kept.`,
      ),
    );
  }
  return out;
}

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
} satisfies Stage<Frame, never, object, JobMade, Engine>;
