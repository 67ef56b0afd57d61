import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou, roundUpTo } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import { CONSTRUCTIONS, DUTIES, STARTING_CHART, cellOf } from '../charts/chart';
import { withFactor } from '../charts/chartEdit';
import { STARTING_CURVE } from '../charts/startingCurve';
import { type TargetBore, type Candidate, type Target, loosened } from './target';
import { clearanceTarget } from './clearanceTarget';
import { railGapTarget, RAIL_MINIMUM, secondGapTarget, oldRuleGap, topGapTarget } from './ringGapTarget';
import { type TargetAsk, widthOn } from './chartTarget';
import { type TargetChoices, type Given, statedMinimum, startingChoices } from './papers';

const choices = startingChoices('imperial');
const at = (inches: number): TargetBore => ({ nm: fromInches(inches), from: 'measured' });
const drag: TargetAsk = {
  bore: at(4.065),
  chart: STARTING_CHART,
  duty: 'race',
  load: null,
  isDiesel: false,
  dutyAsk: 'Set the use.',
  gapAsk: '',
  construction: 'forged4032',
  surface: 'iron',
  choices,
};

function force(target: Target): Candidate {
  if (!target.set) throw new Error(target.ask);
  return target.inForce;
}
const second = (ask: TargetAsk): Candidate => force(secondGapTarget(ask, topGapTarget(ask)));
const withTop = (given: TargetChoices['gaps']['top']): TargetChoices => ({
  ...choices,
  gaps: { ...choices.gaps, top: given },
});

const withSecond = (sheet: NonNullable<TargetChoices['gaps']['second']['sheet']>): Partial<TargetChoices> => ({
  gaps: { ...choices.gaps, second: { sheet, manual: null, own: null } },
});

describe('the chart', () => {
  it('drag, naturally aspirated, 4.065 in: 0.0050 → 21 to 24 thou (common practice, no source)', () => {
    expect(force(topGapTarget(drag))).toMatchObject({
      aimFrom: fromThou(21),
      aimTo: fromThou(24),
      rank: 'chart',
      standing: 'from memory, not confirmed',
    });
  });

  it('the same, second ring: 0.0055 → 23 to 26 thou (common practice, no source)', () => {
    expect(second(drag)).toMatchObject({ aimFrom: fromThou(23), aimTo: fromThou(26) });
  });

  it('the old rule: 4.000 in → 16 thou; 4.030 in → 0.01612 → 17 (common practice, no source)', () => {
    expect(oldRuleGap(at(4), fromThou(1))).toBe(fromThou(16));
    expect(oldRuleGap(at(4.03), fromThou(1))).toBe(fromThou(17));
  });

  it('a high-ring piston on 4.000 in needs about 27, not 16 (common practice, no source)', () => {
    const ask: TargetAsk = { ...drag, bore: at(4), construction: 'hypereutectic' };
    expect(force(topGapTarget(ask)).aimFrom).toBe(fromThou(28));
    expect(force(topGapTarget({ ...ask, duty: 'street' })).aimFrom).toBe(fromThou(26));
  });

  it('offers no figure where it has none, and asks for the sheet', () => {
    const target = topGapTarget({ ...drag, duty: 'boostHigh', construction: 'cast' });
    expect(target).toMatchObject({ set: false, ask: expect.stringContaining('Enter the figure from the sheet') });
  });

  it('asks how the piston is made, and what for, instead of guessing', () => {
    expect(topGapTarget({ ...drag, construction: null })).toMatchObject({
      set: false,
      ask: expect.stringContaining('Set the piston type'),
    });
    expect(topGapTarget({ ...drag, duty: null })).toMatchObject({
      set: false,
      ask: expect.stringContaining('Set the use: the gap depends on it'),
    });
  });
});

describe('the widths that the program begins with', () => {
  it('are a step of the leaves at the least on a curve, and as they are on a chart of steps', () => {
    const step = fromThou(5);
    const onCurve = { ...drag, chart: STARTING_CURVE };
    expect(choices.gapWindow).toBe(fromThou(3));
    expect(widthOn(choices, 'gapWindow', onCurve, step)).toBe(step);
    expect(widthOn(choices, 'gapWindow', drag, step)).toBe(fromThou(3));
    // one that the shop chose itself stands
    expect(widthOn({ ...choices, gapWindow: fromThou(4) }, 'gapWindow', onCurve, step)).toBe(fromThou(4));
  });
});

