import { describe, expect, it } from 'vitest';
import { contextFor } from '@/core/judge/context';
import { judge } from '@/core/judge/judge';
import { parseReading } from '@/core/foundation/quantity/parseReading';
import { loadReports } from '@/core/judge/reports';
import { STAGE_IDS } from '@/core/judge/stageTables';
import { trialRecord } from '@/core/judge/trial';
import { SCREENS } from './screens';

const stamp = { at: '2026-06-01T09:00:00.000Z', by: '' };

describe('what a trial says to do', () => {
  it.each(['imperial', 'metric'] as const)(
    'every figure that a step says to type is understood at once, in %s',
    async (units) => {
      const judgement = judge(trialRecord('1', units, stamp));
      const [cylinder] = judgement.cylinders;
      if (!cylinder) throw new Error('it has cylinders');
      const figures = (text: string): string[] => text.match(/(?<=\b(?:Type|and|then) )(?:c?\d[\d.]*\d|c\d)/gi) ?? [];
      for (const [stage, subject] of [
        ['bores', 'bore'],
        ['pistons', 'piston'],
        ['rings', 'top'],
      ] as const) {
        const words = (await SCREENS[stage].trial())[units];
        const typed = figures(words);
        const context = contextFor(judgement, cylinder, subject, units);
        const all = stage === 'bores' ? [...typed, ...(words.match(/\d+\.\d+/g) ?? [])] : typed;
        expect(all.length, stage).toBeGreaterThan(1);
        for (const figure of all)
          expect(['understood', 'cut'], `${stage} ${figure}`).toContain(parseReading(figure, context).kind);
      }
      for (const stage of STAGE_IDS) expect((await SCREENS[stage].trial())[units].length).toBeGreaterThan(20);
      // the sheet begins to load them with its screen
      await loadReports();
    },
  );
});
