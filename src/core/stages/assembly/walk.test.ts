import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { anyEntries } from '@/fixtures/anyEntries';
import { job, jobEntry } from '@/fixtures/records';
import { blockStepsIn } from './engineSteps';
import { STARTING_CLOCKING } from '../clocking/choices';
import { BLOCK } from '../../foundation/engine/places';
import { STARTING_JOURNALS } from '../journals/choices';
import { judge } from '../../judge/judge';
import type { Judgement } from '../../judge/judgement';
import type { TightenedEntry } from '../../record/benchWork';
import type { CheckEntry } from '../../record/reading';
import type { Entry } from '../../judge/buildRecord';
import { messageText } from '../../foundation/quantity/message';
import type { FastenerGroup } from './torque/fastenerGroups';
import { type WalkChoices, STARTING_WALK, WHOLE_WALK } from './walkChoices';
import { isRight, againstOf } from './cylinderSteps';
import { report } from './report';
import { installOrder } from './installOrder';
import { shortBlockOf } from '../../judge/shortBlock';
import { stepInView } from './stepInView';
import { stepSays, whyOf } from './stepWords';
import { takenOutOf } from './pistonRemoval';
import { PHASES, PHASE_OF } from './phases';
import { beforeIn, blockStepsOf, stepsOf } from './steps';
import { BLOCK_STEPS, CYLINDER_STEPS, CHECKS } from '../../record/stepIds';
import { type WalkAt, inOrder, nextStep, orderAsk, pinsAt, resumedAt, stepAt, stepBeside, walkOf } from './walk';

const stamp = (n: number, by = 'KM') => ({
  id: `w${n}`,
  at: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString(),
  by,
});
const habits = (change: Partial<WalkChoices> = {}): Entry => ({
  ...stamp(0),
  id: 'walk',
  kind: 'walk',
  replaces: null,
  value: { ...WHOLE_WALK, ...change },
});
const clock: Entry = { ...stamp(0), id: 'clock', kind: 'clocking', replaces: null, value: STARTING_CLOCKING };
const begun = (change: Partial<WalkChoices> = {}): Entry[] => [jobEntry(), habits(change), clock];
const of = (entries: readonly Entry[]): Judgement => judge({ id: 'w', entries: [...entries] });
const ordered = (judgement: Judgement) => {
  const ask = orderAsk(judgement);
  return inOrder(judgement, ask && installOrder(ask));
};
const walkIn = (judgement: Judgement): WalkAt[] => walkOf(judgement, ordered(judgement));

/** A step as it is ticked. */
function tick(judgement: Judgement, { place, step }: WalkAt, n: number, by = 'KM'): CheckEntry {
  const cylinder = judgement.cylinders.find((c) => c.id === place);
  const isJoints = step === 'jointsBefore' || step === 'jointsAfter';
  return {
    ...stamp(n, by),
    kind: 'check',
    cylinder: place,
    check: step,
    planned: isJoints ? (cylinder?.clocking.plan?.joints ?? null) : null,
    found: {},
    expected: cylinder ? againstOf(step, cylinder.clocking) : null,
  };
}

/** All of it walked, one step after the other, as the walk leads. */
function walked(entries: readonly Entry[]): { entries: Entry[]; made: WalkAt[] } {
  const all = [...entries];
  const made: WalkAt[] = [];
  for (let n = 1; n < 500; n += 1) {
    const judgement = of(all);
    const at = resumedAt(judgement, walkIn(judgement));
    if (!at) break;
    made.push(at);
    all.push(tick(judgement, at, n));
  }
  return { entries: all, made };
}