describe('papers', () => {
  const sheet = {
    form: 'range' as const,
    min: fromThou(20),
    max: fromThou(24),
    hardTop: false,
    aim: null,
    from: 'sheet',
  };
  const manual = {
    form: 'range' as const,
    min: fromThou(18),
    max: fromThou(26),
    hardTop: false,
    aim: null,
    from: 'manual',
  };

  it('a sheet outranks the manual, and the manual the chart; all stay in sight', () => {
    const target = topGapTarget({ ...drag, choices: withTop({ sheet, manual, own: null }) });
    expect(force(target)).toMatchObject({
      rank: 'sheet',
      least: fromThou(20),
      aimFrom: fromThou(20),
      aimTo: fromThou(24),
      most: fromThou(24),
    });
    expect(target.set && target.outranked.map((c) => c.rank)).toEqual(['manual', 'chart']);
    expect(force(topGapTarget({ ...drag, choices: withTop({ sheet: null, manual, own: null }) })).rank).toBe('manual');
  });

  it('a sheet stands where the chart has no figure and nothing else is said', () => {
    const ask = { ...drag, duty: null, construction: null, choices: withTop({ sheet, manual: null, own: null }) };
    expect(force(topGapTarget(ask)).aimFrom).toBe(fromThou(20));
  });

  it('a sheet may give a factor or a minimum: they get a window, the factor is rounded up', () => {
    const factor = { form: 'factor' as const, factor: 0.0067, from: 'sheet' };
    const ask = { ...drag, bore: at(3.2482), choices: withTop({ sheet: factor, manual: null, own: null }) };
    expect(force(topGapTarget(ask))).toMatchObject({ aimFrom: fromThou(22), aimTo: fromThou(25), most: fromThou(27) });
    const minimum = { form: 'minimum' as const, min: fromThou(19), from: 'sheet' };
    expect(
      force(topGapTarget({ ...drag, choices: withTop({ sheet: minimum, manual: null, own: null }) })),
    ).toMatchObject({ aimFrom: fromThou(19), aimTo: fromThou(22) });
  });

  const paper = (given: Given) =>
    force(topGapTarget({ ...drag, bore: at(4), choices: withTop({ sheet: given, manual: null, own: null }) }));

  it('a product is the limit as it is; the aim begins at the leaf above it (4.000 × 0.005, drag: 20; 4.065: 20.325, 21)', () => {
    expect(force(topGapTarget({ ...drag, bore: at(4.065) }))).toMatchObject({
      least: fromThou(20.325),
      aimFrom: fromThou(21),
      aimTo: fromThou(24),
      most: fromThou(26),
      mostHard: false,
    });
  });

  it('a range is its own limits, hard at the top where it is marked so; an aim inside it moves no limit', () => {
    const range = { form: 'range' as const, min: fromThou(20), max: fromThou(26), hardTop: true, from: 'sheet' };
    expect(paper({ ...range, aim: null })).toMatchObject({
      aimFrom: fromThou(20),
      aimTo: fromThou(26),
      mostHard: true,
    });
    expect(paper({ ...range, aim: { from: fromThou(22), to: fromThou(24) } })).toMatchObject({
      least: fromThou(20),
      aimFrom: fromThou(22),
      aimTo: fromThou(24),
      most: fromThou(26),
    });
  });

  it('one figure ± is its aim and its limits: no chart undercuts it, nor widens it', () => {
    const nominal = (thou: number): Given => ({
      form: 'nominal',
      value: fromThou(thou),
      plusMinus: fromThou(0.5),
      from: 'sheet',
    });
    // the chart’s product on 4.000 in is 20
    for (const thou of [24, 18])
      expect(paper(nominal(thou))).toMatchObject({
        least: fromThou(thou - 0.5),
        aimFrom: fromThou(thou - 0.5),
        aimTo: fromThou(thou + 0.5),
        most: fromThou(thou + 0.5),
      });
  });

  it('factors from – to: both products, the aim from the lower one rounded up (0.004–0.008 × 4.000: 16 to 32)', () => {
    expect(paper({ form: 'factors', least: 0.00401, most: 0.008, hardTop: false, from: 'sheet' })).toMatchObject({
      least: fromThou(16.04),
      aimFrom: fromThou(17),
      aimTo: fromThou(32),
      most: fromThou(32),
    });
    const blind = {
      ...drag,
      bore: null,
      choices: withTop({
        sheet: { form: 'factors' as const, least: 0.004, most: 0.008, hardTop: false, from: '' },
        manual: null,
        own: null,
      }),
    };
    expect(topGapTarget(blind).set).toBe(false);
  });

  // a 20 mm bore must not be asked for four times its top ring’s gap, nor a 250 mm one be let butt
  it('rails and windows go with the bore where it is no usual one, unless a window was set', () => {
    const on = (mm: number, change: Partial<TargetChoices> = {}): TargetAsk => ({
      ...drag,
      bore: { nm: fromMm(mm), from: 'measured' },
      choices: { ...choices, ...change },
    });
    const [small, large] = [20, 250].map((mm) => [railGapTarget(on(mm)), topGapTarget(on(mm))].map(force));
    expect(small?.[0]?.least).toBeLessThan((small?.[1]?.least ?? 0) * 1.3);
    expect(large?.[0]?.least).toBeGreaterThan((large?.[1]?.least ?? 0) * 0.6);
    const widthOf = (mm: number, change: Partial<TargetChoices> = {}): number => {
      const { aimFrom, aimTo } = force(topGapTarget(on(mm, change)));
      return (aimTo ?? 0) - aimFrom;
    };
    expect([20, 75, 115, 250].map((mm) => widthOf(mm))).toEqual([1, 3, 3, 7].map(fromThou));
    expect(widthOf(20, { gapWindow: fromThou(4) })).toBe(fromThou(4));
  });

  it('rails: a minimum of 15 thou on usual bores, unless a paper gives a range (common practice, no source)', () => {
    for (const bore of [3, 3.5, 4.5])
      expect(force(railGapTarget({ ...drag, bore: at(bore) }))).toMatchObject({
        aimFrom: RAIL_MINIMUM,
        aimTo: null,
        most: null,
      });
    expect(RAIL_MINIMUM).toBe(fromThou(15));
    const range = {
      form: 'range' as const,
      min: fromMm(0.3),
      max: fromMm(0.9),
      hardTop: false,
      aim: null,
      from: 'manual',
    };
    const ranged = { ...choices, gaps: { ...choices.gaps, rails: { sheet: null, manual: range, own: null } } };
    expect(force(railGapTarget({ ...drag, choices: ranged }))).toMatchObject({
      aimFrom: fromMm(0.3),
      aimTo: fromMm(0.9),
      most: fromMm(0.9),
    });
  });
});

