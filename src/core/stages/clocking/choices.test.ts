import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Engine, type NumberingScheme, cylindersOf } from '../../foundation/engine/engine';
import { apart } from '../../foundation/quantity/angle';
import { type ClockingChoices, STARTING_CLOCKING, planOf } from './choices';
import { changesPlan, historyOf, withOwn } from './moves';
import { STARTING_RODS, forwardBankOf, rodsOf } from '../../foundation/engine/crankcase';
import { type Joints, samePlan, movedFrom } from '../../foundation/parts/joints';
import { marksFor, snapped } from './snap';
import { STARTING_FACTS, surroundingsOf } from './surroundings';

const plan: Joints = { top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 };
const round = surroundingsOf(
  { id: 'R1', bank: 'right' },
  96_000_000,
  { bankAngle: 90, rotation: 'clockwise' },
  STARTING_FACTS,
);

describe('joints moved singly', () => {
  it('stay with their cylinder, say that they were moved, and are the school’s again once they are back', () => {
    const moved = withOwn(STARTING_CLOCKING, [{ cylinder: 'R1', joints: { top: 60 }, school: plan }]);
    expect(planOf(moved, 'R1', round)).toMatchObject({ joints: { top: 60, second: 225 }, moved: ['top'] });
    expect(planOf(moved, 'R2', round)).toMatchObject({ joints: plan, moved: [] });
    const more = withOwn(moved, [{ cylinder: 'R1', joints: { lowerRail: 300 }, school: plan }]);
    expect(more.own).toEqual([{ cylinder: 'R1', joints: { top: 60, lowerRail: 300 } }]);
    expect(withOwn(more, [{ cylinder: 'R1', joints: { top: 45.2, lowerRail: 315 }, school: plan }]).own).toEqual([]);
  });
});

describe('undo and redo', () => {
  const of = (offPin: number): ClockingChoices => ({
    ...STARTING_CLOCKING,
    settings: { ...STARTING_CLOCKING.settings, offPin },
  });
  const pins = (made: ClockingChoices[]): (number | undefined)[] => {
    const { before, after } = historyOf(made);
    return [before?.settings.offPin, after?.settings.offPin];
  };

  it('walk back through every choice, and forward through those undone, until another is made', () => {
    const made = [of(1), of(2), of(3)];
    expect(pins(made)).toEqual([2, undefined]);
    expect(pins([...made, of(2)])).toEqual([1, 3]);
    expect(pins([...made, of(2), of(1)])).toEqual([undefined, 2]);
    expect(pins([...made, of(2), of(1), of(2)])).toEqual([1, 3]);
    expect(pins([...made, of(2), of(9)])).toEqual([2, undefined]);
  });

  it('undoing as often as something was done leads back to the start, redoing as often forward again', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 300 }), { minLength: 2, maxLength: 8 }), (values) => {
        const made = values.map(of);
        for (let i = 1; i < values.length; i += 1) {
          const { before } = historyOf(made);
          if (!before) throw new Error('nothing to undo');
          made.push(before);
        }
        expect(pins(made)[0]).toBeUndefined();
        expect(made.at(-1)?.settings.offPin).toBe(values[0]);
        for (let i = 1; i < values.length; i += 1) {
          const { after } = historyOf(made);
          if (!after) throw new Error('nothing to redo');
          made.push(after);
        }
        expect(made.at(-1)?.settings.offPin).toBe(values.at(-1));
      }),
    );
  });
});

describe('a joint that is dragged', () => {
  it('rests at every 5°, and at a mark within reach', () => {
    expect(snapped(43.2, [])).toBe(45);
    expect(snapped(358.4, [])).toBe(0);
    expect(snapped(29, [28.648])).toBe(28.648);
    expect(snapped(33, [28.648])).toBe(35);
  });

  it('never rests further than half a step from the hand', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.array(fc.double({ min: 0, max: 359.9, noNaN: true }), { maxLength: 6 }),
        (at, marks) => {
          expect(apart(snapped(at, marks), at)).toBeLessThanOrEqual(2.5 + 1e-9);
        },
      ),
    );
  });

  it('is drawn to where its school has it, and opposite and square to the others', () => {
    expect(marksFor('top', plan, plan)).toEqual(expect.arrayContaining([45, 315, 135]));
  });
});

