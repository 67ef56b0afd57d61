/** What is to be known of the job card. */
import { say } from '../../foundation/quantity/message';
import { type Finding, about } from '../contract/finding';
import type { EngineContext } from '../contract/stage';
import type { JobEngineResult } from './types';

/** What is to be known of the job card. */
export function findings({ job, strays }: EngineContext & JobEngineResult): Finding[] {
  if (!job) return [about('note', 'job', null, say`Fill in the job card to begin.`)];
  const out: Finding[] = [];
  if (job.construction === null)
    out.push(
      about(
        'mend',
        'job',
        null,
        say`Piston type is not set. It decides the gap as much as the use does: a high-ring piston needs nearly twice as much.`,
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