describe('the steps', () => {
  const alone = { besides: null, faces: 'both' } as const;

  it('of a build from before there was a walk are the six checks, and nothing of the engine', () => {
    const judgement = of([jobEntry()]);
    expect(judgement.cylinders[0]?.block.checks.map((c) => c.check)).toEqual([...CHECKS]);
    expect(blockStepsIn(judgement)).toEqual([]);
    expect(stepsOf(STARTING_WALK, alone)).toEqual(CHECKS);
  });

  it('are in working order: hung, ringed, in, cap, turned; and all checks at the block are among them', () => {
    fc.assert(
      fc.property(
        fc.record({
          shells: fc.constantFrom('before' as const, 'after' as const),
          tighten: fc.constantFrom('each' as const, 'end' as const),
          turn: fc.constantFrom('each' as const, 'pair' as const),
          fasteners: fc.constantFrom('bolts' as const, 'screws' as const),
          way: fc.constantFrom('sleeve' as const, 'barrel' as const),
        }),
        (change) => {
          const steps = stepsOf({ ...WHOLE_WALK, ...change }, alone);
          const phases = steps.filter((s) => s !== 'shellsDry').map((s) => PHASES.indexOf(PHASE_OF[s]));
          expect(phases).toEqual([...phases].sort((a, b) => a - b));
          expect(new Set(steps).size).toBe(steps.length);
          for (const check of CHECKS) expect(steps).toContain(check);
          expect(steps.indexOf('shellsDry') < steps.indexOf('pistonIn')).toBe(change.shells === 'before');
          expect(steps.includes('tightened')).toBe(change.tighten === 'each');
          expect(steps.includes('boltsCovered')).toBe(change.fasteners === 'bolts' && change.way === 'sleeve');
          expect(steps.includes('throwDown')).toBe(change.way === 'sleeve');
          expect(beforeIn(steps)).not.toContain('capOn');
          expect(beforeIn(steps)).toContain('jointsAfter');
        },
      ),
    );
  });

  it('one clip before the pin, a rag where the crankcase is open below, rings oiled, and caps closed before the crank turns', () => {
    const steps = stepsOf(WHOLE_WALK, alone);
    const order = (...names: string[]) => names.map((name) => steps.indexOf(name as (typeof steps)[number]));
    const rising = order(
      'firstClip',
      'pin',
      'clips',
      'jointsBefore',
      'oiled',
      'pistonIn',
      'capOn',
      'capClosed',
      'turned',
    );
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
    expect(rising[0]).toBeGreaterThan(0);
    expect(steps).not.toContain('ragIn');
    const barrel = stepsOf({ ...WHOLE_WALK, way: 'barrel' }, alone);
    expect(barrel.indexOf('ragIn')).toBe(barrel.indexOf('clips') - 1);
    expect(stepsOf({ ...WHOLE_WALK, tighten: 'each' }, alone)).not.toContain('capClosed');
    // a build that began before these were steps keeps its own
    expect(stepsOf({ ...WHOLE_WALK, edition: 1 }, alone)).toEqual([
      ...['frontMark', 'rod', 'pin', 'clips', 'expanderButts', 'ringsOn', 'ringsFree', 'jointsBefore', 'boreWiped'],
      ...['shellsDry', 'throwDown', 'boltsCovered', 'jointsAfter', 'pistonIn', 'capOn', 'turned', 'slides'],
    ]);
  });

  it('shells that differ by side have a step of their own after they are in', () => {
    const alone = { besides: null, faces: 'both' } as const;
    expect(stepsOf(WHOLE_WALK, alone)).not.toContain('shellSide');
    for (const shells of ['before', 'after'] as const) {
      const steps = stepsOf({ ...WHOLE_WALK, shells, sidedShells: true }, alone);
      expect(steps.indexOf('shellSide')).toBe(steps.indexOf('shellsDry') + 1);
    }
  });

  it('a rod is slid once its cap is tight: after all of them, where they are tightened at the end', () => {
    const walk = walkIn(of(begun()));
    const tight = walk.findIndex((at) => at.step === 'allTight');
    const slides = walk.flatMap((at, i) => (at.step === 'slides' ? [i] : []));
    expect(slides).toHaveLength(8);
    expect(Math.min(...slides)).toBe(tight + 1);
    const each = walkIn(of(begun({ tighten: 'each', turn: 'pair' })));
    each.forEach((at, i) => {
      if (at.step !== 'slides') return;
      const before = each.slice(0, i).filter((w) => w.place === at.place);
      expect(before.map((w) => w.step)).toContain('tightened');
    });
  });

  it('what the walk inspects is not asked on the bottom end, nor side clearance before both rods are in', () => {
    const asked = (...entries: Entry[]) => {
      const judgement = of([jobEntry({ also: ['journals'] }), ...entries]);
      return {
        rods: judgement.rods.flatMap((r) => r.looks),
        crank: judgement.crank?.looks ?? [],
        mains: judgement.mains.flatMap((m) => m.looks).length,
        sides: judgement.tasks.play.filter((t) => t.subject === 'side').length,
        ready: judgement.cylinders[0]?.ready.missing.some((m) => m.subject === 'side'),
      };
    };
    const whole = asked(habits());
    expect(whole).toMatchObject({ rods: [], crank: [], sides: 0, ready: false });
    expect(whole.mains).toBeGreaterThan(0);
    for (const before of [habits({ edition: 1 }), habits({ asks: 'checks' })])
      expect(asked(before)).toMatchObject({ sides: 8, ready: true });
    const judgement = of([jobEntry({ also: ['journals'] }), habits()]);
    const on = (place: string, n: number) => tick(judgement, { place, step: 'pistonIn' }, n);
    const perThrow: Entry = {
      ...{ ...stamp(900), kind: 'journals', replaces: null },
      value: { ...STARTING_JOURNALS, sidePer: 'throw' },
    };
    const mate = judgement.cylinders[0]?.clocking.rod.besides ?? '';
    expect(asked(habits(), on('L1', 1))).toMatchObject({ sides: 1, ready: true });
    expect(asked(habits(), perThrow, on('L1', 1)).sides).toBe(0);
    expect(asked(habits(), perThrow, on('L1', 1), on(mate, 2)).sides).toBe(1);
  });

  it('say clips and their number, oils by name, and why; a pressed pin has no clips', () => {
    const spirals = { ...WHOLE_WALK, clips: { kind: 'spiral', count: 4, gaps: 'clear' } as const };
    expect(stepSays('clips', { ...spirals, edition: 1 })).toBe(
      '4 spiral locks in, counted; their gaps clear of the cutout',
    );
    expect(stepSays('clips', spirals)).toBe(
      'The other side clipped: 4 spiral locks in all, counted; their gaps clear of the cutout',
    );
    expect(stepSays('oiled', { ...WHOLE_WALK, oils: { ...WHOLE_WALK.oils, rings: 'next to none on the rings' } })).toBe(
      'Rings and skirt: next to none on the rings',
    );
    expect(stepSays('boreWiped', { ...WHOLE_WALK, oils: { ...WHOLE_WALK.oils, bore: 'light oil' } })).toBe(
      'Bore wiped, then oiled with light oil',
    );
    expect(stepSays('pistonIn', { ...WHOLE_WALK, way: 'barrel' })).toContain('barrel lowered over it');
    expect(stepSays('boltsCovered', { ...WHOLE_WALK, fasteners: 'studs' })).toBe('Rod studs covered');
    expect(stepsOf({ ...WHOLE_WALK, clips: { ...spirals.clips, count: 0 } }, alone)).not.toContain('clips');
    for (const step of [...CHECKS, ...CYLINDER_STEPS, ...BLOCK_STEPS]) {
      expect(whyOf(step).why.length).toBeGreaterThan(15);
      expect(stepSays(step, WHOLE_WALK).length).toBeGreaterThan(5);
    }
  });
});

