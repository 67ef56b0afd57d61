import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boreReading, gap, jobEntry, reading, record, voiding } from '@/fixtures/records';
import { type Depth, directionsByCount } from '../foundation/parts/spots';
import { type BoreChoices, STARTING_BORES } from '../stages/bores/measuringPlan';
import { sizePlanOf } from '../stages/pistons/oversize';
import { startingSizing } from '../stages/bores/oversizeChoices';
import { parseReading } from '../foundation/quantity/parseReading';
import { fromInches, fromMm, fromThou, toInches } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import { STARTING_INSTRUMENTS } from '../foundation/uncertainty/startingInstruments';
import { judgementDiff } from './diff';
import { contextFor } from './context';
import { judge } from './judge';
import { EMPTY_HAND, readingOf } from './preview';
import type { Judgement } from './judgement';
import type { Entry } from './buildRecord';
import { type PairingChoices, STARTING_PAIRING } from '../stages/pistons/choices';
import { pairingOf } from '../stages/pistons/pairing';
import type { PairingAsk } from '../stages/pistons/standing';
import { atTwenty } from '../foundation/uncertainty/thermal';
import { nextTask } from '../stages/contract/tasks';

const AT = '2026-05-04T09:00:00.000Z';
const stamp = (id: string) => ({ id, at: AT, by: 'AB' });
const cylinder = (judgement: Judgement, id: string) => {
  const found = judgement.cylinders.find((c) => c.id === id);
  if (!found) throw new Error(`no cylinder ${id}`);
  return found;
};
const says = (judgement: Judgement): string =>
  judgement.findings.map((f) => `${f.severity}: ${messageText(f.says, 'imperial')}`).join('\n');
const bores = (change: Partial<BoreChoices>): Entry => ({
  ...stamp('bores'),
  kind: 'bores',
  replaces: null,
  value: { ...STARTING_BORES, ...change },
});
const pairing = (change: Partial<PairingChoices>, id = 'pairing'): Entry => ({
  ...stamp(id),
  kind: 'pairing',
  replaces: null,
  value: { ...STARTING_PAIRING, ...change },
});
const DEPTHS: Depth[] = ['top', 'middle', 'bottom'];

/** A bore read over 3 × 2 spots: departures in tenths of a thou from 4.0650 in, square and along at each depth. */
const bore = (at: string, ...tenths: number[]): Entry[] =>
  DEPTHS.flatMap((depth, i) =>
    [90, 0].map((angle, j) =>
      boreReading(`${at}-${depth}-${angle}`, at, depth, angle, fromInches(4.065) + (tenths[2 * i + j] ?? 0) * 2_540),
    ),
  );