describe('what was found at the block', () => {
  it('counts as moved beyond 5° (from memory), by the joint', () => {
    expect(movedFrom(plan, { top: 50, second: 240 })).toEqual([{ joint: 'second', to: 240, by: 15 }]);
    expect(samePlan(plan, { ...plan, top: 45.4 })).toBe(true);
    expect(samePlan(plan, { ...plan, top: 46 })).toBe(false);
  });
});

describe('rods (common practice, no source)', () => {
  const engine = (change: Partial<Engine>, scheme: NumberingScheme = 'alternate'): Engine => ({
    layout: 'vee',
    cylinders: 8,
    bankAngle: 90,
    rotation: 'clockwise',
    numbering: { scheme, start: 'front', firstBank: 'left' },
    ...change,
  });
  const rods = (e: Engine, choices = STARTING_RODS) => {
    const cylinders = cylindersOf(e, forwardBankOf(e, choices));
    const found = rodsOf(cylinders, e, choices);
    const label = (id: string | null): string | null => cylinders.find((c) => c.id === id)?.label ?? null;
    return new Map(
      cylinders.map((c) => [c.label, { ...found.get(c.id), besides: label(found.get(c.id)?.besides ?? null) }]),
    );
  };

  it('share throws as the numbering pairs them: 1 and 2, or 1 and 5, or A1 and B1, the forward rod facing forward', () => {
    expect(rods(engine({})).get('1')).toEqual({ throw: 1, faces: 'front', besides: '2' });
    expect(rods(engine({})).get('2')).toEqual({ throw: 1, faces: 'rear', besides: '1' });
    expect(rods(engine({}, 'bankByBank')).get('5')).toEqual({ throw: 1, faces: 'rear', besides: '1' });
    expect(rods(engine({}, 'lettered')).get('B4')).toEqual({ throw: 4, faces: 'rear', besides: 'A4' });
    expect(rods(engine({}), { ...STARTING_RODS, forwardBank: 'right' }).get('1')).toMatchObject({ faces: 'rear' });
  });

  it('stand alone on an in-line, a flat and an odd one out, and where the throws are said to be their own', () => {
    expect(rods(engine({ layout: 'inline', cylinders: 5, bankAngle: 0 }, 'sequence')).get('3')).toEqual({
      throw: 3,
      faces: 'both',
      besides: null,
    });
    expect(rods(engine({ layout: 'flat', cylinders: 4, bankAngle: 180 })).get('4')).toMatchObject({
      faces: 'both',
      besides: null,
    });
    expect(rods(engine({ cylinders: 5 })).get('5')).toMatchObject({ throw: 3, faces: 'both' });
    expect(rods(engine({}), { ...STARTING_RODS, throws: 'own' }).get('2')).toEqual({
      throw: 2,
      faces: 'both',
      besides: null,
    });
  });

  it('two rods of a throw never face the same way', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 16 }),
        fc.constantFrom('alternate' as const, 'bankByBank' as const, 'lettered' as const),
        fc.constantFrom('front' as const, 'rear' as const),
        fc.constantFrom('left' as const, 'right' as const),
        (cylinders, scheme, start, bank) => {
          const all = rods(engine({ cylinders, numbering: { scheme, start, firstBank: bank } }));
          for (const [label, rod] of all) {
            if (rod.besides === null) continue;
            const other = all.get(rod.besides);
            expect(other?.besides).toBe(label);
            expect([rod.faces, other?.faces].sort()).toEqual(['front', 'rear']);
          }
        },
      ),
    );
  });
});

describe('joints that are placed', () => {
  const school = { top: 101.4, second: 225, upperRail: 135, expander: 180, lowerRail: 315 };
  const changes = (top: number, to: number): boolean =>
    changesPlan({ joints: { ...school, top }, moved: [], school }, { ...school, top: to });

  it('change a plan where one comes to stand elsewhere, across 0° as anywhere', () => {
    expect(changes(20, 21)).toBe(true);
    expect(changes(20.4, 20)).toBe(true);
    expect(changes(359.98, 0.02)).toBe(false);
  });

  it('change nothing where they come to what is their school’s place, to half a degree', () => {
    expect(changes(101.4, 101)).toBe(false);
    expect(changes(20, 101)).toBe(true);
  });
});