describe('the walk', () => {
  it('of a V8 leads through every step once, in the order with the fewest turns, and then the short block has no step open', () => {
    const { entries, made } = walked(begun());
    const judgement = of(entries);
    expect(new Set(made.map((m) => `${m.place} ${m.step}`)).size).toBe(made.length);
    expect(made).toHaveLength(8 * 20 + 12);
    expect(made[0]).toEqual({ place: BLOCK, step: 'clean' });
    expect(made.at(-1)).toEqual({ place: BLOCK, step: 'secondLook' });
    const wentIn = made.filter((m) => m.step === 'pistonIn').map((m) => m.place);
    expect(wentIn).toEqual(ordered(of(begun())).map((c) => c.id));
    expect(judgement.stages.find((s) => s.stage === 'assembly')).toMatchObject({ done: 9, total: 9 });
    expect(judgement.cylinders.every((c) => c.block.isIn && c.block.open.length === 0)).toBe(true);
    expect(shortBlockOf(judgement).open.every((o) => o.stage !== 'assembly')).toBe(true);
    expect(resumedAt(judgement, walkIn(judgement))).toBeNull();
  });

  it('bolts at the end are one step more of the engine; phase by phase all are hung before a ring goes on', () => {
    const each = of(begun({ tighten: 'each' }));
    expect(blockStepsIn(each).map((s) => s.check)).not.toContain('allTight');
    const walk = walkIn(of(begun({ route: 'phase' })));
    const lastHung = walk.findLastIndex((w) => PHASE_OF[w.step] === 'hang');
    const firstRing = walk.findIndex((w) => PHASE_OF[w.step] === 'rings');
    const lastRing = walk.findLastIndex((w) => PHASE_OF[w.step] === 'rings');
    const firstIn = walk.findIndex((w) => PHASE_OF[w.step] === 'in');
    expect(lastHung).toBeLessThan(firstRing);
    expect(lastRing).toBeLessThan(firstIn);
    expect(walk).toHaveLength(walkIn(of(begun())).length);
  });

  it('turned after each pair: once a throw, and only when both are in', () => {
    const judgement = of(begun({ turn: 'pair' }));
    const walk = walkIn(judgement);
    const turned = walk.filter((w) => w.step === 'turned');
    expect(turned).toHaveLength(4);
    for (const { place } of turned) {
      const { besides } = judgement.cylinders.find((c) => c.id === place)?.clocking.rod ?? { besides: null };
      const at = walk.findIndex((w) => w.place === place && w.step === 'turned');
      for (const id of [place, besides])
        expect(walk.findIndex((w) => w.place === id && w.step === 'capOn')).toBeLessThan(at);
    }
  });

  it('turned after each pair leaves no step out, whichever bank comes first and however it is numbered', () => {
    for (const forwardBank of ['left', 'right'] as const)
      for (const scheme of ['alternate', 'bankByBank'] as const)
        for (const throws of [null, [0]]) {
          const { engine } = job;
          const judgement = of([
            jobEntry({ engine: { ...engine, numbering: { ...engine.numbering, scheme } } }),
            habits({ turn: 'pair', throws }),
            { ...clock, value: { ...STARTING_CLOCKING, rods: { ...STARTING_CLOCKING.rods, forwardBank } } },
          ]);
          const walk = walkIn(judgement);
          const places = walk.filter((w) => w.step === 'turned').map((w) => w.place);
          expect(new Set(places).size).toBe(4);
          for (const c of judgement.cylinders)
            expect(walk.filter((w) => w.place === c.id)).toHaveLength(c.block.checks.length);
        }
  });

  it('is taken up at what was left open of the cylinder in hand, else after what was made last', () => {
    const entries = begun();
    const judgement = of(entries);
    const walk = walkIn(judgement);
    const [first] = ordered(judgement);
    const made = [...entries, tick(judgement, { place: first?.id ?? '', step: 'pin' }, 5)];
    expect(resumedAt(of(made), walk)).toEqual({ place: first?.id, step: 'frontMark' });
    const two = (['frontMark', 'rod'] as const).map((step, i) =>
      tick(judgement, { place: first?.id ?? '', step }, 6 + i),
    );
    expect(resumedAt(of([...made, ...two]), walk)).toEqual({ place: first?.id, step: 'firstClip' });
    expect(stepBeside(walk, { place: BLOCK, step: 'clean' }, 1)).toEqual({ place: BLOCK, step: 'oilways' });
    expect(stepBeside(walk, { place: BLOCK, step: 'clean' }, -1)).toBeNull();
  });

  it('the order of what is left goes on from the piston that went in last', () => {
    const entries = begun();
    const judgement = of(entries);
    const after = of([...entries, tick(judgement, { place: 'R3', step: 'pistonIn' }, 3)]);
    const ask = orderAsk(after);
    expect(ask?.from?.bank).toBe('right');
    expect(ask?.cylinders.map((c) => c.id)).not.toContain('R3');
    // its mate goes in by itself now
    expect(ask?.cylinders.find((c) => c.id === 'L3')?.mate).toBeNull();
    expect(ordered(after)[0]?.id).toBe('R3');
    expect(orderAsk(of([jobEntry(), habits({ throws: [0, 1] })]))).toBeNull();
  });

  it('never stops: whatever is on record, each step is there once and the next is one that is open', () => {
    fc.assert(
      fc.property(anyEntries(40), (entries) => {
        const judgement = of(entries);
        const walk = walkIn(judgement);
        const all = blockStepsIn(judgement).length + judgement.cylinders.reduce((n, c) => n + c.block.checks.length, 0);
        expect(walk).toHaveLength(all);
        expect(new Set(walk.map((w) => `${w.place} ${w.step}`)).size).toBe(all);
        const next = resumedAt(judgement, walk);
        const isOpen = (at: WalkAt): boolean => !isRight(stepAt(judgement, at)?.state ?? 'right');
        if (next) expect(isOpen(next)).toBe(true);
        else expect(walk.some(isOpen)).toBe(false);
        expect(shortBlockOf(judgement).isReady && judgement.cylinders.some((c) => !c.ready.is)).toBe(false);
      }),
      { numRuns: runs(60) },
    );
  });
});