describe('a bore from its readings', () => {
  it('is the narrowest place in the thrust direction, with taper, out-of-round and a verdict', () => {
    const { bore: judged } = cylinder(judge(record(...bore('L1', 3, 1, 2, 0, 1, -1))), 'L1');
    expect(judged.size?.value).toBe(fromInches(4.0651));
    expect([judged.shape?.taper.thrust?.value, judged.shape?.outOfRound?.value]).toEqual([
      fromThou(0.2),
      fromThou(0.2),
    ]);
    expect(judged).toMatchObject({ read: 6, total: 6, round: 0, verdict: { state: 'within' } });
  });

  it('is part read until every spot is, and goes on along the route', () => {
    const entries = bore('L1', 3, 1, 2).slice(0, 3);
    const judged = judge(record(...entries));
    expect(cylinder(judged, 'L1').bore).toMatchObject({ read: 3, verdict: { state: 'part read' } });
    expect(nextTask(judged.tasks.bores, null)).toMatchObject({ cylinder: 'L1', spot: { depth: 'middle', angle: 0 } });
  });

  it('averages repeats, finds their scatter, and calls out those that do not agree', () => {
    const again = (id: string, tenths: number): Entry =>
      boreReading(id, 'L1', 'top', 90, fromInches(4.065) + tenths * 2_540);
    const agreed = judge(record(...bore('L1', 2, 0, 0, 0, 0, 0), again('r1', 1), again('r2', 3), again('r3', 2)));
    const [spot] = cylinder(agreed, 'L1').bore.spots;
    expect(spot).toMatchObject({ value: fromInches(4.0652), disagreement: null });
    expect(cylinder(agreed, 'L1').bore.repeatability).toMatchObject({
      freedom: 3,
      value: expect.closeTo(2_540 * Math.sqrt(2 / 3), 3) as number,
    });
    expect(says(agreed)).not.toContain('readings disagree');
    const apart = judge(record(...bore('L1', 2), again('r1', 9)));
    expect(says(apart)).toContain(
      'mend: Cylinder 1, top of ring travel, square to the crank: readings disagree by 0.7 thou; the smaller counts',
    );
    expect(says(judge(record(...bore('L1', 2), again('r1', 9), voiding('v', 'r1'))))).not.toContain(
      'readings disagree',
    );
  });

  it('counts a bore of which one size is known as read: nobody is sent to it again, and it is not called within', () => {
    const judged = judge(record(reading('a', 'L1', 'bore', fromInches(4.065))));
    expect(judged.stages.find((s) => s.stage === 'bores')).toMatchObject({ done: 1, total: 8 });
    expect(judged.tasks.bores.filter((t) => t.cylinder === 'L1').every((t) => t.done)).toBe(true);
    expect(judged.cylinders[0]?.bore.verdict.state).toBe('part read');
  });

  it('asks for each spot as often as the grid does', () => {
    const twice: Entry = { ...stamp('g'), kind: 'bores', replaces: null, value: { ...STARTING_BORES, repeats: 2 } };
    const once = judge(record(twice, ...bore('L1')));
    expect(cylinder(once, 'L1').bore).toMatchObject({ read: 0, verdict: { state: 'part read' } });
    expect(once.tasks.bores.filter((t) => t.cylinder === 'L1').some((t) => t.done)).toBe(false);
    const again = bore('L1').map((e, i) => ({ ...e, id: `again-${i}` }));
    const both = cylinder(judge(record(twice, ...bore('L1'), ...again)), 'L1').bore;
    expect(both.read).toBe(both.total);
  });

  it('is as found only once it was machined', () => {
    expect(cylinder(judge(record(...bore('L1'))), 'L1').bore.asFound).toBeNull();
  });

  it('a bore of which one size is known is paired as any other', () => {
    const alone = ['L1', 'R1'].flatMap((c, i) => [
      reading(`b${c}`, c, 'bore', fromInches(4.065)),
      reading(`p${c}`, c, 'piston', fromInches(4.0605) + i * 2_540),
    ]);
    const { ask, waiting } = judge(record(...alone)).pairing;
    expect(ask.bores.map((b) => b.cylinder)).toEqual(['L1', 'R1']);
    expect(waiting).toHaveLength(6);
  });

  it('plans the next size with the doubt of the largest reading, however well the smallest is known', () => {
    const at = (depth: 'top' | 'bottom', inches: number, times: number): Entry[] =>
      Array.from({ length: times }, (_, i) =>
        boreReading(`${depth}${i}`, 'L1', depth, 90, fromInches(inches) + ((i % 3) - 1) * 7_620),
      );
    const { bore: often } = cylinder(judge(record(...at('top', 4.066, 1), ...at('bottom', 4.065, 9))), 'L1');
    const { bore: seldom } = cylinder(judge(record(...at('top', 4.066, 9), ...at('bottom', 4.065, 1))), 'L1');
    expect(often.largestUncertainty).toBeGreaterThan(often.size?.uncertainty ?? Infinity);
    expect(seldom.largestUncertainty).toBeLessThan(seldom.size?.uncertainty ?? 0);
  });

  it('keeps a size given without its place until spots are read; of two that disagree the smaller counts', () => {
    const alone = [reading('a', 'L1', 'bore', fromInches(4.066)), reading('b', 'L1', 'bore', fromInches(4.067))];
    expect(cylinder(judge(record(...alone)), 'L1').bore).toMatchObject({
      size: { value: fromInches(4.066), disagreement: { most: fromInches(4.067) } },
      shape: null,
      verdict: { state: 'part read' },
    });
    expect(says(judge(record(...alone)))).toContain('mend: Cylinder 1: sizes of its bore disagree');
    expect(cylinder(judge(record(...alone, voiding('v', 'a'))), 'L1').bore.size?.value).toBe(fromInches(4.067));
    expect(cylinder(judge(record(...alone, ...bore('L1'))), 'L1').bore.size?.value).toBe(fromInches(4.065));
    expect(
      judge(record(...alone))
        .tasks.bores.filter((t) => t.cylinder === 'L1')
        .every((t) => t.done),
    ).toBe(true);
  });

  it('counts only what was read since it was machined, keeps the rest, and takes it back', () => {
    const honed: Entry = { ...stamp('h'), kind: 'renewed', part: 'bore', cylinder: 'L1' };
    const worn = bore('L1', 40, 10, 20, 10, 0, 0);
    expect(cylinder(judge(record(...worn)), 'L1').bore.verdict.state).toBe('next size');
    const after = cylinder(judge(record(...worn, honed)), 'L1').bore;
    expect(after).toMatchObject({ round: 1, size: null, shape: null, verdict: { state: 'to do' } });
    expect(after.asFound?.taper.thrust?.value).toBe(fromThou(4));
    expect(after.passes).toHaveLength(6);
    const anew = bore('L1', 401, 400, 400, 400, 400, 400).map((e) => ({ ...e, id: `${e.id}-anew` }));
    expect(cylinder(judge(record(...worn, honed, ...anew)), 'L1').bore).toMatchObject({
      size: { value: fromInches(4.105) },
      verdict: { state: 'within' },
    });
    expect(cylinder(judge(record(...worn, honed, voiding('v', 'h'))), 'L1').bore).toMatchObject({
      round: 0,
      verdict: { state: 'next size' },
    });
  });

  it('is out where no oversize on the list cleans it', () => {
    const sizing: Entry = {
      ...stamp('s'),
      kind: 'sizing',
      replaces: null,
      value: { ...startingSizing('imperial'), oversizes: [fromThou(5)] },
    };
    const judged = judge(record(bores({ basis: 'used' }), sizing, ...bore('L1', 80, 10, 20, 10, 0, 0)));
    expect(cylinder(judged, 'L1').bore.verdict.state).toBe('out');
    expect(sizePlanOf(judged)).toMatchObject({ sleeves: ['L1'], oversize: null });
    expect(says(judged)).toMatch(/stop: Cylinder 1, bore out/);
  });

  it('calls out readings with and without the torque plate in one bore', () => {
    const plated = bore('L1').map((e, i) => (e.kind === 'reading' ? { ...e, plate: i > 2 } : e));
    expect(says(judge(record(...plated)))).toContain(
      'some readings were taken with the torque plate on and some without',
    );
    expect(says(judge(record(...bore('L1'))))).toContain('Torque plate not entered');
    expect(says(judge(record(bores({ basis: 'used' }), ...bore('L1'))))).not.toContain('torque plate');
  });

  it('calls out a spot that stands away from the rest of its bore, with the slip', () => {
    const slipped = bore('L1').map((e) =>
      e.id === 'L1-top-90' && e.kind === 'reading' ? { ...e, value: fromInches(4.165), typed: '4.165' } : e,
    );
    expect(says(judge(record(...slipped)))).toContain(
      'is 100 thou off the rest of the bore. A slip would explain it: off by 0.1 in',
    );
  });

  it('says of bores read in one direction that out-of-round is not known, and of two what they cannot see', () => {
    const along = bore('L1').filter((e) => e.kind === 'reading' && e.place?.angle === 90);
    expect(says(judge(record(...along, bores({ directions: [90] }))))).toContain(
      'within limits in the one direction that was read. Out-of-round is not known',
    );
    expect(says(judge(record(...bore('L1'))))).toContain(
      'within limits in the two directions that were read. Two cannot',
    );
    expect(says(judge(record(...along)))).not.toContain('directions that were read');
    const reasons = (...read: Entry[]): string =>
      judge(record(...read))
        .cylinders[0]?.bore.verdict.reasons.map((reason) => messageText(reason, 'imperial'))
        .join('; ') ?? '';
    expect(reasons(...bore('L1'))).toContain('in two directions');
    const third = bore('L1').map((e) =>
      e.kind === 'reading' && e.place ? { ...e, id: `${e.id}-45`, place: { ...e.place, angle: 45 } } : e,
    );
    const all = [...bore('L1'), ...third.filter((_, i) => i % 2 === 0), bores({ directions: [90, 0, 45] })];
    expect(reasons(...all)).not.toContain('direction');
  });

  it('goes depth by depth where that is the route, and down each direction where that is the order', () => {
    const order = (change: Partial<BoreChoices>): string[] =>
      judge({ id: 'x', entries: [jobEntry(), bores(change)] }).tasks.bores.map(
        (t) => `${t.cylinder} ${t.spot?.depth} ${t.spot?.angle}`,
      );
    expect(order({}).slice(0, 3)).toEqual(['L1 top 90', 'L1 top 0', 'L1 middle 90']);
    expect(order({ order: 'down' }).slice(0, 4)).toEqual(['L1 top 90', 'L1 middle 90', 'L1 bottom 90', 'L1 top 0']);
    expect(order({ route: 'byDepth' }).slice(0, 4)).toEqual(['L1 top 90', 'L1 top 0', 'R1 top 90', 'R1 top 0']);
    expect(order({ route: 'byDepth', ridge: true }).slice(0, 2)).toEqual(['L1 above 90', 'R1 above 90']);
    expect(order({ directions: directionsByCount(3) })).toHaveLength(8 * 9);
  });

  it('keeps what was read off a grid that was changed', () => {
    const judged = cylinder(
      judge(record(...bore('L1', 3, 1, 2, 0, 1, -1), bores({ depths: ['middle'], directions: [90] }))),
      'L1',
    ).bore;
    expect(judged).toMatchObject({ read: 1, total: 1, size: { value: fromInches(4.0651) } });
    expect(judged.spots).toHaveLength(6);
  });
});

