import { describe, expect, it } from 'vitest';
import { STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import { startingSizing } from '@/core/stages/bores/oversizeChoices';
import { STARTING_PISTONS } from '@/core/stages/pistons/piston';
import { startingChoices } from '@/core/models/targets/papers';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { fromInches, fromThou } from '@/core/foundation/quantity/length';
import { STARTING_JOURNALS, startingShells } from '@/core/stages/journals/choices';
import { boreReading, gap, job, reading } from '@/fixtures/records';
import { journalsSchema, shellsSchema } from './shapes/journals';
import { STARTING_BALANCE, UNMIXED } from '@/core/stages/assembly/weights/choices';
import { balanceSchema, fastenersSchema, setsSchema } from './shapes/benchWork';
import { entriesSchema, entrySchema, faultsOf } from './schema';
import { STARTING_PAIRING } from '@/core/stages/pistons/choices';
import { jobSchema } from './shapes/job';
import { targetChoicesSchema } from './shapes/targets';

const faults = (result: { success: boolean; error?: Parameters<typeof faultsOf>[0] }): string =>
  result.error ? faultsOf(result.error).join('\n') : '';
const choices = startingChoices('metric');
const sheet = (given: unknown): unknown => ({
  ...choices,
  gaps: { ...choices.gaps, top: { sheet: given, manual: null } },
});

describe('a job card', () => {
  it('is taken as it stands, with open questions left open', () => {
    const open = { ...job, plannedBore: null, duty: null, construction: null };
    expect(jobSchema.parse(open)).toEqual(open);
  });

  it.each<[object, RegExp]>([
    [{ name: '   ' }, /Give the build a name/],
    [{ name: 'x'.repeat(121) }, /at most 120/],
    [{ plannedBore: 1_000 }, /at least 10 mm/],
    [{ plannedBore: 900_000_000 }, /at most 500 mm/],
    [{ plannedBore: 82.5 }, /whole number/],
    [{ duty: 'the moon' }, /duty/],
    [{ service: { use: 'moon', fuel: 'petrol', now: { kind: 'none' }, later: null } }, /service/],
    [{ service: { use: 'race', fuel: 'petrol', now: { kind: 'turbo', boost: -5 }, later: null } }, /boost/],
    [{ units: 'furlongs' }, /units/],
    [{ engine: { ...job.engine, cylinders: 1 } }, /two cylinders or more/],
    [
      { engine: { ...job.engine, numbering: { ...job.engine.numbering, scheme: 'sequence' } } },
      /two banks need a numbering/i,
    ],
  ])('with %j is refused', (change, says) => {
    expect(faults(jobSchema.safeParse({ ...job, ...change }))).toMatch(says);
  });
});

describe('target choices', () => {
  it('start out sound in either system', () => {
    for (const units of ['imperial', 'metric'] as const)
      expect(targetChoicesSchema.safeParse(startingChoices(units)).success).toBe(true);
  });

  it.each<[unknown, RegExp]>([
    [sheet({ form: 'range', min: 600_000, max: 500_000, from: '' }), /upper figure is under the lower/],
    [sheet({ form: 'factor', factor: 0.56, from: '' }), /a factor is at most 0.02/],
    [sheet({ form: 'factor', factor: -0.004, from: '' }), /factor/],
    [sheet({ form: 'guess', from: '' }), /form/],
    [{ ...choices, feelerStep: 0 }, /more than nothing/],
    [{ ...choices, gapLimit: 1 }, /limit lies inside its aim window/],
    [{ ...choices, clearanceLimit: 1 }, /limit lies inside its aim window/],
  ])('%# is refused', (value, says) => {
    expect(faults(targetChoicesSchema.safeParse(value))).toMatch(says);
  });
});

describe('an entry', () => {
  it.each<[object, RegExp]>([
    [{ at: 'yesterday' }, /UTC time/],
    [{ at: '2026-05-04T09:00:00+02:00' }, /UTC time/],
    [{ id: '../x' }, /letters, digits/],
    [{ id: '' }, /letters, digits/],
    [{ cylinder: 'L1; DROP' }, /a place such as/],
    [{ by: 'twenty-one characters' }, /at most 20/],
    [{ temperature: 900 }, /temperature/],
    [{ value: 2 * 10 ** 9 }, /at most a metre/],
    [{ value: Number.POSITIVE_INFINITY }, /value/],
    [{ kind: 'rumour' }, /kind/],
    [{ surplus: 1 }, /surplus/],
  ])('with %j is refused', (change, says) => {
    expect(faults(entrySchema.safeParse({ ...gap('a', 'L1', 'top', 22), ...change }))).toMatch(says);
  });

  const choice = (kind: string, value: unknown): unknown => ({
    kind,
    id: 'c',
    at: '2026-05-04T09:00:00.000Z',
    by: '',
    replaces: null,
    value,
  });
  const [tool] = STARTING_INSTRUMENTS.filter((i) => i.kit);
  const pairs = [{ cylinder: 'L1', piston: 'R1' }];

  it('of what the program begins with is sound', () => {
    const sound = [
      choice('bores', STARTING_BORES),
      choice('sizing', startingSizing('metric')),
      choice('pistons', STARTING_PISTONS),
      choice('pairing', STARTING_PAIRING),
      ...STARTING_INSTRUMENTS.map((value) => ({
        kind: 'instrument',
        id: 'i',
        at: '2026-05-04T09:00:00.000Z',
        by: '',
        value,
      })),
    ];
    for (const entry of sound) expect(faults(entrySchema.safeParse(entry))).toBe('');
  });

  it.each<[string, unknown, RegExp]>([
    ['no depth', choice('bores', { ...STARTING_BORES, depths: [] }), /at least one depth/],
    ['a depth twice', choice('bores', { ...STARTING_BORES, depths: ['top', 'top'] }), /each depth once/],
    ['a direction past half a turn', choice('bores', { ...STARTING_BORES, directions: [270] }), /under 180/],
    [
      'limits the wrong way round',
      choice('bores', {
        ...STARTING_BORES,
        limits: {
          ...STARTING_BORES.limits,
          used: { ...STARTING_BORES.limits.used, hone: { taper: 0, outOfRound: 0 } },
        },
      }),
      /The “hone up to” limit is under/,
    ],
    [
      'an oversize twice',
      choice('sizing', { ...startingSizing('metric'), oversizes: [250_000, 250_000] }),
      /Each oversize once/,
    ],
    [
      'a piston twice',
      choice('pairing', { ...STARTING_PAIRING, pairs: [...pairs, { cylinder: 'L2', piston: 'R1' }] }),
      /each piston once/,
    ],
    [
      'pins upside down',
      choice('pistons', { ...STARTING_PISTONS, pin: { least: 2, most: 1 } }),
      /The most pin clearance is under the least/,
    ],
    [
      'a tool without error',
      { kind: 'instrument', id: 'i', at: '2026-05-04T09:00:00.000Z', by: '', value: { ...tool, limit: 0 } },
      /no tool is without error/,
    ],
    [
      'a calibration on no day',
      {
        kind: 'instrument',
        id: 'i',
        at: '2026-05-04T09:00:00.000Z',
        by: '',
        value: { ...tool, calibrated: '2026-02-30' },
      },
      /a day such as/,
    ],
    [
      'a gauge zeroed at a gap',
      { kind: 'setting', id: 's', at: '2026-05-04T09:00:00.000Z', by: '', instrument: null, to: 558_800 },
      /to/,
    ],
    ['a bore of a main', reading('a', 'M1', 'bore', fromInches(4)), /not read there/],
    ['end play of a cylinder', reading('a', 'L1', 'endPlay', fromThou(5)), /not read there/],
    ['side clearance of a main', reading('a', 'M1', 'side', fromThou(12)), /not read there/],
    ['a journal of the crank', reading('a', 'crank', 'journal', fromInches(2)), /not read there/],
    [
      'a journal half way down a bore',
      { ...reading('a', 'M1', 'journal', fromInches(2)), place: { depth: 'top', angle: 0 } },
      /at one that it has/,
    ],
    [
      'a shell at the front',
      { ...reading('a', 'M1', 'shell', fromInches(0.05)), place: { depth: 'front', angle: 0 } },
      /at one that it has/,
    ],
    [
      'a bore whose gauge was zeroed on a journal',
      { ...boreReading('a', 'L1', 'top', 90, fromInches(4)), zeroed: { journal: 'M1', size: fromInches(2) } },
      /only for a housing on a journal/,
    ],
    [
      'a ring at a place in the bore',
      { ...gap('a', 'L1', 'top', 22), place: { depth: 'top', angle: 90 } },
      /only a bore, a journal or a shell is read at a place/,
    ],
  ])('with %s is refused', (_, entry, says) => {
    expect(faults(entrySchema.safeParse(entry))).toMatch(says);
  });

  it('comes 1 to 500 at a time', () => {
    const many = (n: number): unknown => Array.from({ length: n }, (_, i) => gap(`e${i}`, 'L1', 'top', 22));
    expect([0, 1, 500, 501].map((n) => entriesSchema.safeParse(many(n)).success)).toEqual([false, true, true, false]);
  });
});

describe('what is weighed, tightened and turned', () => {
  const stamped = { id: 'b', at: '2026-05-04T09:00:00.000Z', by: '', typed: '' };
  const weighed = { ...stamped, kind: 'weighed', part: 'pin', cylinder: 'L1', value: 145_000 };
  const turned = {
    ...stamped,
    ...{ kind: 'turned', after: 'piston', cylinder: 'L1', pistons: 1, value: 6_000, starts: null },
  };
  const tightened = {
    ...stamped,
    ...{ kind: 'tightened', group: 'mains', cylinder: 'block', fastener: 1 },
    ...{ what: 'step', torque: 60_000, angle: null, length: null },
  };
  const group = {
    ...{ id: 'mains', words: 'Mains', on: 'engine', count: 3, lubricant: 'oil', source: '', measured: false },
    ...{ steps: [30_000, 60_000], angle: 90, stretch: null, order: [2, 1, 3] },
  };

  it('is taken', () => {
    for (const entry of [weighed, turned, tightened, { ...tightened, fastener: 0, what: 'back', torque: null }])
      expect(faults(entrySchema.safeParse(entry))).toBe('');
    expect(
      faults(fastenersSchema.safeParse([group, { ...group, id: 'rods', angle: null, stretch: { from: 1, to: 2 } }])),
    ).toBe('');
    expect(faults(balanceSchema.safeParse(STARTING_BALANCE))).toBe('');
    expect(faults(setsSchema.safeParse(UNMIXED))).toBe('');
  });

  it.each<[string, object, RegExp]>([
    ['a mass of nothing', { ...weighed, value: 0 }, /more than nothing/],
    ['half a milligram', { ...weighed, value: 0.5 }, /whole number of milligrams/],
    ['a part of the block', { ...weighed, cylinder: 'block' }, /a place in the block/],
    ['a piston at the block', { ...turned, cylinder: 'block' }, /after a piston at its cylinder/],
    ['all in at a cylinder', { ...turned, after: 'all' }, /else at the block/],
    ['a torque past all', { ...turned, value: 2_000_000 }, /at most 1500/],
    ['a step without torque', { ...tightened, torque: null }, /a step has its torque/],
    ['an angle without degrees', { ...tightened, what: 'angle' }, /an angle has degrees/],
    ['a stretch without one', { ...tightened, what: 'stretch' }, /a length and a stretch are read/],
    ['no fastener', { ...tightened, fastener: 0 }, /a fastener is named/],
    ['a wrench that is a fastener', { ...tightened, what: 'back' }, /a fastener is named/],
    ['on a main', { ...tightened, cylinder: 'M1' }, /on a rod, by its cylinder, or at the block/],
  ])('%s is refused', (_, entry, says) => {
    expect(faults(entrySchema.safeParse(entry))).toMatch(says);
  });

  it.each<[string, object, RegExp]>([
    ['no lubricant', { lubricant: ' ' }, /Enter the lubricant/],
    ['a lesser step after a greater', { steps: [60_000, 30_000] }, /Each step must be more/],
    ['neither torque nor stretch', { steps: [], angle: null }, /Enter a torque or a stretch/],
    ['angle and stretch', { stretch: { from: 1, to: 2 } }, /not both/],
    ['a stretch backwards', { angle: null, stretch: { from: 2, to: 1 } }, /Enter two figures/],
    ['an order that leaves one out', { order: [2, 1] }, /each number from 1 to 3 once/],
    ['an order with one twice', { order: [2, 2, 3] }, /each number from 1 to 3 once/],
    ['an order with one too many', { order: [2, 1, 4] }, /each number from 1 to 3 once/],
  ])('a group with %s is refused', (_, change, says) => {
    expect(faults(fastenersSchema.safeParse([{ ...group, ...change }]))).toMatch(says);
  });

  it('a group twice, a part in two places and a share past all are refused', () => {
    expect(faults(fastenersSchema.safeParse([group, group]))).toMatch(/each group once/);
    const pin = [
      { number: 'L1', cylinder: 'L2' },
      { number: 'L1', cylinder: 'L3' },
    ];
    expect(faults(setsSchema.safeParse({ ...UNMIXED, pin }))).toMatch(/each part and place once/);
    expect(faults(balanceSchema.safeParse({ ...STARTING_BALANCE, share: 101 }))).toMatch(/to 100 %/);
  });
});

describe('the bottom end', () => {
  const limits = (change: object) => ({
    ...STARTING_JOURNALS,
    endPlay: { least: fromThou(2), aim: null, most: fromThou(10), source: 'manual', ...change },
  });

  it('is taken as it starts, and with what a manual gives', () => {
    expect(journalsSchema.safeParse(STARTING_JOURNALS).success).toBe(true);
    expect(journalsSchema.safeParse(limits({})).success).toBe(true);
    expect(journalsSchema.safeParse(limits({ most: null })).success).toBe(true);
    expect(shellsSchema.safeParse(startingShells('imperial')).success).toBe(true);
  });

  it.each<[string, object, RegExp]>([
    ['a most under the least', limits({ most: fromThou(1) }), /the most must be over the least/],
    ['a most alone', limits({ least: null }), /enter the least too/],
    ['an aim outside', limits({ aim: { from: fromThou(1), to: fromThou(5) } }), /the aim must lie/],
    ['an aim backwards', limits({ aim: { from: fromThou(8), to: fromThou(5) } }), /the aim must lie/],
    ['one main', { ...STARTING_JOURNALS, mains: 1 }, /at least two mains/],
    ['a place more', { ...STARTING_JOURNALS, ends: 3 }, /ends/],
  ])('%s is refused', (_, value, says) => {
    expect(faults(journalsSchema.safeParse(value))).toMatch(says);
  });

  it('a reminder is on a part of a cylinder, and of no place else; one without a part is on the place as such', () => {
    const pin = { id: 'p', at: '2026-05-04T09:00:00.000Z', by: '', kind: 'pin', check: null, text: 'oil jets!' };
    const read = (change: object) => entrySchema.safeParse({ ...pin, ...change });
    expect(read({ cylinder: 'L1' }).data).toMatchObject({ part: null });
    expect(read({ cylinder: 'L1', part: 'rod' }).success).toBe(true);
    expect([read({ cylinder: 'block', part: 'rod' }).success, read({ cylinder: 'L1', part: 'head' }).success]).toEqual([
      false,
      false,
    ]);
  });

  it('a step of the engine belongs to the block, and none of a cylinder does', () => {
    const check = {
      id: 'c',
      at: '2026-05-04T09:00:00.000Z',
      by: '',
      kind: 'check',
      planned: null,
      found: {},
      expected: null,
    };
    const says = (cylinder: string, step: string) => entrySchema.safeParse({ ...check, cylinder, check: step }).success;
    expect([says('block', 'clean'), says('L1', 'pin'), says('M1', 'tangs')]).toEqual([true, true, true]);
    expect([says('block', 'pin'), says('L1', 'clean'), says('block', 'tangs')]).toEqual([false, false, false]);
  });

  it('shells without the standard ones, with a grade twice, or two pairs in one bearing, are refused', () => {
    const shells = startingShells('imperial');
    const [less, std] = shells.stock.main;
    const fitted = { place: 'M1', upper: 'std', lower: 'std' };
    for (const [value, says] of [
      [{ ...shells, stock: { ...shells.stock, main: [less] } }, /the standard shells are among them/],
      [{ ...shells, stock: { ...shells.stock, rod: [std, std] } }, /each grade once/],
      [{ ...shells, fitted: [fitted, fitted] }, /each bearing once/],
      [{ ...shells, planned: [{ ...fitted, ordered: { at: 'today', by: 'KM' } }] }, /a UTC time/],
    ] as const)
      expect(faults(shellsSchema.safeParse(value))).toMatch(says);
  });
});