describe('what is pinned on', () => {
  const pin = (cylinder: string, check: WalkAt['step'] | null, n = 900): Entry => ({
    ...stamp(n, 'AW'),
    kind: 'pin',
    cylinder,
    check,
    part: null,
    text: 'oil jets!',
  });

  it('keeps a cylinder from being ready until it is taken off, and is led past', () => {
    const { entries } = walked(begun());
    const held = of([...entries, pin('L1', 'clips')]);
    const cylinder = held.cylinders.find((c) => c.id === 'L1');
    expect(cylinder?.ready.missing.map((m) => messageText(m.says, 'imperial'))).toContain('Reminder: oil jets!');
    const onPart = of([...entries, { ...pin('L1', null), part: 'rod' } as Entry]).cylinders.find((c) => c.id === 'L1');
    expect(onPart?.ready.missing.map((m) => messageText(m.says, 'imperial'))).toContain('Reminder, rod: oil jets!');
    expect(held.stages.find((s) => s.stage === 'assembly')?.done).toBe(8);
    expect(shortBlockOf(held).open.map((o) => messageText(o.says, 'imperial'))).toContain(
      'Cylinder 1: Reminder: oil jets!',
    );
    const off = of([...entries, pin('L1', 'clips'), { ...stamp(901), kind: 'void', of: 'w900', reason: 'done with' }]);
    expect(off.stages.find((s) => s.stage === 'assembly')?.done).toBe(9);

    const start = of([...begun(), pin(BLOCK, 'clean')]);
    const walk = walkIn(start);
    expect(nextStep(start, walk, null)).toEqual({ place: BLOCK, step: 'oilways' });
    expect(pinsAt(start, { place: BLOCK, step: 'clean' })).toHaveLength(1);
    expect(pinsAt(start, { place: BLOCK, step: 'oilways' })).toHaveLength(0);
  });

  it('on a main or the engine keeps the short block from being ready', () => {
    const says = (entries: Entry[]) => shortBlockOf(of(entries)).open.map((o) => messageText(o.says, 'imperial'));
    expect(says([...begun(), pin(BLOCK, null)])).toContain('Engine: reminder: oil jets!');
    expect(says([...begun(), pin('M2', null)]).join()).toContain('reminder: oil jets!');
  });
});