it('a telescoping gauge is told what it cannot show, once for the build', () => {
  const snap: Entry = {
    ...stamp('snap'),
    kind: 'instrument',
    value: STARTING_INSTRUMENTS.find((i) => i.id === 'telescoping') as (typeof STARTING_INSTRUMENTS)[number],
  };
  const read = (instrument: string | null): string =>
    says(judge(record(snap, ...['L1', 'R1'].flatMap((c) => bore(c).map((e) => ({ ...e, instrument }) as Entry)))));
  expect(read('telescoping.1')).toMatch(
    /note: Bore 1, 2: a telescoping gauge tells taper and out-of-round to ± 0.6 thou. It cannot show 0.5 thou/,
  );
  expect(read(null)).not.toMatch(/telescoping/);
});

describe('temperature', () => {
  it('bore and piston of one cylinder share the shop: noted with one, it counts for both', () => {
    const sizes = (bore: number | null, piston: number | null, tool: number | null = null) => {
      const warm = (id: string, subject: 'bore' | 'piston', inches: number, celsius: number | null): Entry => ({
        ...reading(id, 'L1', subject, fromInches(inches)),
        ...{ temperature: celsius, gaugeTemperature: tool },
      });
      const judged = judge(record(warm('b', 'bore', 4.065, bore), warm('p', 'piston', 4.061, piston)));
      return cylinder(judged, 'L1');
    };
    const thou = (nm: number): number => toInches(nm) * 1000;
    const both = sizes(30, 30).clearance;
    // independent: 4.065 × (11.7 − 10.8) × 10 − 4.061 × (11.7 − 19.4) × 10 = 0.037 + 0.313 thou over what was read
    expect(thou(both.value ?? 0)).toBeCloseTo(4.349, 2);
    for (const one of [sizes(30, null), sizes(null, 30)]) {
      expect(one.clearance.value).toBe(both.value);
      expect(one.clearance.uncertainty).toBe(both.uncertainty);
    }
    expect(sizes(30, null).piston.size?.working.map((l) => messageText(l, 'imperial'))).toEqual([
      'brought to 20 °C: part and tool at 30 °C',
    ]);
    // a part from the wash does not say what the shop is
    expect(sizes(30, null, 20).piston.size?.value).toBe(fromInches(4.061));
  });

  it('a 4.0000 in 2618 piston at 26 °C, measured with a micrometer at 20 °C, is 3.99946 in at 20 °C (identity)', () => {
    expect(
      toInches(atTwenty({ value: fromInches(4), temperature: 26, gaugeTemperature: 20 }, 22.3e-6, null)),
    ).toBeCloseTo(3.99946, 5);
    const warm: Entry = { ...reading('p', 'L1', 'piston', fromInches(4)), temperature: 26, gaugeTemperature: 20 };
    const judged = judge({ id: 'x', entries: [jobEntry({ construction: 'forged2618' }), warm] });
    expect(toInches(cylinder(judged, 'L1').piston.size?.value ?? 0)).toBeCloseTo(3.99946, 5);
  });

  it('a part and a tool of one metal at one temperature need no correction, and unlike ones do (identity)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 40 }), (celsius) => {
        expect(atTwenty({ value: 1e8, temperature: celsius, gaugeTemperature: celsius }, 11.7e-6, null)).toBeCloseTo(
          1e8,
          3,
        );
        const off = atTwenty({ value: 1e8, temperature: celsius, gaugeTemperature: celsius }, 22.3e-6, null) - 1e8;
        expect(Math.sign(Math.round(off))).toBe(Math.sign(20 - celsius));
      }),
    );
    expect(atTwenty({ value: 1e8, temperature: null, gaugeTemperature: null }, 22.3e-6, null)).toBe(1e8);
  });
});

