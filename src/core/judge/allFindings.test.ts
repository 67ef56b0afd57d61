import { describe, expect, it } from 'vitest';
import { boosted } from '@/fixtures/adders';
import { NO_SERVICE } from '../models/load/service';
import { gap, job, jobEntry, reading, voiding } from '@/fixtures/records';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import { type TargetChoices, type Given, startingChoices } from '../models/targets/papers';
import { STARTING_INSTRUMENTS } from '../foundation/uncertainty/startingInstruments';
import { instrumentKey } from '../foundation/uncertainty/instrument';
import { judge } from './judge';
import type { Finding } from '../stages/contract/finding';
import type { Entry } from './buildRecord';
import type { Job } from '../record/jobCard';

const AT = '2026-05-04T09:00:00.000Z';
const choices = startingChoices('imperial');
const minimum = (thou: number): Given => ({ form: 'minimum', min: fromThou(thou), from: 'sheet' });
const targets = (change: Partial<TargetChoices>): Entry => ({
  kind: 'targets',
  id: 't',
  at: AT,
  by: '',
  replaces: null,
  value: { ...choices, ...change },
});
const gaps = (change: Partial<TargetChoices['gaps']>): Entry => targets({ gaps: { ...choices.gaps, ...change } });

const found = (change: Partial<Job>, ...entries: Entry[]): Finding[] => [
  ...judge({ id: 'x', entries: [jobEntry(change), ...entries] }).findings,
];
const about = (findings: Finding[], words: RegExp): Finding | undefined =>
  findings.find((f) => words.test(messageText(f.says, 'imperial')));