describe('the steps of the engine', () => {
  it('are as many as are counted, whatever the habits; one that they leave out counts for nothing', () => {
    for (const asks of ['whole', 'checks'] as const)
      for (const tighten of ['each', 'end'] as const) {
        const steps = blockStepsOf({ ...WHOLE_WALK, asks, tighten });
        expect(steps).toHaveLength(asks === 'checks' ? 0 : tighten === 'end' ? 12 : 11);
        expect(blockStepsOf({ ...WHOLE_WALK, asks, tighten, stands: true }).includes('protected')).toBe(
          asks === 'whole',
        );
      }
    const all = BLOCK_STEPS.map((step, n) => tick(of(begun()), { place: BLOCK, step }, n));
    const done = (entries: Entry[]) => of(entries).stages.find((s) => s.stage === 'assembly')?.done;
    expect(done([...begun({ tighten: 'end' }), ...all])).toBe(1);
    expect(done([...begun({ tighten: 'each' }), ...all])).toBe(1);
    expect(done([...begun({ tighten: 'end' }), ...all.filter((t) => t.check !== 'allTight')])).toBe(0);
    expect(done([...begun({ tighten: 'each' }), ...all.slice(1)])).toBe(0);
  });
});

describe('the short block', () => {
  const says = (entries: Entry[]): string[] =>
    shortBlockOf(of(entries)).open.map((o) => messageText(o.says, 'imperial'));
  const covered = (elsewhere: ('journals' | 'assembly')[] = []): Entry =>
    jobEntry({ also: ['journals'], elsewhere: elsewhere.filter((e) => e === 'assembly') });

  it('names each thing once: of a rod what its cylinder lacks, of mains and crank their own', () => {
    const open = says([covered(), habits(), clock]);
    expect(new Set(open).size).toBe(open.length);
    // what follows once the piston is in is open too
    expect(open).toContain('Cylinder 1: 15 steps before it goes in');
    expect(open).toContain('Cylinder 1: Cap on, numbers together');
    expect(open).toContain('Main 3: clearance to do');
    expect(open).toContain('Main 3: not all inspected');
    expect(open).toContain('Crank: end play to do');
    expect(open).not.toContain('Crank: thrust washers not inspected');
    expect(says([covered(), habits({ edition: 1 }), clock])).toContain('Crank: thrust washers not inspected');
    expect(open.filter((o) => o.includes('bearing: to do'))).toHaveLength(8);
    expect(open.some((o) => o.startsWith('Rod '))).toBe(false);
  });

  it('asks nothing of what the job leaves to others', () => {
    expect(says([jobEntry(), habits(), clock]).some((o) => /^(?:Main|Crank)/.test(o))).toBe(false);
    expect(says([covered(['assembly']), habits(), clock]).some((o) => o.startsWith('Engine'))).toBe(false);
    expect(shortBlockOf(of([])).isReady).toBe(false);
  });
});