describe('the second ring', () => {
  it('is raised over the top where the chart has it narrower, by 2 thou', () => {
    const ask: TargetAsk = { ...drag, bore: at(4), construction: 'hypereutectic' };
    expect(second(ask).aimFrom).toBe(fromThou(30));
  });

  it('equals the top in the second school, and a sheet may make it tighter (common practice: 18 top, 16 second)', () => {
    const tighter: TargetChoices = { ...choices, secondSchool: 'equalOrTighter' };
    expect(second({ ...drag, choices: tighter }).aimFrom).toBe(fromThou(21));
    const sheet = { form: 'minimum' as const, min: fromThou(16), from: 'manual' };
    const ask = {
      ...drag,
      choices: { ...tighter, gaps: { ...tighter.gaps, second: { sheet, manual: null, own: null } } },
    };
    expect(second(ask).aimFrom).toBe(fromThou(16));
  });

  it('is worked from the top ring where that was chosen, whatever the chart has, and a sheet still comes first', () => {
    const by = (secondBy: TargetChoices['secondBy'], change: Partial<TargetChoices> = {}): TargetAsk => ({
      ...drag,
      choices: { ...choices, secondBy, ...change },
    });
    // top: 4.065 × 0.005 = 20.325, up to 21 thou
    const difference = second(by({ by: 'difference', over: fromThou(3.5) }));
    expect(difference).toMatchObject({ rank: 'rule', aimFrom: fromThou(25), standing: 'the builder’s own figure' });
    expect(difference.least).toBe(Math.round(fromInches(4.065) * 0.005) + fromThou(3.5));
    expect(difference.working.map((line) => messageText(line, 'imperial'))).toEqual([
      "the top ring's 21 thou + 3.5 thou = 0.02450 in, up to the next step → 25 thou",
    ]);
    expect(second(by({ by: 'ratio', ratio: 1.15 })).aimFrom).toBe(fromThou(25));
    // the second school has no larger one
    const equal = by({ by: 'ratio', ratio: 1.15 }, { secondSchool: 'equalOrTighter' });
    expect(second(equal).aimFrom).toBe(fromThou(21));
    const sheet = { form: 'minimum' as const, min: fromThou(23), from: 'sheet' };
    const papered = by({ by: 'ratio', ratio: 1.15 }, withSecond(sheet));
    expect(second(papered)).toMatchObject({ rank: 'sheet', aimFrom: fromThou(23) });
    // a top ring from its sheet is what it goes by, even where the chart has nothing
    const { gaps } = withTop({ sheet, manual: null, own: null });
    const lone = by({ by: 'difference', over: fromThou(2) }, { gaps });
    expect(second({ ...lone, duty: 'boostHigh', construction: 'cast' }).aimFrom).toBe(fromThou(25));
    expect(secondGapTarget({ ...by({ by: 'ratio', ratio: 1.1 }), bore: null }, { set: false, ask: '' })).toEqual({
      set: false,
      ask: 'Say what the top ring needs: the second ring is worked from it.',
    });
  });

  it('is wider than the top everywhere the first school follows the chart', () => {
    for (const duty of DUTIES)
      for (const construction of CONSTRUCTIONS)
        if (cellOf(STARTING_CHART, duty, construction, 'top')) {
          const ask: TargetAsk = { ...drag, duty, construction };
          expect(second(ask).aimFrom).toBeGreaterThan(force(topGapTarget(ask)).aimFrom);
        }
  });
});