describe('pistons', () => {
  const piston = (id: string, at: string, inches: number, typed = String(inches)): Entry => ({
    ...reading(id, at, 'piston', fromInches(inches)),
    typed,
  });

  it('stand as the mean of their readings, and are called out where they do not agree', () => {
    const judged = judge(record(piston('a', 'L1', 4.0612), piston('b', 'L1', 4.0614)));
    expect(cylinder(judged, 'L1').piston).toMatchObject({
      read: 2,
      size: { value: fromInches(4.0613), disagreement: null },
    });
    expect(says(judge(record(piston('a', 'L1', 4.0612), piston('b', 'L1', 4.0618))))).toContain(
      'Piston 1: readings disagree, 4.0612 in and 4.0618 in; the larger counts',
    );
  });

  it('are called out with the slip where one stands away from the others', () => {
    const set = [
      piston('a', 'L1', 4.0612),
      piston('b', 'R1', 4.0613),
      piston('c', 'L2', 4.0611),
      piston('d', 'R2', 4.0862),
    ];
    expect(says(judge(record(...set)))).toContain(
      'Piston 4: 4.0862 in is 25 thou off the others, about 4.0612 in. A slip would explain it: off by one turn, 0.025 in',
    );
  });

  it('are measured anew when replaced', () => {
    const judged = judge(
      record(piston('a', 'L1', 4.0612), { ...stamp('n'), kind: 'renewed', part: 'piston', cylinder: 'L1' }),
    );
    expect(cylinder(judged, 'L1').piston).toMatchObject({ size: null, read: 0, round: 1 });
    expect(nextTask(judged.tasks.pistons, null)?.cylinder).toBe('L1');
  });

  it('give a pin clearance from pin and pin bore', () => {
    const judged = judge(
      record(reading('a', 'L1', 'pin', fromInches(0.927)), reading('b', 'L1', 'pinBore', fromInches(0.9272))),
    );
    expect(cylinder(judged, 'L1').piston.pin.clearance).toMatchObject({ value: fromThou(0.2), state: 'tight' });
    expect(says(judged)).toContain('stop: Piston 1: pin clearance 0.00020 in is too small');
  });

  it('have their clearance at the narrowest place, its mean, and a strip held against it', () => {
    const judged = judge(
      record(...bore('L1', 6, 0, 4, 0, 2, 0), piston('p', 'L1', 4.0612), reading('s', 'L1', 'strip', fromThou(3.5))),
    );
    const { clearance } = cylinder(judged, 'L1');
    expect(clearance).toMatchObject({
      value: fromThou(4),
      mean: fromThou(4),
      state: 'in window',
      strip: { check: { agrees: true } },
    });
    expect(
      says(judge(record(...bore('L1', 6), piston('p', 'L1', 4.0612), reading('s', 'L1', 'strip', fromThou(5))))),
    ).toContain('One of the readings is off');
  });
});