describe('the walk on paper', () => {
  const partsOf = (entries: Entry[]) => {
    const judgement = of(entries);
    return report.sheet(judgement, judgement.cylinders);
  };
  const cells = (part: ReturnType<typeof partsOf>[number] | undefined, row: number): string[] =>
    (part?.table?.rows[row] ?? []).map((cell) => cell.map((p) => (p.kind === 'text' ? p.text : p.kind)).join(' '));

  it('says who did what on which day, how far what is begun is, and what nobody did', () => {
    const judgement = of(begun());
    const hung = (['frontMark', 'rod', 'firstClip', 'pin', 'clips'] as const).map((step, n) =>
      tick(judgement, { place: 'L1', step }, n, n > 1 ? 'AW' : 'KM'),
    );
    const parts = partsOf([...begun(), ...hung, tick(judgement, { place: 'L1', step: 'ringsOn' }, 9)]);
    expect(cells(parts[0], 0).slice(0, 4)).toEqual(['1', 'KM, AW 2026-05-04', '1 of 4', '☐']);
    expect(cells(parts[1], 0)).toEqual(['Block, crank and parts washed and dry', '☐']);
  });

  it('has the masses beside it, walked or not', () => {
    const weighed: Entry = {
      ...stamp(900),
      kind: 'weighed',
      part: 'piston',
      cylinder: 'L1',
      value: 612_400,
      typed: '',
    };
    const headings = (entries: Entry[]): string[] => {
      const judgement = of(entries);
      return report.sheet(judgement, judgement.cylinders).map((part) => messageText(part.heading, 'imperial'));
    };
    const [at] = walkIn(of(begun()));
    if (!at) throw new Error('a step');
    expect(headings([jobEntry(), weighed])).toContain('Weights, g');
    expect(headings([...begun(), tick(of(begun()), at, 1), weighed])).toContain('Weights, g');
    expect(headings([...begun(), tick(of(begun()), at, 1)])).not.toContain('Weights, g');
  });

  it('is not there before anything was done, nor where six checks are asked for', () => {
    expect(partsOf(begun())).toEqual([]);
    const judgement = of(begun());
    const one = tick(judgement, { place: 'L1', step: 'rod' }, 1);
    expect(partsOf([jobEntry(), clock, one])).toEqual([]);
    expect(partsOf([...begun(), one])).toHaveLength(2);
  });
});

