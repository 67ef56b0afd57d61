import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STARTING_CLOCKING } from '../stages/clocking/choices';
import { gap, jobEntry, largeRecord, reading, record, voiding } from '@/fixtures/records';
import { parseReading } from '../foundation/quantity/parseReading';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import { STARTING_CHART } from '../models/charts/chart';
import { withFactor } from '../models/charts/chartEdit';
import { NO_SERVICE } from '../models/load/service';
import type { Target } from '../models/targets/target';
import { startingChoices } from '../models/targets/papers';
import { contextFor } from './context';
import { judge, incrementalJudge } from './judge';
import { EMPTY_HAND, asChoice, asEntry, readingOf } from './preview';
import { type Judgement, readingsAt } from './judgement';
import type { Subject } from './registry';
import { SUBJECT_IDS } from './stageTables';
import { expectedPlan } from '../stages/bores/stage';
import { type BenchChoices, STARTING_BENCH } from '../stages/rings/choices';
import type { BuildRecord, Entry } from './buildRecord';
import { nextTask, stepTask } from '../stages/contract/tasks';

const cylinder = (judgement: Judgement, id: string) => {
  const found = judgement.cylinders.find((c) => c.id === id);
  if (!found) throw new Error(`no cylinder ${id}`);
  return found;
};
const says = (judgement: Judgement): string[] =>
  judgement.findings.map((f) => `${f.severity}: ${messageText(f.says, 'imperial')}`);