describe('pairing', () => {
  const measured = (sizes: Record<string, [boreInches: number, pistonInches: number]>): Entry[] =>
    Object.entries(sizes).flatMap(([at, [b, p]]) => [
      reading(`b${at}`, at, 'bore', fromInches(b)),
      reading(`p${at}`, at, 'piston', fromInches(p)),
    ]);
  const two = measured({ L1: [4.065, 4.0616], R1: [4.0658, 4.0608] });

  it('moves a piston with its readings, and its clearance follows', () => {
    const judged = judge(
      record(
        ...two,
        pairing({
          pairs: [
            { cylinder: 'L1', piston: 'R1' },
            { cylinder: 'R1', piston: 'L1' },
          ],
        }),
      ),
    );
    expect(cylinder(judged, 'L1')).toMatchObject({
      piston: { id: 'R1', label: '2' },
      clearance: { value: fromThou(4.2) },
    });
    expect(cylinder(judged, 'R1')).toMatchObject({ piston: { id: 'L1' }, clearance: { value: fromThou(4.2) } });
    expect(
      readingOf(
        judged,
        { cylinder: 'L1', subject: 'piston', spot: null },
        { value: 1, upTo: null, taken: '' },
        EMPTY_HAND,
        '1',
      ).cylinder,
    ).toBe('R1');
  });

  it('asks only with what is measured, by each cylinder’s own aim', () => {
    const { pairing: asked } = judge(record(...two, reading('lone', 'L2', 'bore', fromInches(4.065))));
    expect(asked.ask.bores.map((b) => b.cylinder)).toEqual(['L1', 'R1']);
    expect(asked.ask.bores[0]).toMatchObject({ wanted: 105_626 });
    // the least that the bench would call in window: 3.6585 − 0.1 + 1.645 × 0.167
    expect(asked.ask.bores[0]?.least).toBeCloseTo(fromThou(3.833), -3);
    expect(asked.standing.worst).toBe(21_356);
  });

  it('stays as it was where the pairs do not name each piston once, and knows the pairs before', () => {
    const twice = [{ cylinder: 'L1', piston: 'R1' }];
    expect(judge(record(...two, pairing({ pairs: twice }))).cylinders.map((c) => c.piston.id)).toEqual(
      judge(record()).cylinders.map((c) => c.id),
    );
    const swap = [
      { cylinder: 'L1', piston: 'R1' },
      { cylinder: 'R1', piston: 'L1' },
    ];
    const gone = judge(record(...two, pairing({ pairs: [...swap, { cylinder: 'L9', piston: 'L1' }] })));
    expect(cylinder(gone, 'L1').piston.id).toBe('R1');
    const judged = judge(
      record(pairing({ pairs: swap }, 'a'), pairing({ pairs: [] }, 'b'), pairing({ pairs: [], locked: ['L1'] }, 'c')),
    );
    expect(judged.pairing.before).toEqual(swap);
  });
});