describe('clearance', () => {
  it('is factor × bore as it is, whatever the shop’s units (from memory: 4032 street 0.0007; 4 in: 71.12 µm)', () => {
    expect(force(clearanceTarget({ ...drag, bore: at(4), duty: 'street' })).aimFrom).toBe(71_120);
    const target = force(clearanceTarget({ ...drag, bore: at(3.78), duty: 'street' }));
    expect(target).toMatchObject({ aimFrom: 67_208, aimTo: 67_208 + fromThou(1), most: 67_208 + fromThou(2) });
  });

  it('a boosted low-silicon forging needs more than a cast piston on the street (from memory)', () => {
    const boosted = force(clearanceTarget({ ...drag, duty: 'boostHigh', construction: 'forged2618' }));
    const cast = force(clearanceTarget({ ...drag, duty: 'street', construction: 'cast' }));
    expect(boosted.aimFrom).toBeGreaterThan(2 * cast.aimFrom);
    expect(force(clearanceTarget({ ...drag, duty: 'diesel', construction: 'cast' })).aimFrom).toBe(175_527);
  });
});

describe('the builder’s own figure', () => {
  const own = (thou: number, over: boolean): TargetChoices['gaps']['top'] => ({
    sheet: null,
    manual: null,
    own: { given: { form: 'minimum', min: fromThou(thou), from: 'ran it last year' }, over },
  });

  it('ranks last: it holds only where nothing else gives a figure', () => {
    const target = topGapTarget({ ...drag, choices: withTop(own(25, false)) });
    expect(force(target).rank).toBe('chart');
    expect(target.set && target.outranked.map((c) => c.rank)).toEqual(['own']);
    const lone = topGapTarget({ ...drag, duty: 'boostHigh', construction: 'cast', choices: withTop(own(25, false)) });
    expect(force(lone)).toMatchObject({
      rank: 'own',
      aimFrom: fromThou(25),
      aimTo: fromThou(28),
      from: 'ran it last year',
      standing: 'the builder’s own figure',
    });
  });

  it('put over the others it holds, and they stay in sight by rank', () => {
    const sheet = { form: 'minimum' as const, min: fromThou(24), from: 'sheet' };
    const target = topGapTarget({ ...drag, choices: withTop({ ...own(19, true), sheet }) });
    expect(force(target)).toMatchObject({ rank: 'own', aimFrom: fromThou(19) });
    expect(target.set && target.outranked.map((c) => c.rank)).toEqual(['sheet', 'chart']);
  });

  it('a factor waits for a bore; ranges and minimums do not', () => {
    const ask: TargetAsk = { ...drag, bore: null };
    const factor = { form: 'factor' as const, factor: 0.006, from: 'sheet' };
    expect(topGapTarget({ ...ask, choices: withTop({ sheet: factor, manual: null, own: null }) })).toMatchObject({
      set: false,
      ask: expect.stringContaining('bore'),
    });
    expect(force(topGapTarget({ ...ask, choices: withTop(own(20, false)) })).aimFrom).toBe(fromThou(20));
    expect(statedMinimum(factor, null)).toBeNull();
    expect(statedMinimum(factor, fromInches(4))).toBe(fromThou(24));
  });
});