describe('judge', () => {
  it('is total: an empty record, and a job card with nothing in it, are judged', () => {
    expect(judge({ id: 'x', entries: [] })).toMatchObject({ job: null, cylinders: [], progress: { done: 0 } });
    const bare = judge({
      id: 'x',
      entries: [jobEntry({ plannedBore: null, service: NO_SERVICE, construction: null })],
    });
    expect(bare.cylinders).toHaveLength(8);
    expect(bare.planned?.top.set).toBe(false);
    expect(bare.planned?.rails.set).toBe(true);
    expect(bare.cylinders[0]?.clocking.plan?.joints.top).toBe(315);
    const frontAndBack: Entry = {
      kind: 'clocking',
      id: 'c',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      replaces: null,
      value: { ...STARTING_CLOCKING, school: 'frontAndBack' },
    };
    expect(
      judge({ id: 'x', entries: [jobEntry({ plannedBore: null }), frontAndBack] }).cylinders[0]?.clocking,
    ).toMatchObject({ plan: null, ask: expect.stringContaining('planned bore') });
  });

  it('works each cylinder’s targets from its own measured bore, the planned one until then', () => {
    const judged = judge(record(reading('b', 'L1', 'bore', fromInches(4.2))));
    expect(cylinder(judged, 'L1').targetBore).toEqual({ nm: fromInches(4.2), from: 'measured' });
    expect(cylinder(judged, 'L1').rings.top.target).toMatchObject({ inForce: { aimFrom: fromThou(21) } });
    expect(cylinder(judged, 'R1').targetBore).toEqual({ nm: fromInches(4.065), from: 'planned' });
    const wider = judge(record(reading('b', 'L1', 'bore', fromInches(4.201))));
    expect(cylinder(wider, 'L1').rings.top.target).toMatchObject({ inForce: { aimFrom: fromThou(22) } });
  });

  it('names the targets that stand for the engine, and what they are worked from', () => {
    expect(judge(record()).standard).toMatchObject({
      cylinder: null,
      bore: { nm: fromInches(4.065), from: 'planned' },
      targets: { top: { inForce: { aimFrom: fromThou(21) } } },
    });
    const measured = judge(record(reading('b', 'R1', 'bore', fromInches(4.21))));
    expect(measured.standard).toMatchObject({
      cylinder: '2',
      bore: { nm: fromInches(4.21), from: 'measured' },
      targets: { top: { inForce: { aimFrom: fromThou(22) } } },
    });
  });

  it('takes the last reading that was not voided, and keeps every pass', () => {
    const judged = judge(
      record(gap('a', 'L1', 'top', 15), gap('b', 'L1', 'top', 22), gap('c', 'L1', 'top', 35), voiding('v', 'c')),
    );
    const { top } = cylinder(judged, 'L1').rings;
    expect(top.reading?.id).toBe('b');
    expect(top.state).toBe('in window');
    expect(top.passes.map((p) => [p.id, p.voided?.reason ?? null])).toEqual([
      ['a', null],
      ['b', null],
      ['c', 'misread'],
    ]);
  });

  it('works out the clearance only from two readings', () => {
    const both = [reading('b', 'L1', 'bore', fromInches(4.066)), reading('p', 'L1', 'piston', fromInches(4.0616))];
    expect(cylinder(judge(record(...both.slice(0, 1))), 'L1').clearance).toMatchObject({ value: null, state: 'to do' });
    expect(cylinder(judge(record(...both)), 'L1').clearance).toMatchObject({
      value: fromThou(4.4),
      state: 'in window',
    });
  });

  it('a sheet without a bore still gives a figure, a factor without a bore does not', () => {
    const choices = startingChoices('imperial');
    const sheet = {
      form: 'range' as const,
      min: fromThou(20),
      max: fromThou(24),
      hardTop: false,
      aim: null,
      from: 'sheet',
    };
    const factor = { form: 'factor' as const, factor: 0.005, from: 'sheet' };
    const value = {
      ...choices,
      gaps: {
        ...choices.gaps,
        top: { sheet, manual: null, own: null },
        second: { sheet: factor, manual: null, own: null },
      },
    };
    const entries: Entry[] = [
      jobEntry({ plannedBore: null }),
      { kind: 'targets', id: 't', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null, value },
    ];
    const { planned } = judge({ id: 'x', entries });
    expect(planned?.top).toMatchObject({ set: true, inForce: { aimFrom: fromThou(20) } });
    expect(planned?.second.set).toBe(false);
  });

  it('counts what is done: a short ring is not, a loose one is', () => {
    const rings = (thou: number): number | undefined =>
      judge(record(gap('a', 'L1', 'top', thou))).stages.find((s) => s.stage === 'rings')?.done;
    expect([rings(15), rings(22), rings(25.5), rings(40)]).toEqual([0, 1, 1, 0]);
  });

  it('keeps readings of cylinders the engine has not got in sight', () => {
    const judged = judge(record(gap('a', '9', 'top', 22)));
    expect(judged.strays.map((s) => s.id)).toEqual(['a']);
    expect(says(judged).join()).toContain('readings are of cylinders this engine has not got (9)');
  });

  it('units change nothing that is judged (identity)', () => {
    const imperial = judge(record(gap('a', 'L1', 'top', 22)));
    const choices = startingChoices('imperial');
    const fixed: Entry = {
      kind: 'targets',
      id: 't',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      replaces: null,
      value: choices,
    };
    const metric = judge({ id: 'test', entries: [jobEntry({ units: 'metric' }), fixed, gap('a', 'L1', 'top', 22)] });
    expect(cylinder(metric, 'L1').rings).toEqual(cylinder(imperial, 'L1').rings);
  });

  it('never throws and never changes its input, whatever readings come', () => {
    const subjects: Subject[] = ['bore', 'piston', 'top', 'second', 'upperRail', 'lowerRail'];
    const readings = fc.array(
      fc.record({
        cylinder: fc.constantFrom('L1', 'R1', 'L4', 'R9', '3'),
        subject: fc.constantFrom(...subjects),
        value: fc.integer({ min: 0, max: 10 ** 9 }),
        struck: fc.boolean(),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(
        readings,
        fc.constantFrom(
          jobEntry(),
          jobEntry({ plannedBore: null }),
          jobEntry({ construction: 'hypereutectic' }),
          jobEntry({ service: NO_SERVICE }),
        ),
        (all, card) => {
          const entries = all.flatMap((r, i) => [
            reading(`r${i}`, r.cylinder, r.subject, r.value),
            ...(r.struck ? [voiding(`v${i}`, `r${i}`)] : []),
          ]);
          const given: BuildRecord = { id: 'x', entries: [card, ...entries] };
          const before = JSON.stringify(given);
          const judged = judge(given);
          expect(JSON.stringify(given)).toBe(before);
          expect(judged.progress.done).toBeLessThanOrEqual(judged.progress.total);
          const kept =
            judged.cylinders.flatMap((c) => SUBJECT_IDS.flatMap((subject) => readingsAt(judged.log, c, subject)))
              .length + judged.strays.length;
          expect(kept).toBe(all.length);
        },
      ),
    );
  });
});

describe('findings', () => {
  it('asks for the piston’s construction and the duty', () => {
    const found = says(judge({ id: 'x', entries: [jobEntry({ construction: null, service: NO_SERVICE })] })).join('\n');
    expect(found).toContain('mend: Piston type is not set');
    expect(found).toContain('mend: Set the use. No chart figure without it.');
  });

  it('calls out the high-ring piston with both numbers side by side', () => {
    const found = says(
      judge({ id: 'x', entries: [jobEntry({ construction: 'hypereutectic', plannedBore: fromInches(4) })] }),
    ).join('\n');
    expect(found).toContain('28 thou here, where the old 0.004 rule gives 16 thou');
  });

  it('asks for the sheet where the chart has no figure', () => {
    expect(
      says(judge({ id: 'x', entries: [jobEntry({ construction: 'cast', duty: 'nitrousHigh' })] })).join(),
    ).toContain('Enter the figure from the sheet');
  });

  it('puts what can cost the engine first: short rings, tight pistons, a piston larger than its bore', () => {
    const judged = judge(
      record(
        gap('a', 'L1', 'top', 35),
        gap('b', 'L2', 'top', 15),
        reading('c', 'R1', 'bore', fromInches(4.065)),
        reading('d', 'R1', 'piston', fromInches(4.066)),
        reading('e', 'R2', 'bore', fromInches(4.065)),
        reading('f', 'R2', 'piston', fromInches(4.064)),
      ),
    );
    const severities = judged.findings.map((f) => f.severity);
    expect(severities).toEqual(
      [...severities].sort((x, y) => ['stop', 'mend', 'note'].indexOf(x) - ['stop', 'mend', 'note'].indexOf(y)),
    );
    const stops = says(judged).filter((f) => f.startsWith('stop'));
    expect(stops).toHaveLength(3);
    expect(stops.join()).toContain('reads 1.0 thou larger than its bore');
  });

  it('flags a second ring tighter than its top, unless the second school is chosen', () => {
    const readings = [gap('a', 'L1', 'top', 24), gap('b', 'L1', 'second', 22)];
    const judgement = judge(record(...readings));
    expect(says(judgement).join()).toContain('second ring: 22 thou is tighter than the top ring, 24 thou');
    expect(judgement.cylinders[0]?.rings.second).toMatchObject({ state: 'short', done: false });
    const value = { ...startingChoices('imperial'), secondSchool: 'equalOrTighter' as const };
    const chosen: Entry = { kind: 'targets', id: 't', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null, value };
    expect(says(judge(record(chosen, ...readings))).join()).not.toContain('is tighter than the top');
  });

  it('notes gaps of one kind more than 2 thou apart', () => {
    expect(says(judge(record(gap('a', 'L1', 'top', 21), gap('b', 'L2', 'top', 23)))).join()).not.toContain('apart');
    expect(says(judge(record(gap('a', 'L1', 'top', 21), gap('b', 'L2', 'top', 24)))).join()).toContain(
      'run from 21 thou to 24 thou: 3 thou apart',
    );
  });
});

describe('the route', () => {
  const order = (entries: Entry[]): string[] =>
    judge({ id: 'x', entries: [jobEntry(), ...entries] }).tasks.rings.map((t) => `${t.cylinder} ${t.subject}`);
  const bench = (change: Partial<BenchChoices>): Entry => ({
    kind: 'bench',
    id: 'bench',
    at: '2026-05-04T09:00:00.000Z',
    by: '',
    replaces: null,
    value: { ...STARTING_BENCH, ...change },
  });

  it('goes cylinder by cylinder in the engine’s own numbering, or ring by ring', () => {
    expect(order([]).slice(0, 4)).toEqual(['L1 top', 'L1 second', 'R1 top', 'R1 second']);
    expect(order([bench({ route: 'byRing', rails: false })]).slice(0, 3)).toEqual(['L1 top', 'R1 top', 'L2 top']);
    expect(order([bench({ route: 'byCylinder', rails: true })]).slice(0, 4)).toEqual([
      'L1 top',
      'L1 second',
      'L1 upperRail',
      'L1 lowerRail',
    ]);
  });

  it('goes on to the next that is not done, comes round, and ends', () => {
    const { tasks } = judge(record(gap('a', 'R1', 'top', 22)));
    expect(nextTask(tasks.rings, { cylinder: 'L1', subject: 'second', spot: null })).toMatchObject({
      cylinder: 'R1',
      subject: 'second',
    });
    expect(nextTask(tasks.rings, { cylinder: 'R4', subject: 'second', spot: null })).toMatchObject({
      cylinder: 'L1',
      subject: 'top',
    });
    expect(
      nextTask(
        tasks.rings.map((t) => ({ ...t, done: true })),
        null,
      ),
    ).toBeNull();
    expect(stepTask(tasks.rings, { cylinder: 'L1', subject: 'top', spot: null }, -1)).toMatchObject({
      cylinder: 'L1',
      subject: 'top',
    });
  });
});

describe('reading in context', () => {
  it('knows the neighbours, and catches the dropped digit (common practice: 3.3824 noted as 3.324)', () => {
    const judged = judge({
      id: 'x',
      entries: [
        jobEntry({ plannedBore: fromInches(3.382) }),
        reading('b', 'L1', 'bore', fromInches(3.3822)),
        reading('c', 'L2', 'bore', fromInches(3.3821)),
      ],
    });
    const heard = parseReading('3.324', contextFor(judged, cylinder(judged, 'R1'), 'bore', 'imperial'));
    expect(heard).toMatchObject({ kind: 'question', ask: expect.stringContaining('the other bores read about 3.382') });
    expect(heard.kind === 'question' && heard.options[0]?.value).toBe(fromInches(3.3824));
  });

  it('knows a piston by its bore', () => {
    const judged = judge(record(reading('b', 'L1', 'bore', fromInches(4.0652))));
    const context = contextFor(judged, cylinder(judged, 'L1'), 'piston', 'imperial');
    expect(parseReading('40612', context)).toMatchObject({
      kind: 'understood',
      meaning: { value: fromInches(4.0612) },
    });
    expect(parseReading('4.1612', context).kind).toBe('question');
  });

  it('previews with the same judge and logs nothing', () => {
    const before = record();
    const preview = incrementalJudge().preview(before, [
      asEntry(
        readingOf(
          judge(before),
          { cylinder: 'L1', subject: 'top', spot: null },
          { value: fromThou(22), upTo: null, taken: '' },
          EMPTY_HAND,
          '22',
        ),
      ),
    ]);
    expect(cylinder(preview, 'L1').rings.top.state).toBe('in window');
    expect(before.entries).toHaveLength(1);
  });
});

it('judges 16 cylinders and 1,000 readings without losing one', () => {
  const judged = judge(largeRecord(1_000));
  expect(
    judged.cylinders.flatMap((c) => [c.bore, c.piston, ...Object.values(c.rings)]).flatMap((s) => s.passes),
  ).toHaveLength(1_000);
  expect(judged.cylinders.every((c) => c.clearance.value === fromThou(3.7))).toBe(true);
});

describe('what sets the targets of a build', () => {
  const stamp = { at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
  const own = withFactor(
    { ...STARTING_CHART, id: 'own', name: 'Own', version: 2 },
    { row: 'race', column: 'forged4032', figure: 'top' },
    0.0055,
    'own trial',
  );
  const minimum = (target: Target | undefined): number | null => (target?.set ? target.inForce.aimFrom : null);

  it('is the version of the chart the build holds, else the starting chart; the last one chosen holds', () => {
    const plain = judge(record());
    expect([plain.choices.chart, minimum(plain.planned?.top)]).toEqual([STARTING_CHART, fromThou(21)]);
    const set = judge(record({ ...stamp, id: 'c', kind: 'chart', value: own }));
    expect([set.choices.chart.version, minimum(set.planned?.top)]).toEqual([2, fromThou(23)]);
    expect(minimum(incrementalJudge().preview(record(), [asChoice('chart', own)]).planned?.top)).toBe(fromThou(23));
  });

  it('an allowance loosens its own cylinder only, in gaps and clearance, and not what stands for the engine', () => {
    const allowances = [{ cylinder: 'L1', gap: fromThou(1), clearance: fromThou(0.5), reason: 'rear' }];
    const judged = judge(
      record(
        { ...stamp, id: 't', kind: 'targets', value: { ...startingChoices('imperial'), allowances } },
        reading('b', 'L1', 'bore', fromInches(4.065)),
      ),
    );
    const at = (id: string) => cylinder(judged, id);
    expect([
      minimum(at('L1').rings.top.target),
      minimum(at('R1').rings.top.target),
      minimum(judged.standard?.targets.top),
    ]).toEqual([22, 21, 21].map(fromThou));
    expect((minimum(at('L1').clearance.target) ?? 0) - (minimum(at('R1').clearance.target) ?? 0)).toBe(fromThou(0.5));
    expect(minimum(at('L1').rings.upperRail.target)).toBe(fromThou(15));
    expect([at('L1').allowance?.reason, at('R1').allowance]).toEqual(['rear', null]);
  });

  it('every cylinder by its own measured bore as soon as there is one, else by the plan', () => {
    const judged = judge(record(reading('b', 'L2', 'bore', fromInches(4.21))));
    expect(cylinder(judged, 'L2')).toMatchObject({
      targetBore: { from: 'measured' },
      rings: { top: { target: { inForce: { aimFrom: fromThou(22) } } } },
    });
    expect(cylinder(judged, 'L1')).toMatchObject({
      targetBore: { from: 'planned' },
      rings: { top: { target: { inForce: { aimFrom: fromThou(21) } } } },
    });
  });

  it('what the planned bore should be near to is the median of those read', () => {
    expect(expectedPlan(judge(record()))).toBeNull();
    const judged = judge(
      record(...[4.06, 4.065, 4.9].map((bore, i) => reading(`b${i}`, `L${i + 1}`, 'bore', fromInches(bore)))),
    );
    expect(expectedPlan(judged)).toMatchObject({ nm: fromInches(4.065), because: 'the bores read about 4.0650 in' });
  });
});
