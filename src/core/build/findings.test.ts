import { describe, expect, it } from 'vitest';
import { gap, jobEntry, reading } from '@/fixtures/records';
import { fromInches, fromThou } from '../quantity/length';
import { sayingText } from '../quantity/saying';
import { type Given, type TargetChoices, startingChoices } from '../targets/target';
import type { Finding } from './findings';
import { judge } from './judge';
import type { Entry, Job } from './record';

const AT = '2026-05-04T09:00:00.000Z';
const choices = startingChoices('imperial');
const minimum = (thou: number): Given => ({ form: 'minimum', min: fromThou(thou), from: 'sheet' });
const targets = (change: Partial<TargetChoices>): Entry => ({ kind: 'targets', id: 't', at: AT, by: '', replaces: null, value: { ...choices, ...change } });
const gaps = (change: Partial<TargetChoices['gaps']>): Entry => targets({ gaps: { ...choices.gaps, ...change } });

const found = (job: Partial<Job>, ...entries: Entry[]): Finding[] => judge({ id: 'x', entries: [jobEntry(job), ...entries] }).findings;
const about = (findings: Finding[], words: RegExp): Finding | undefined => findings.find((f) => words.test(sayingText(f.says, 'imperial')));

describe('findings about papers', () => {
  it('note a sheet under the chart, and that the sheet holds', () => {
    const finding = about(found({}, gaps({ top: { sheet: minimum(18), manual: null, own: null } })), /sheet's top ring minimum of 18 thou is under the chart's 21 thou/);
    expect(finding).toMatchObject({ severity: 'note', stage: 'targets' });
  });

  it('say nothing of a sheet over the chart', () => {
    expect(about(found({}, gaps({ top: { sheet: minimum(24), manual: null, own: null } })), /is under the chart's/)).toBeUndefined();
  });

  it('note a paper that asks for a second ring tighter than the top', () => {
    expect(about(found({}, gaps({ second: { sheet: null, manual: minimum(16), own: null } })), /manual asks for a second ring tighter than the top: 16 thou against 21 thou/)?.severity).toBe('note');
  });

  it('note chart figures as not confirmed until papers give all of them', () => {
    expect(about(found({}), /not confirmed/)).toBeDefined();
    const papers = { sheet: minimum(24), manual: null, own: null };
    const all = targets({ gaps: { ...choices.gaps, top: papers, second: { sheet: minimum(26), manual: null, own: null } }, clearance: { sheet: minimum(4), manual: null, own: null } });
    expect(about(found({}, all), /not confirmed/)).toBeUndefined();
  });

  it('drop the high-ring call once a sheet gives the gap', () => {
    const piston = { construction: 'hypereutectic' as const };
    expect(about(found(piston), /close to the crown/)).toBeDefined();
    expect(about(found(piston, gaps({ top: { sheet: minimum(27), manual: null, own: null } })), /close to the crown/)).toBeUndefined();
  });
});

describe('findings about readings', () => {
  const sizes = (bore: number, piston: number): Entry[] => [reading('b', 'L1', 'bore', fromInches(bore)), reading('p', 'L1', 'piston', fromInches(piston))];

  it.each<[string, Entry[], RegExp, Finding['severity']]>([
    ['a bore away from the plan', sizes(4.08, 4.0755), /bore 4.0800 in is 15 thou from the planned 4.0650 in/, 'note'],
    ['a tight piston', sizes(4.065, 4.0625), /clearance 2.5 thou is under 3.7 thou/, 'stop'],
    ['a loose piston', sizes(4.065, 4.055), /clearance 10.0 thou is over 5.7 thou/, 'mend'],
    ['a clearance at its limit', sizes(4.065, 4.0613), /clearance 3.7 thou ± 0.2 thou is too near a limit/, 'mend'],
    ['a short ring', [gap('a', 'L1', 'top', 20)], /top ring: 20 thou is under 21 thou/, 'stop'],
    ['a ring over its limit', [gap('a', 'L1', 'second', 40)], /second ring: 40 thou is over 28 thou/, 'mend'],
    ['a short rail', [gap('a', 'L1', 'upperRail', 12)], /upper rail: 12 thou is under 15 thou/, 'stop'],
    ['a bracket across the minimum', [reading('a', 'L1', 'top', fromThou(20), fromThou(22))], /bracket lies across a limit/, 'mend'],
  ])('%s', (_, entries, words, severity) => {
    expect(about(found({}, ...entries), words)).toMatchObject({ severity, cylinder: 'L1' });
  });

  it('say nothing of what is as it should be', () => {
    const good = [...sizes(4.065, 4.0608), gap('a', 'L1', 'top', 22), gap('s', 'L1', 'second', 24), gap('u', 'L1', 'upperRail', 18)];
    expect(found({}, ...good).filter((f) => f.severity !== 'note')).toEqual([]);
  });
});
