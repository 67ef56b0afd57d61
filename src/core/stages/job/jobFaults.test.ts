import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { job } from '@/fixtures/records';
import { jobSchema } from '@/files/shapes/job';
import { MOST_CHARACTERS, jobFaults } from './jobFaults';

describe('what is wrong on a job card', () => {
  it('is nothing on one that may be saved', () => expect(jobFaults(job)).toEqual({}));

  it('says what is missing, too long, or no engine, by its field', () => {
    const wrong = { ...job, name: '  ', notes: 'x'.repeat(4001), engine: { ...job.engine, cylinders: 17 } };
    expect(jobFaults(wrong)).toEqual({
      name: 'Give the build a name.',
      notes: 'at most 4000 characters; these are 4001',
      engine: expect.stringMatching(/cylinder/i) as unknown,
    });
  });

  it('is what the edge refuses too', () => {
    const words = (most: number) => fc.string({ maxLength: 3 }).map((end) => 'x'.repeat(most - 1) + end);
    fc.assert(
      fc.property(
        fc.constantFrom('', ' ', 'Fen twin'),
        words(MOST_CHARACTERS.customer),
        fc.integer({ min: -1, max: 20 }),
        (name, customer, cylinders) => {
          const card = { ...job, name, customer, engine: { ...job.engine, cylinders } };
          expect(jobSchema.safeParse(card).success).toBe(Object.keys(jobFaults(card)).length === 0);
        },
      ),
    );
  });
});
