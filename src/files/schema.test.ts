import { describe, expect, it } from 'vitest';
import { STARTING_BORES } from '@/core/bores/grid';
import { startingSizing } from '@/core/bores/plan';
import { STARTING_PISTONS } from '@/core/pistons/piston';
import { startingChoices } from '@/core/targets/target';
import { STARTING_INSTRUMENTS } from '@/core/uncertainty/startingInstruments';
import { gap, job } from '@/fixtures/records';
import { entriesSchema, entrySchema, faultsOf } from './schema';
import { STARTING_PAIRING } from '@/core/pistons/choices';
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
    [sheet({ form: 'range', min: 600_000, max: 500_000, from: '' }), /upper end is under the lower/],
    [sheet({ form: 'factor', factor: 0.56, from: '' }), /a factor is at most 0.02/],
    [sheet({ form: 'factor', factor: -0.004, from: '' }), /factor/],
    [sheet({ form: 'guess', from: '' }), /form/],
    [{ ...choices, feelerStep: 0 }, /more than nothing/],
    [{ ...choices, gapLimit: 1 }, /upper limit lies inside the aim window/],
    [{ ...choices, clearanceLimit: 1 }, /upper limit lies inside the aim window/],
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
    [{ cylinder: 'L1; DROP' }, /place in the block/],
    [{ by: 'thirteen chars' }, /at most 12/],
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
      /what honing mends is under/,
    ],
    [
      'an oversize twice',
      choice('sizing', { ...startingSizing('metric'), oversizes: [250_000, 250_000] }),
      /each oversize once/,
    ],
    [
      'a piston twice',
      choice('pairing', { ...STARTING_PAIRING, pairs: [...pairs, { cylinder: 'L2', piston: 'R1' }] }),
      /each piston once/,
    ],
    [
      'pins upside down',
      choice('pistons', { ...STARTING_PISTONS, pin: { least: 2, most: 1 } }),
      /the most is under the least/,
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
    [
      'a ring at a place in the bore',
      { ...gap('a', 'L1', 'top', 22), place: { depth: 'top', angle: 90 } },
      /only a bore is read at a place/,
    ],
  ])('with %s is refused', (_, entry, says) => {
    expect(faults(entrySchema.safeParse(entry))).toMatch(says);
  });

  it('comes 1 to 500 at a time', () => {
    const many = (n: number): unknown => Array.from({ length: n }, (_, i) => gap(`e${i}`, 'L1', 'top', 22));
    expect([0, 1, 500, 501].map((n) => entriesSchema.safeParse(many(n)).success)).toEqual([false, true, true, false]);
  });
});