describe('tools', () => {
  const tool = (change: Partial<(typeof STARTING_INSTRUMENTS)[number]>): Entry => {
    const [found] = STARTING_INSTRUMENTS.filter((i) => i.id === 'mic-3-4in');
    if (!found) throw new Error('no tool');
    return { ...stamp('tool'), kind: 'instrument', value: { ...found, ...change } };
  };
  const taken = (id: string, inches: number): Entry => ({
    ...reading(id, 'L1', 'piston', fromInches(inches)),
    instrument: 'mic-3-4in.1',
  });

  it('out of date or out of range is called out, once a tool', () => {
    expect(says(judge(record(tool({ calibrated: '2025-04-10' }), taken('a', 3.9), taken('b', 3.9))))).toContain(
      'mend: Micrometer 3–4 in: its calibration held to 2026-04-10, and 2 readings came after',
    );
    expect(says(judge(record(tool({}), taken('a', 4.0612))))).toContain(
      'Micrometer 3–4 in reaches from 3.0000 in to 4.0000 in, and 1 reading lies outside (cylinder 1)',
    );
    expect(says(judge(record(tool({ calibrated: '2026-01-10' }), taken('a', 3.9))))).not.toContain('Micrometer');
  });

  it('a coarser tool makes a size less sure', () => {
    const u = (limit: number): number =>
      cylinder(judge(record(tool({ limit }), taken('a', 3.9))), 'L1').piston.size?.uncertainty ?? 0;
    expect(u(10_000)).toBeGreaterThan(u(2_540));
  });
});