describe('allowances', () => {
  it('move minimum, aim and limit up together, in every figure in sight, and say so', () => {
    const loose = loosened(topGapTarget(drag), fromThou(1), 'rear cylinder');
    expect(force(loose)).toMatchObject({ aimFrom: fromThou(22), aimTo: fromThou(25), most: fromThou(27) });
    expect(messageText(force(loose).working.at(-1) ?? [], 'imperial')).toBe(
      'allowance of this cylinder + 1 thou (rear cylinder) → 22 thou',
    );
    const rails = loosened(railGapTarget(drag), fromThou(1), '');
    expect(force(rails)).toMatchObject({ aimFrom: fromThou(16), aimTo: null, most: null });
  });

  it('of nothing change nothing', () => {
    expect(loosened(topGapTarget(drag), 0, '')).toEqual(topGapTarget(drag));
  });
});

describe('a chart of the shop’s own', () => {
  const confirmed = { sheet: 'ring set TF-82', by: 'KM', at: '2026-05-04T09:00:00.000Z' };
  const own = {
    ...STARTING_CHART,
    id: 'own',
    name: 'Own',
    version: 3,
    cells: STARTING_CHART.cells.map((c) => (c.row === 'race' && c.column === 'forged4032' ? { ...c, confirmed } : c)),
  };

  it('says which version a figure is from, and that it was confirmed, against what, by whom and when', () => {
    expect(force(topGapTarget({ ...drag, chart: own }))).toMatchObject({
      standing: 'confirmed against a sheet',
      from: 'Own, version 3: oval or drag, naturally aspirated, forged, high silicon (4032 type) (confirmed against ring set TF-82 by KM on 2026-05-04)',
    });
  });

  it('a changed factor is no longer confirmed, the same factor still is', () => {
    const at = { row: 'race', column: 'forged4032', figure: 'top' } as const;
    expect(force(topGapTarget({ ...drag, chart: withFactor(own, at, 0.0052, 'own trial') }))).toMatchObject({
      standing: 'not confirmed',
      aimFrom: fromThou(22),
    });
    expect(force(topGapTarget({ ...drag, chart: withFactor(own, at, 0.005, 'same') })).standing).toBe(
      'confirmed against a sheet',
    );
    expect(topGapTarget({ ...drag, chart: withFactor(own, at, null, '') })).toMatchObject({ set: false });
  });

  it('a row or column it has not is asked about, by name', () => {
    expect(topGapTarget({ ...drag, duty: 'hill' })).toMatchObject({
      set: false,
      ask: expect.stringContaining('no row for the duty on the job card (“hill”)'),
    });
    expect(topGapTarget({ ...drag, construction: 'billet' })).toMatchObject({
      set: false,
      ask: expect.stringContaining('no column for the piston'),
    });
  });
});