describe('the second round with the wrench', () => {
  it('by the one who tightened is remarked on; by another, or where nobody is named, it is not', () => {
    const judgement = of(begun());
    const says = (first: string, second: string): string =>
      of([
        ...begun(),
        tick(judgement, { place: BLOCK, step: 'allTight' }, 1, first),
        tick(judgement, { place: BLOCK, step: 'secondRound' }, 2, second),
      ])
        .findings.map((f) => messageText(f.says, 'imperial'))
        .join();
    expect(says('KM', 'KM')).toContain('made by KM, who torqued them');
    expect(says('KM', 'AW')).not.toContain('who torqued them');
    expect(says('', '')).not.toContain('who torqued them');
    const each = of(begun({ tighten: 'each' }));
    const own = of([
      ...begun({ tighten: 'each' }),
      tick(each, { place: 'L1', step: 'tightened' }, 1, 'KM'),
      tick(each, { place: BLOCK, step: 'secondRound' }, 2, 'KM'),
    ]);
    expect(own.findings.map((f) => messageText(f.says, 'imperial')).join()).toContain('who torqued them');
  });
});

describe('what is signed off', () => {
  it('with nobody’s initials, or as tightened with no figure on record, is remarked on and stands on the sheet', () => {
    const judgement = of(begun());
    const after = (by: string, ...more: Entry[]) =>
      of([...begun(), ...more, tick(judgement, { place: BLOCK, step: 'allTight' }, 1, by)]);
    const says = (judged: Judgement): string => judged.findings.map((f) => messageText(f.says, 'imperial')).join();
    expect(says(after(''))).toContain("1 step is signed off with nobody's initials");
    expect(says(after('KM'))).not.toContain('initials');
    expect(says(of(begun()))).not.toContain('no figure is on record');
    expect(says(after('KM'))).toContain('Rod bolts: signed off as torqued, but no torque is on record.');
    expect(JSON.stringify(report.sheet(after('KM'), after('KM').cylinders))).toContain('torque not recorded');
    const group: FastenerGroup = {
      ...{ id: 'rods', words: 'Rod bolts', on: 'rods', count: 2, lubricant: 'oil', source: '', steps: [40_000] },
      ...{ angle: null, stretch: null, order: null, measured: false },
    };
    const set: Entry = { ...stamp(500), kind: 'fasteners', replaces: null, value: [group] };
    const made: Entry = {
      ...{ ...stamp(501), kind: 'tightened', group: 'rods', cylinder: 'L1', fastener: 1, what: 'step' },
      ...{ torque: 40_000, angle: null, length: null, typed: '' },
    };
    expect(says(after('KM', set))).toContain('Rod bolts: signed off as torqued');
    expect(says(after('KM', set, made))).not.toContain('Rod bolts: signed off');
  });
});

describe('what no longer holds', () => {
  it('a ring that is filed after it was walked is looked at again, and says so', () => {
    const { entries } = walked(begun());
    const later = of([
      ...entries,
      { ...stamp(400), kind: 'cut', cylinder: 'L1', ring: 'top', filer: null, count: null },
    ]);
    const { block } = later.cylinders.find((c) => c.id === 'L1') ?? { block: null };
    expect(block?.checks.every((c) => c.state === 'again')).toBe(true);
    expect(block?.isIn).toBe(false);
    expect(later.findings.map((f) => messageText(f.says, 'imperial')).join()).toContain('check again');
  });
});