describe('the gauge', () => {
  const setting = (to: number | 'piston', instrument: string | null = null, id = 'set'): Entry => ({
    ...stamp(id),
    kind: 'setting',
    sizes: null,
    instrument,
    to,
  });
  const [gauge] = STARTING_INSTRUMENTS.filter((i) => i.id === 'gauge-in');

  it('counts from what the gauge in hand was set to, each its own', () => {
    if (!gauge) throw new Error('no gauge');
    const judged = judge(
      record(
        { ...stamp('tool'), kind: 'instrument', value: gauge },
        setting(fromInches(4.06)),
        setting(fromInches(4.065), 'gauge-in.1', 'set2'),
      ),
    );
    const heard = (instrument: string | null) =>
      parseReading('2', contextFor(judged, cylinder(judged, 'L1'), 'bore', 'imperial', instrument));
    expect(heard(null)).toMatchObject({ kind: 'understood', meaning: { value: fromInches(4.062) } });
    expect(heard('gauge-in.1')).toMatchObject({ kind: 'understood', meaning: { value: fromInches(4.067) } });
    expect(contextFor(judged, cylinder(judged, 'L1'), 'bore', 'imperial', 'gauge-in.1').dial).toEqual({
      division: fromThou(0.5),
      turn: fromThou(50),
    });
  });

  it('set to the piston, the dial is the clearance of each cylinder’s own', () => {
    const judged = judge(record(setting('piston'), reading('p', 'L1', 'piston', fromInches(4.0612))));
    expect(parseReading('4.2', contextFor(judged, cylinder(judged, 'L1'), 'bore', 'imperial'))).toMatchObject({
      kind: 'understood',
      meaning: { value: fromInches(4.0654) },
    });
    expect(parseReading('+4.2', contextFor(judged, cylinder(judged, 'R1'), 'bore', 'imperial'))).toMatchObject({
      kind: 'refused',
      why: expect.stringContaining('piston 2 is not measured yet') as string,
    });
  });

  describe('zeroed on the piston', () => {
    const at = { cylinder: 'L1', subject: 'bore', spot: null } as const;
    const piston = reading('p', 'L1', 'piston', fromInches(4.0612));
    /** A bore typed on the line while the gauge was set so. */
    const typed = (text: string, to: number | 'piston', ...before: Entry[]): Entry[] => {
      const entries = [piston, ...before, setting(to)];
      const judged = judge(record(...entries));
      const heard = parseReading(text, contextFor(judged, cylinder(judged, 'L1'), 'bore', 'imperial'));
      if (heard.kind !== 'understood') throw new Error('it is understood');
      return [
        ...entries,
        { ...stamp('b'), kind: 'reading', ...readingOf(judged, at, heard.meaning, EMPTY_HAND, text) },
      ];
    };
    const found = (...entries: Entry[]) => cylinder(judge(record(...entries)), 'L1').clearance;

    it('the dial is the clearance, and how the piston was read drops out of its doubt', () => {
      const dial = found(...typed('4.2', 'piston'));
      const set = found(...typed('4.2', fromInches(4.0612)));
      expect(dial.value).toBe(fromThou(4.2));
      expect(set.value).toBe(fromThou(4.2));
      const tenth = 0.0001;
      // the gauge, its last digit and the hand; and the difference of two expansions in a shop about 20 °C
      const heat = (4.0654 * (19.4e-6 - 10.8e-6) * 3) / Math.sqrt(3);
      const own = Math.hypot(tenth / 2 / Math.sqrt(3), tenth / 2);
      // and how far either is off its tool, its expansion known to 4 %
      const apart = [10.8e-6, 19.4e-6].map((alpha) => (4.0654 * alpha * Math.hypot(2, 3 * 0.04)) / Math.sqrt(3));
      expect(toInches(dial.uncertainty) * 1000).toBeCloseTo(
        2 * 1000 * Math.hypot(tenth / Math.sqrt(3), own, own, heat, ...apart),
        2,
      );
      expect(toInches(set.uncertainty) * 1000).toBeCloseTo(
        2 * 1000 * Math.hypot(tenth / Math.sqrt(3), own, own, own, heat, ...apart),
        2,
      );
    });

    it('not so with a size read whole, another setting, a piston read again since, or another piston in the bore', () => {
      const best = found(...typed('4.2', 'piston')).uncertainty;
      const again = reading('p2', 'L1', 'piston', fromInches(4.0613));
      const across = pairing({
        pairs: [
          { cylinder: 'L1', piston: 'R1' },
          { cylinder: 'R1', piston: 'L1' },
        ],
      });
      const other = reading('p3', 'R1', 'piston', fromInches(4.0612));
      for (const entries of [
        typed('4.0654', 'piston'),
        typed('4.2', fromInches(4.0612)),
        [...typed('4.2', 'piston'), again],
        [...typed('4.2', 'piston'), other, across],
        [...typed('4.2', 'piston'), { ...reading('b2', 'L1', 'bore', fromInches(4.0654)) }],
      ])
        expect(found(...entries).uncertainty).toBeGreaterThan(best);
    });

    it('a bore zeroed on its piston at one spot only is not so', () => {
      const spot = (id: string, depth: 'top' | 'bottom', zeroed: boolean): Entry => ({
        ...boreReading(id, 'L1', depth, 0, fromInches(4.0654)),
        zeroed: zeroed ? { piston: 'L1', size: fromInches(4.0612) } : null,
      });
      const both = found(piston, spot('t', 'top', true), spot('u', 'bottom', true)).uncertainty;
      expect(found(piston, spot('t', 'top', true), spot('u', 'bottom', false)).uncertainty).toBeGreaterThan(both);
      expect(found(piston, spot('t', 'top', false), spot('u', 'bottom', true)).uncertainty).toBeGreaterThan(both);
    });

    it('pairing holds the pair to the limit that its own doubt gives, and every other to theirs', () => {
      const [bore] = judge(record(...typed('4.2', 'piston'))).pairing.ask.bores;
      expect(bore?.zeroed?.piston).toBe('L1');
      expect(bore?.zeroed?.least).toBeLessThan(bore?.least ?? 0);
      const ask: PairingAsk = {
        bores: ['1', '2'].map((c) => ({ cylinder: c, bore: 100_100_000, wanted: 100_000, least: 101_000 })),
        pistons: ['1', '2'].map((p) => ({ piston: p, size: 100_000_000, own: { standard: 0, freedom: Infinity } })),
        now: ['1', '2'].map((c) => ({ cylinder: c, piston: c })),
        ...{ locked: [], marked: [], gain: 0, neverTight: true },
      };
      const known = (piston: string) => ask.bores.map((b) => ({ ...b, zeroed: { piston, least: 99_000 } }));
      expect(pairingOf(ask).kind).toBe('impossible');
      expect(pairingOf({ ...ask, bores: known('2') }).kind).toBe('impossible');
      expect(
        pairingOf({ ...ask, bores: ask.bores.map((b) => ({ ...b, zeroed: { piston: b.cylinder, least: 99_000 } })) })
          .kind,
      ).toBe('found');
    });
  });
});

