import { describe, expect, it } from 'vitest';
import { boosted, nitrous } from '@/fixtures/adders';
import { jobEntry } from '@/fixtures/records';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { fromPressure } from '../../foundation/quantity/pressure';
import { type Comparison, comparisonsOf } from './compare';
import { NO_SERVICE } from '../../models/load/service';
import { judge } from '../../judge/judge';
import type { Job } from '../../record/jobCard';

const comparisons = (job: Partial<Job>): Comparison[] =>
  comparisonsOf(judge({ id: 'x', entries: [jobEntry({ plannedBore: fromInches(4), ...job })] }));
const tops = (comparison: Comparison | undefined): (number | undefined)[] =>
  (comparison?.options ?? []).map((o) => o.figures.find((f) => f.what === 'top')?.min);
const psi = (value: number) => boosted(fromPressure(value, 'psi'));

describe('figures side by side', () => {
  it('a high ring against the oldest rule: 28 and 16 thou on 4.000 in (common practice, no source)', () => {
    const [found] = comparisons({ construction: 'hypereutectic' });
    expect(found?.kind).toBe('highRing');
    expect(tops(found)).toEqual([fromThou(28), fromThou(16)]);
  });

  it('both rows near 15 psi: 24 and 27 thou, the one that holds marked', () => {
    const [found, ...others] = comparisons({ service: { ...NO_SERVICE, use: 'street', now: psi(14) } });
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      kind: 'threshold',
      options: [
        { words: 'boost to 15 psi (1.03 bar)', inForce: true },
        { words: 'boost over 15 psi (1.03 bar)', inForce: false },
      ],
    });
    expect(tops(found)).toEqual([fromThou(24), fromThou(27)]);
  });

  it('both rows near 200 hp', () => {
    const [found] = comparisons({
      service: { ...NO_SERVICE, use: 'street', now: nitrous([190]) },
    });
    expect(tops(found)).toEqual([fromThou(24), fromThou(28)]);
  });

  it('what is fitted and what is planned', () => {
    const [found] = comparisons({
      service: { ...NO_SERVICE, use: 'street', later: nitrous([150]) },
    });
    expect(found).toMatchObject({ kind: 'planned', options: [{ inForce: false }, { inForce: true }] });
    expect(tops(found)).toEqual([fromThou(18), fromThou(24)]);
  });

  it('a row the chart has no figure in asks for the sheet, and is not left out', () => {
    const [found] = comparisons({ construction: 'cast', service: { ...NO_SERVICE, use: 'street', later: psi(20) } });
    expect(found?.options[1]).toMatchObject({
      inForce: true,
      figures: [],
      ask: expect.stringContaining('Enter the figure from the sheet'),
    });
  });

  it('nothing where nothing belongs beside it, or no bore is known', () => {
    expect(comparisons({})).toEqual([]);
    expect(comparisons({ construction: 'hypereutectic', plannedBore: null })).toEqual([]);
  });
});