describe('a piston that is taken out again', () => {
  const bolt = (
    n: number,
    cylinder: string,
    what: TightenedEntry['what'],
    group = 'g',
    fastener = 1,
  ): TightenedEntry => ({
    ...stamp(n),
    kind: 'tightened',
    ...{
      group,
      cylinder,
      fastener,
      what,
      torque: null,
      angle: null,
      length: what === 'free' ? 41_000_000 : null,
      typed: '',
    },
  });

  it('opens its steps from the bore on, its bolts and the checks of the engine, and nothing else', () => {
    const empty = of(begun());
    const [first, other] = ordered(empty);
    if (!first || !other) throw new Error('cylinders');
    const wiped = tick(empty, { place: first.id, step: 'boreWiped' }, 1);
    expect(takenOutOf(of([...begun(), wiped]), first.id)).toEqual([]);
    const entries = begun();
    walkIn(empty).forEach((at, n) => entries.push(tick(empty, at, n + 1)));
    entries.push(
      bolt(500, first.id, 'free'),
      bolt(501, first.id, 'step'),
      bolt(502, first.id, 'second'),
      bolt(503, other.id, 'step'),
      bolt(504, BLOCK, 'back', 'g', 0),
      bolt(505, BLOCK, 'step', 'mains'),
      bolt(506, BLOCK, 'back', 'mains', 0),
    );
    const made = of(entries);
    const struck = takenOutOf(made, first.id);
    expect(struck.filter((id) => Number(id.slice(1)) >= 500).sort()).toEqual(['w501', 'w502', 'w504']);
    const after = of([
      ...entries,
      ...struck.map((id, n): Entry => ({
        ...stamp(600 + n),
        kind: 'void',
        of: id,
        reason: 'taken out again: it turned stiff',
      })),
    ]);
    const steps = (id: string) => after.cylinders.find((c) => c.id === id)?.block.checks ?? [];
    const open = steps(first.id)
      .filter((s) => !isRight(s.state))
      .map((s) => s.check);
    expect(open[0]).toBe('oiled');
    expect(open).toContain('slides');
    expect(
      steps(first.id)
        .slice(0, 8)
        .every((s) => isRight(s.state)),
    ).toBe(true);
    expect(steps(other.id).every((s) => isRight(s.state))).toBe(true);
    expect(
      blockStepsIn(after)
        .filter((s) => !isRight(s.state))
        .map((s) => s.check),
    ).toEqual(
      blockStepsIn(after)
        .map((s) => s.check)
        .filter((step) => PHASE_OF[step] === 'engine'),
    );
    expect(takenOutOf(after, first.id)).toEqual([]);
  });
});

describe('a step in view', () => {
  const view = (entries: readonly Entry[], at: (walk: readonly WalkAt[]) => WalkAt | null | undefined) => {
    const judgement = of(entries);
    const walk = walkIn(judgement);
    return { judgement, walk, step: stepInView(judgement, walk, at(walk) ?? null, false) };
  };

  it('is none once all are made, and none that the engine has not', () => {
    expect(view(begun(), () => null).step).toBeNull();
    expect(view(begun(), () => ({ place: 'L9', step: 'rod' })).step).toBeNull();
  });

  it('says its phase, which of how many it is, and what comes then: of the same cylinder without its name', () => {
    const { walk, step, judgement } = view(begun(), (all) => all.find((at) => at.place !== BLOCK));
    expect(step).toMatchObject({ number: 1, isMade: false, next: walk[walk.indexOf(step?.at as WalkAt) + 1] });
    expect(step?.of).toBe(step?.cylinder?.block.checks.length);
    expect(step?.then).toBe(stepSays(step?.next?.step ?? 'rod', judgement.choices.walk));
    const last = view(begun(), (all) => all.findLast((at) => at.place === step?.at.place && at.step !== 'slides'));
    expect(last.step?.then).toMatch(/^Cylinder \d: |^The engine: /);
  });

  it('of the engine has no cylinder, and counts the steps of the engine', () => {
    const { step, judgement } = view(begun(), (all) => all.find((at) => at.place === BLOCK));
    expect(step).toMatchObject({ cylinder: null, expected: null, of: blockStepsIn(judgement).length });
  });

  it('gaps cannot be made without a plan, and can with one', () => {
    const joints = (all: readonly WalkAt[]) => all.find((at) => at.step === 'jointsBefore');
    const flat = { ...STARTING_CLOCKING, school: 'sheet' as const };
    const noPlan: Entry = { ...stamp(1), id: 'no-plan', kind: 'clocking', replaces: 'clock', value: flat };
    expect(view(begun(), joints).step).toMatchObject({ isJoints: true, cannot: false });
    expect(view([...begun(), noPlan], joints).step).toMatchObject({ isJoints: true, cannot: true });
  });

  it('every step of every walk says something, and leads on until the last that is open (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('cylinder' as const, 'phase' as const),
        fc.constantFrom('each' as const, 'end' as const),
        (route, tighten) => {
          const judgement = of(begun({ route, tighten }));
          const walk = walkIn(judgement);
          for (const at of walk) {
            const step = stepInView(judgement, walk, at, true);
            expect(step?.title).toMatch(/^\P{Ll}/u);
            expect(step?.next).not.toBeNull();
          }
        },
      ),
      { numRuns: 4 },
    );
  });
});