describe('what a later reading changed', () => {
  const told = (before: Entry[], after: Entry[]): string[] =>
    judgementDiff(judge(record(...before)), judge(record(...before, ...after))).map((s) => messageText(s, 'imperial'));

  it('names targets that moved and verdicts that turned, of what was judged before', () => {
    const fitted = [reading('b', 'L1', 'bore', fromInches(4.199)), gap('g', 'L1', 'top', 19)];
    expect(told(fitted, [voiding('v', 'b'), reading('b2', 'L1', 'bore', fromInches(4.201))])).toEqual([
      'Cylinder 1, top gap minimum 21 thou → 22 thou',
    ]);
    expect(told([], [reading('b2', 'L1', 'bore', fromInches(4.065))])).toEqual([]);
  });

  it('says nothing of the reading itself, nor of another cylinder; a voided one counts as a change', () => {
    expect(told([gap('g', 'L1', 'top', 18)], [gap('h', 'L1', 'top', 22)])).toEqual([]);
    expect(told(bore('L1'), bore('R1'))).toEqual([]);
    expect(
      told(bore('L1'), [boreReading('x', 'L1', 'top', 90, fromInches(4.0656)), voiding('v', 'L1-top-90')]),
    ).toEqual(['Cylinder 1, bore: within → not proven']);
  });
});

it('a metric grade of bore and piston follows their sizes', () => {
  const sizing: Entry = {
    ...stamp('s'),
    kind: 'sizing',
    replaces: null,
    value: {
      ...startingSizing('metric'),
      grades: { bore: fromMm(73.5), piston: fromMm(73.46), step: fromMm(0.02), count: 3 },
    },
  };
  const job = jobEntry({ units: 'metric', plannedBore: fromMm(73.5) });
  const judged = judge({
    id: 'x',
    entries: [job, sizing, reading('b', 'L1', 'bore', fromMm(73.53)), reading('p', 'L1', 'piston', fromMm(73.49))],
  });
  expect(cylinder(judged, 'L1').grades).toMatchObject({ bore: { letters: ['B'] }, piston: { letters: ['B'] } });
});
