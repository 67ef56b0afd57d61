/** What is missing or wrong on a job card, beside the field that it is of. */
import { engineFaults } from '../../foundation/engine/engineFaults';
import type { Job } from '../../record/jobCard';

/** As many characters as each of its words may have. */
export const MOST_CHARACTERS = { name: 120, customer: 120, description: 200, notes: 4000 } as const;
export type JobWords = keyof typeof MOST_CHARACTERS;

export const NAME_ASKED = 'Give the build a name.';

/**
 * Sentences by field; none for a card that may be saved.
 *
 * @example jobFaults({ ...judgement.job, name: ' ' }) // { name: 'Give the build a name.' }
 */
export function jobFaults(job: Job): Partial<Record<keyof Job, string>> {
  const out: Partial<Record<keyof Job, string>> = {};
  for (const [field, most] of Object.entries(MOST_CHARACTERS) as [JobWords, number][])
    if (job[field].length > most) out[field] = `at most ${most} characters; these are ${job[field].length}`;
  if (job.name.trim() === '') out.name = NAME_ASKED;
  const [engine] = engineFaults(job.engine);
  if (engine) out.engine = engine;
  return out;
}