describe('plated bores', () => {
  it('take the plated figure where the chart has one, else the iron one, the looser, and say so', () => {
    const plated: TargetAsk = { ...drag, bore: at(4), surface: 'plated' };
    const kept = force(clearanceTarget(plated));
    expect(kept.aimFrom).toBe(fromThou(3.6));
    expect(messageText(kept.working.at(-1) ?? [], 'imperial')).toContain('the looser of the two');
    const chart = withFactor(
      STARTING_CHART,
      { row: 'race', column: 'forged4032', figure: 'clearancePlated' },
      0.0005,
      'own trial',
    );
    expect(force(clearanceTarget({ ...plated, chart })).aimFrom).toBe(fromThou(2));
    expect(force(clearanceTarget({ ...plated, chart, surface: 'iron' })).aimFrom).toBe(fromThou(3.6));
  });
});

describe('properties of every chart target', () => {
  const asks: fc.Arbitrary<TargetAsk & { bore: TargetBore; duty: string; construction: string }> = fc.record({
    chart: fc.constant(STARTING_CHART),
    load: fc.constant(null),
    isDiesel: fc.constant(false),
    dutyAsk: fc.constant(''),
    gapAsk: fc.constant(''),
    surface: fc.constantFrom('iron' as const, 'plated' as const, null),
    bore: fc.record({
      nm: fc.integer({ min: fromMm(40), max: fromMm(160) }),
      from: fc.constantFrom('measured', 'reported', 'planned'),
    }),
    duty: fc.constantFrom(...DUTIES),
    construction: fc.constantFrom(...CONSTRUCTIONS),
    choices: fc.constantFrom(startingChoices('imperial'), startingChoices('metric')),
  });

  it('never under the product, under one step over it, and wider on a wider bore', () => {
    fc.assert(
      fc.property(asks, fc.integer({ min: 0, max: fromMm(2) }), (ask, wider) => {
        const cell = cellOf(STARTING_CHART, ask.duty, ask.construction, 'top');
        const target = topGapTarget(ask);
        expect(target.set).toBe(cell !== null);
        if (!cell || !target.set) return;
        const product = ask.bore.nm * cell.factor;
        expect(target.inForce.aimFrom).toBeGreaterThanOrEqual(Math.round(product));
        expect(target.inForce.aimFrom - product).toBeLessThan(ask.choices.feelerStep + 1);
        expect(target.inForce.aimFrom % ask.choices.feelerStep).toBe(0);
        const onWider = topGapTarget({ ...ask, bore: { ...ask.bore, nm: ask.bore.nm + wider } });
        expect(force(onWider).aimFrom).toBeGreaterThanOrEqual(target.inForce.aimFrom);
      }),
    );
  });

  it('rounding up twice changes nothing, and neither does the system it is shown in', () => {
    fc.assert(
      fc.property(asks, (ask) => {
        const target = topGapTarget(ask);
        if (!target.set) return;
        const { aimFrom: min } = target.inForce;
        expect(roundUpTo(min, ask.choices.feelerStep)).toBe(min);
        const shown = ['imperial', 'metric'].map((units) =>
          messageText([{ nm: min, as: 'raw' }], units as 'imperial' | 'metric'),
        );
        const back = [fromInches(Number(shown[0]?.replace(' in', ''))), fromMm(Number(shown[1]?.replace(' mm', '')))];
        for (const nm of back) expect(Math.abs(nm - min)).toBeLessThan(150);
      }),
    );
  });

  it('a larger factor never gives a smaller target, whatever the bore (monotone)', () => {
    fc.assert(
      fc.property(
        asks,
        fc.double({ min: 0.003, max: 0.012, noNaN: true }),
        fc.double({ min: 0, max: 0.004, noNaN: true }),
        (ask, factor, more) => {
          const by = (f: number): number =>
            force(
              topGapTarget({
                ...ask,
                choices: {
                  ...ask.choices,
                  gaps: {
                    ...ask.choices.gaps,
                    top: { sheet: { form: 'factor', factor: f, from: '' }, manual: null, own: null },
                  },
                },
              }),
            ).aimFrom;
          expect(by(factor + more)).toBeGreaterThanOrEqual(by(factor));
          expect(by(factor)).toBeGreaterThanOrEqual(Math.round(ask.bore.nm * factor));
        },
      ),
    );
  });
});
