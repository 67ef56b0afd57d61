import { describe, expect, it } from 'vitest';
import { contextFor } from '../judge/context';
import { judge } from '../judge/judge';
import { hear } from '../quantity/hear';
import { STAGE_IDS } from '../stages';
import { TRIAL_STEPS, trialRecord } from './trial';
import { isTrial } from './trialId';

const stamp = { at: '2026-06-01T09:00:00.000Z', by: '' };

describe('the trial engine', () => {
  it.each(['imperial', 'metric'] as const)('has all its targets from the start, in %s', (units) => {
    const record = trialRecord('1', units, stamp);
    expect(isTrial(record.id)).toBe(true);
    const { planned } = judge(record);
    for (const target of Object.values(planned ?? {})) expect(target.set).toBe(true);
  });

  it.each(['imperial', 'metric'] as const)(
    'every figure that a step says to type is understood at once, in %s',
    (units) => {
      const judgement = judge(trialRecord('1', units, stamp));
      const [cylinder] = judgement.cylinders;
      if (!cylinder) throw new Error('it has cylinders');
      const figures = (text: string): string[] => text.match(/(?<=\b(?:Type|and|then) )(?:c?\d[\d.]*\d|c\d)/gi) ?? [];
      for (const [stage, subject] of [
        ['bores', 'bore'],
        ['pistons', 'piston'],
        ['rings', 'top'],
      ] as const) {
        const typed = figures(TRIAL_STEPS[stage][units]);
        const context = contextFor(judgement, cylinder, subject, units);
        const all = stage === 'bores' ? [...typed, ...(TRIAL_STEPS[stage][units].match(/\d+\.\d+/g) ?? [])] : typed;
        expect(all.length, stage).toBeGreaterThan(1);
        for (const figure of all)
          expect(['understood', 'cut'], `${stage} ${figure}`).toContain(hear(figure, context).kind);
      }
      for (const stage of STAGE_IDS) expect(TRIAL_STEPS[stage][units].length).toBeGreaterThan(20);
    },
  );
});