describe('findings about papers', () => {
  it('note a sheet under the chart, and that the sheet holds', () => {
    const finding = about(
      found({}, gaps({ top: { sheet: minimum(18), manual: null, own: null } })),
      /sheet's top ring minimum of 18 thou is under the chart's 20.3 thou/,
    );
    expect(finding).toMatchObject({ severity: 'note', stage: 'targets' });
  });

  it('say nothing of a sheet over the chart', () => {
    expect(
      about(found({}, gaps({ top: { sheet: minimum(24), manual: null, own: null } })), /is under the chart's/),
    ).toBeUndefined();
  });

  it('say nothing of a second ring that its own paper wants tighter; one of another paper is held over the top', () => {
    const both = gaps({
      top: { sheet: null, manual: minimum(18), own: null },
      second: { sheet: null, manual: minimum(16), own: null },
    });
    expect(about(found({}, both), /second ring's own|tighter/)).toBeUndefined();
    expect(
      about(
        found({}, gaps({ second: { sheet: null, manual: minimum(16), own: null } })),
        /second ring's own minimum, 16 thou, is under the top ring's 20.3 thou, which is used instead/,
      )?.severity,
    ).toBe('note');
  });

  it('note chart figures as not confirmed until papers give all of them', () => {
    expect(about(found({}), /typical figures/)).toBeDefined();
    const papers = { sheet: minimum(24), manual: null, own: null };
    const all = targets({
      gaps: { ...choices.gaps, top: papers, second: { sheet: minimum(26), manual: null, own: null } },
      clearance: { sheet: minimum(4), manual: null, own: null },
    });
    expect(about(found({}, all), /typical figures/)).toBeUndefined();
  });

  it('drop the high-ring call once a sheet gives the gap', () => {
    const piston = { construction: 'hypereutectic' as const };
    expect(about(found(piston), /close to the crown/)).toBeDefined();
    expect(
      about(found(piston, gaps({ top: { sheet: minimum(27), manual: null, own: null } })), /close to the crown/),
    ).toBeUndefined();
  });
});

describe('findings about readings', () => {
  const sizes = (bore: number, piston: number): Entry[] => [
    reading('b', 'L1', 'bore', fromInches(bore)),
    reading('p', 'L1', 'piston', fromInches(piston)),
  ];

  it.each<[string, Entry[], RegExp, Finding['severity']]>([
    ['a bore away from the plan', sizes(4.08, 4.0755), /bore 4.0800 in is 15 thou from the planned 4.0650 in/, 'note'],
    ['a tight piston', sizes(4.065, 4.0625), /clearance 2.5 thou is under 3.7 thou/, 'stop'],
    ['a loose piston', sizes(4.065, 4.055), /clearance 10.0 thou is over 5.7 thou/, 'mend'],
    [
      'a clearance at its least',
      sizes(4.065, 4.0613),
      /clearance 3.7 thou ± 0.3 thou against a least of 3.7 thou: the chance that it is too tight is about one in five/,
      'mend',
    ],
    ['a short ring', [gap('a', 'L1', 'top', 18)], /top ring: 18 thou is under 20.3 thou/, 'stop'],
    [
      'a ring at its minimum',
      [gap('a', 'L1', 'top', 20)],
      /top ring: At its minimum: 20 thou goes, 21 thou does not, the rule’s product is 20.3 thou/,
      'note',
    ],
    ['a ring over its limit', [gap('a', 'L1', 'second', 40)], /second ring: 40 thou is over 28 thou/, 'mend'],
    ['a short rail', [gap('a', 'L1', 'upperRail', 12)], /upper rail: 12 thou is under 15 thou/, 'stop'],
    [
      'a bracket across the minimum',
      [reading('a', 'L1', 'top', fromThou(19), fromThou(22))],
      /chance that it is under its minimum by more than 0.5 thou is about one in four. Try the leaf between/,
      'mend',
    ],
  ])('%s', (_, entries, words, severity) => {
    expect(about(found({}, ...entries), words)).toMatchObject({ severity, cylinder: 'L1' });
  });

  it('say nothing of what is as it should be', () => {
    const good = [
      ...sizes(4.065, 4.0608),
      gap('a', 'L1', 'top', 22),
      gap('s', 'L1', 'second', 24),
      gap('u', 'L1', 'upperRail', 18),
    ];
    expect(found({}, ...good).filter((f) => f.severity !== 'note')).toEqual([]);
  });
});

describe('findings about the builder’s own figure', () => {
  const own = (thou: number, over: boolean, sheet: Given | null = null): Entry =>
    gaps({ top: { sheet, manual: null, own: { given: minimum(thou), over } } });

  it.each<[string, Entry, RegExp, Finding['severity']]>([
    [
      'in force under a sheet can cost the engine',
      own(19, true, minimum(24)),
      /Your top ring minimum of 19 thou is under the sheet's 24 thou. Too tight can cost the engine; reason given: sheet/,
      'stop',
    ],
    [
      'in force under a chart that nobody confirmed it is noted',
      own(19, true),
      /is under the chart's 20.3 thou.*reason given: sheet/,
      'note',
    ],
    ['not in force it is only noted', own(19, false), /is not used; it is under the chart's 20.3 thou/, 'note'],
  ])('%s', (_, entry, words, severity) => {
    expect(about(found({}, entry), words)?.severity).toBe(severity);
  });

  it('over what ranks above it there is nothing to say', () => {
    expect(about(found({}, own(25, true)), /Your top ring/)).toBeUndefined();
  });

  const accepted = (held: { figure: number; limit: number }, of = 't'): Entry => ({
    ...{ id: 'ok', at: AT, by: 'KM', kind: 'accepted', of, what: 'ownTop', state: 'least', reason: 'as run before' },
    held: { figure: fromThou(held.figure), limit: fromThou(held.limit), side: 'least' },
  });
  const stands = (...entries: Entry[]): Finding | undefined => about(found({}, ...entries), /Your top ring/);

  it('accepted it is a note that names who and why, through another change of the targets', () => {
    const yes = accepted({ figure: 19, limit: 24 });
    const finding = stands(own(19, true, minimum(24)), yes);
    expect(finding?.severity).toBe('note');
    expect(messageText(finding?.says ?? [], 'imperial')).toMatch(/Accepted by KM: as run before/);
    expect(stands(own(19, true, minimum(24)), yes, { ...own(19, true, minimum(24)), id: 't2' })?.severity).toBe('note');
  });

  it('tighter, or under a stricter sheet, the acceptance lapses and says so', () => {
    const yes = accepted({ figure: 19, limit: 24 });
    for (const now of [own(18, true, minimum(24)), own(19, true, minimum(26))]) {
      const finding = stands(own(19, true, minimum(24)), yes, { ...now, id: 't2' });
      expect(finding?.severity).toBe('stop');
      expect(messageText(finding?.says ?? [], 'imperial')).toMatch(
        /KM accepted 19 thou against 24 thou: that no longer covers it/,
      );
    }
  });

  it('a range whose lower end is under the sheet’s is outside it, wherever its aim begins', () => {
    const range: Given = {
      ...{ form: 'range', min: fromThou(15), max: fromThou(30), hardTop: false, from: 'as run before' },
      aim: { from: fromThou(24), to: fromThou(26) },
    };
    const entry = gaps({ top: { sheet: minimum(24), manual: null, own: { given: range, over: true } } });
    expect(stands(entry)?.severity).toBe('stop');
  });

  it('over a maximum that the sheet marks as hard it is a stop', () => {
    const sheet: Given = {
      ...{ form: 'range', min: fromThou(21), max: fromThou(26), hardTop: true, aim: null, from: 'sheet' },
    };
    const entry = (top: number): Entry =>
      gaps({
        top: { sheet, manual: null, own: { given: { ...sheet, max: fromThou(top), hardTop: false }, over: true } },
      });
    expect(about(found({}, entry(30)), /Your top ring maximum of 30 thou is over the sheet's 26/)?.severity).toBe(
      'stop',
    );
    expect(stands(entry(26))).toBeUndefined();
  });

  it('unaccepted it keeps every cylinder from being ready; accepted it does not', () => {
    const isStopped = (...entries: Entry[]): boolean =>
      judge({ id: 'x', entries: [jobEntry({}), ...entries] }).cylinders.every((c) =>
        c.ready.missing.some((m) => m.stage === 'targets'),
      );
    const entry = own(19, true, minimum(24));
    expect(isStopped(entry)).toBe(true);
    expect(isStopped(entry, accepted({ figure: 19, limit: 24 }))).toBe(false);
  });
});

describe('findings about the duty and the order of the rings', () => {
  const petrol = { ...NO_SERVICE, use: 'street' } as const;
  const blown = { ...petrol, now: boosted(138_000) };

  it('a row chosen for less heat than suggested is to be mended, one for more is noted', () => {
    expect(
      about(found({ service: blown, duty: 'street' }), /suggests “boost over 15 psi .* That row allows for more heat/)
        ?.severity,
    ).toBe('mend');
    expect(about(found({ service: petrol, duty: 'boostLow' }), /the use suggests “performance street/)?.severity).toBe(
      'note',
    );
    expect(about(found({ service: petrol, duty: 'street' }), /suggests/)).toBeUndefined();
  });

  it('a fuel no row is for is called out', () => {
    expect(
      about(found({ service: { ...petrol, fuel: 'nitromethane' } }), /No chart row covers nitromethane/)?.severity,
    ).toBe('mend');
    expect(about(found({ service: { ...petrol, fuel: 'gas' } }), /Gas burns dry and hot/)?.severity).toBe('note');
  });

  it('a duty the chart has not is asked about', () => {
    expect(about(found({ duty: 'hill' }), /Starting chart has no row for the duty/)?.severity).toBe('mend');
  });

  it('a boost that is not said is what is asked for, not the use', () => {
    expect(
      about(
        found({ service: { ...petrol, now: boosted(null) } }),
        /Say how much boost it runs. No chart figure without it/,
      )?.severity,
    ).toBe('mend');
  });

  it('a second ring wider than the top is noted where “equal or tighter” is chosen', () => {
    const wider = targets({
      secondSchool: 'equalOrTighter',
      gaps: { ...choices.gaps, second: { sheet: minimum(30), manual: null, own: null } },
    });
    expect(about(found({}, wider), /the sheet's 30 thou is wider than the top ring's 21 thou/)?.severity).toBe('note');
    expect(about(found({}, targets({ secondSchool: 'equalOrTighter' })), /wider than the top/)).toBeUndefined();
  });

  it('an own second ring under the top is held over it in the first school', () => {
    const own = gaps({ second: { sheet: null, manual: null, own: { given: minimum(18), over: true } } });
    expect(
      about(found({}, own), /second ring's own minimum, 18 thou, is under the top ring's 20.3 thou/)?.severity,
    ).toBe('note');
  });

  it('a cylinder wall that is not said is noted', () => {
    expect(about(found({ surface: null }), /Bore surface is not set/)?.severity).toBe('note');
    expect(about(found({ surface: 'plated' }), /Bore surface is not set/)).toBeUndefined();
  });
});

describe('findings about tools', () => {
  const [micrometer] = STARTING_INSTRUMENTS.filter((tool) => tool.kind === 'micrometer');
  if (!micrometer) throw new Error('no micrometer');
  const tool = { ...micrometer, calibrated: '2026-01-31', months: 3, from: fromInches(4), to: fromInches(5) };
  const brought: Entry = { kind: 'instrument', id: 'tool', at: AT, by: '', value: tool };
  const read = (id: string, day: string, inches: number): Entry => ({
    ...reading(id, 'L1', 'piston', fromInches(inches)),
    at: `${day}T09:00:00.000Z`,
    instrument: instrumentKey(tool),
  });

  it('count readings from the day on that its calibration no longer holds', () => {
    const late = /its calibration held to 2026-04-30, and 1 reading came after/;
    expect(about(found({}, brought, read('a', '2026-04-29', 4.06)), late)).toBeUndefined();
    expect(about(found({}, brought, read('a', '2026-04-29', 4.06), read('b', '2026-04-30', 4.06)), late)).toMatchObject(
      {
        severity: 'mend',
        stage: 'pistons',
      },
    );
  });

  it('count readings it does not reach, and none that were struck out', () => {
    const far = /reaches from .*, and 1 reading lies outside \(cylinder 1\)/;
    expect(about(found({}, brought, read('a', '2026-02-01', 3.9)), far)).toMatchObject({ severity: 'mend' });
    expect(about(found({}, brought, read('a', '2026-02-01', 3.9), voiding('v', 'a')), far)).toBeUndefined();
  });
});

describe('findings about readings of cylinders that are no more', () => {
  const strays = /readings are of cylinders this engine has not got \(([^)]*)\)/;
  const four = { engine: { ...job.engine, cylinders: 4 } };
  const ring: Entry = {
    ...reading('r', 'L1', 'top', fromThou(22)),
    fit: { ring: 'L4', depth: null, squaring: null, deburred: true, squared: true, open: false },
  };

  it('name the cylinder, and count a ring that came with one of them', () => {
    expect(about(found({}, gap('a', 'L4', 'top', 22)), strays)).toBeUndefined();
    expect(about(found(four, gap('a', 'L4', 'top', 22)), /1 readings.*\(L4\)/)).toBeDefined();
    expect(about(found(four, ring), strays)).toBeDefined();
    expect(about(found({}, ring), strays)).toBeUndefined();
  });
});
