import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judge } from '@/core/judge/judge';
import { type QuickAsk, quickRecord } from '@/core/judge/quickGap';
import { fromInches, fromMm, fromThou } from '@/core/foundation/quantity/length';
import { STARTING_CHART } from '@/core/models/charts/chart';
import type { Adders, Boost } from '@/core/models/load/service';
import { BLOWERS, FUELS, USES } from '@/core/models/load/serviceWords';
import { SURFACES } from '@/core/foundation/parts/materials';
import { readChartVersion, readQuick, writeQuick } from './quickGapUrlParams';

const params = (query: string): Record<string, string> => Object.fromEntries(new URLSearchParams(query));
const at = { at: '2026-05-04T09:00:00.000Z', by: 'KM' };

const pressure = fc.option(fc.integer({ min: 1, max: 1_500_000 }));
const fed = fc.option(fc.integer({ min: 1, max: 16 }));
const adders: fc.Arbitrary<Adders> = fc.record({
  boost: fc.option<Boost>(
    fc
      .record({
        by: fc.constantFrom(...BLOWERS),
        pressure,
        absolute: fc.boolean(),
        cooled: fc.constantFrom(null, true, false),
      })
      .map((boost): Boost => (boost.pressure === null ? { ...boost, absolute: false } : boost)),
  ),
  nitrous: fc.option(
    fc.oneof(
      fc.record({
        shots: fc.array(fc.integer({ min: 1, max: 800 }), { maxLength: 4 }),
        share: fc.constant(null),
        cylinders: fed,
      }),
      fc.record({ shots: fc.constant<number[]>([]), share: fc.constantFrom(0.4, 0.125, 1), cylinders: fed }),
    ),
  ),
  injection: fc.option(
    fc.record({ what: fc.constantFrom('water' as const, 'alcohol' as const), counted: fc.boolean() }),
  ),
});
const asks: fc.Arbitrary<QuickAsk> = fc.record({
  units: fc.constantFrom('imperial' as const, 'metric' as const),
  bore: fc.option(fc.integer({ min: fromMm(10), max: fromMm(500) })),
  cylinders: fc.integer({ min: 1, max: 16 }),
  service: fc.record({
    use: fc.constantFrom(...USES, null),
    fuel: fc.constantFrom(...FUELS),
    otherFuels: fc.subarray([...FUELS]),
    always: fc.record({ fuel: fc.boolean(), altitude: fc.boolean() }),
    nitro: fc.constantFrom(null, 0.1, 0.25),
    now: adders,
    later: fc.option(adders),
    altitude: fc.constantFrom(0, 1500, -30),
    basePower: fc.constantFrom(null, 250),
    stroke: fc.option(fc.integer({ min: fromMm(10), max: fromMm(600) })),
    redline: fc.constantFrom(null, 6_500),
    cooling: fc.constantFrom('water' as const, 'air' as const),
  }),
  duty: fc.constantFrom(null, 'race', 'own-row'),
  construction: fc.constantFrom(null, 'cast', 'own-piston'),
  surface: fc.constantFrom(...SURFACES, null),
  school: fc.constantFrom('larger' as const, 'equalOrTighter' as const),
  feelerStep: fc.constantFrom(25_400, 12_700, 10_000, 50_000),
});

describe('a quick ask as an address', () => {
  it('comes back letter for letter, to the nanometre and the pascal (property)', () => {
    fc.assert(
      fc.property(asks, (ask) => {
        expect(readQuick(params(writeQuick(ask, STARTING_CHART)))).toEqual(ask);
      }),
    );
  });

  it('one from before it said whether fuel and altitude are counted counts what it names', () => {
    expect(readQuick({ fuel: 'methanol', alt: '1500' }).service.always).toEqual({ fuel: true, altitude: true });
    expect(readQuick({ alt: '1500' }).service.always).toEqual({ fuel: false, altitude: true });
    expect(readQuick({ fuel: 'methanol', alt: '1500', always: 'none' }).service.always).toEqual({
      ...{ fuel: false, altitude: false },
    });
    expect(readQuick({}).service.always).toEqual({ fuel: false, altitude: false });
  });

  it('is short and can be read by people', () => {
    const ask = {
      ...readQuick({}),
      bore: fromInches(4.065),
      construction: 'forged4032',
      service: { ...readQuick({}).service, use: 'race' as const },
    };
    expect(writeQuick(ask, STARTING_CHART)).toBe(
      'units=imperial&bore=4.065in&use=race&piston=forged4032&chart=starting%401',
    );
  });

  it('never fails, whatever an address holds, and what it gives is an ask that can be judged (property)', () => {
    const keys = [
      'units',
      'bore',
      'use',
      'fuel',
      'adder',
      'boost',
      'shot',
      'fed',
      'later',
      'lateradder',
      'cyl',
      'row',
      'piston',
      'wall',
      'second',
      'step',
      'chart',
    ];
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom(...keys),
          fc.oneof(fc.string(), fc.constantFrom('turbo', 'nitrous', '-1', '1e9', '4in', '99999mm', 'NaN')),
        ),
        (any) => {
          const ask = readQuick(any);
          expect(() => judge(quickRecord(ask, STARTING_CHART, 'q', 'Quick', at))).not.toThrow();
          expect(readQuick(params(writeQuick(ask, STARTING_CHART)))).toEqual(ask);
        },
      ),
    );
  });

  it.each([
    ['starting@1', { id: 'starting', version: 1 }],
    ['a b@1', null],
    ['x@', null],
    [undefined, null],
  ])('a chart version %s', (text, expected) => {
    expect(readChartVersion(text)).toEqual(expected);
  });
});

describe('a quick ask judged', () => {
  const ask = { ...readQuick({ bore: '4.065in', use: 'race', piston: 'forged4032', wall: 'iron' }) };

  it('says what the build begun from it says: 21 to 24 and 23 to 26 thou (common practice, no source)', () => {
    const judgement = judge(quickRecord(ask, STARTING_CHART, 'q', 'Quick', at));
    const { planned } = judgement;
    expect(planned?.top).toMatchObject({ inForce: { aimFrom: fromThou(21), aimTo: fromThou(24) } });
    expect(planned?.second).toMatchObject({ inForce: { aimFrom: fromThou(23), aimTo: fromThou(26) } });
    expect(judgement.findings.filter((f) => f.severity !== 'note')).toEqual([]);
  });

  it('has nothing to say but what job card and targets have (property)', () => {
    fc.assert(
      fc.property(asks, (any) => {
        const judgement = judge(quickRecord(any, STARTING_CHART, 'q', 'Quick', at));
        expect(judgement.findings.filter((f) => f.stage !== 'job' && f.stage !== 'targets')).toEqual([]);
      }),
    );
  });

  it('holds the chart it was asked with, unless it is the one the program comes with', () => {
    const own = { ...STARTING_CHART, id: 'own', name: 'Own' };
    expect(quickRecord(ask, STARTING_CHART, 'q', 'Quick', at).entries.map((e) => e.kind)).toEqual([
      'job',
      'targets',
      'walk',
    ]);
    expect(judge(quickRecord(ask, own, 'q', 'Quick', at)).choices.chart.name).toBe('Own');
  });
});
