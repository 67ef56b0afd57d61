import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, mirrored, turned } from '../../foundation/quantity/angle';
import { fromMm } from '../../foundation/quantity/length';
import { STARTING_RULES, keptFree } from './rules';
import {
  STARTING_FACTS,
  around,
  isInside,
  lowSide,
  majorThrust,
  offSector,
  pocketSector,
  sideDirection,
  surroundingsOf,
  tiltOf,
  widened,
} from './surroundings';

type V3 = readonly [number, number, number];
const dot = (a: V3, b: V3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: V3, b: V3): V3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/**
 * A slider and crank in space: right, up and forward are the axes, seen from the driver's seat. The bore's
 * axis leans by a tilt to the right; gas presses the piston down it after top dead centre. The rod carries
 * that force and the wall the rest: the direction the wall is pressed, on the crown, clockwise from the front.
 */
function wallPressed(tilt: number, clockwiseFromFront: boolean, afterTop: number): number {
  const t = (tilt * Math.PI) / 180;
  const bore: V3 = [Math.sin(t), Math.cos(t), 0];
  const forward: V3 = [0, 0, 1];
  // Seen from the front, forward points at the eye: clockwise is a turn about minus forward by the right-hand rule.
  const spin: V3 = clockwiseFromFront ? [0, 0, -1] : forward;
  const a = (afterTop * Math.PI) / 180;
  const side = cross(spin, bore);
  const [radius, rod] = [1, 3.4];
  const pin: V3 = [
    radius * (Math.cos(a) * bore[0] + Math.sin(a) * side[0]),
    radius * (Math.cos(a) * bore[1] + Math.sin(a) * side[1]),
    0,
  ];
  const along = dot(pin, bore);
  const off = Math.sqrt(rod ** 2 - (dot(pin, pin) - along ** 2));
  const piston: V3 = [(along + off) * bore[0], (along + off) * bore[1], 0];
  const up: V3 = [(piston[0] - pin[0]) / rod, (piston[1] - pin[1]) / rod, 0];
  // The rod pushes the piston along itself; what is not along the bore is what the wall must take.
  const lateral: V3 = [up[0] - dot(up, bore) * bore[0], up[1] - dot(up, bore) * bore[1], 0];
  // On the crown, looking down the bore with the front away, right is forward × ... the bore's own right hand.
  const right = cross(bore, [0, 0, -1]);
  return turned((Math.atan2(dot(lateral, right), dot(lateral, forward)) * 180) / Math.PI);
}

describe('the major thrust face', () => {
  it('is where a slider and crank press the wall after top dead centre: both rotations, any lean, any angle of the power stroke (identity)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.double({ min: 1, max: 175, noNaN: true }),
        fc.boolean(),
        (tilt, afterTop, clockwise) => {
          expect(
            apart(wallPressed(tilt, clockwise, afterTop), majorThrust(clockwise ? 'clockwise' : 'anticlockwise')),
          ).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('an upright bore of a clockwise crank is pressed to its right with the front away (common practice, no source)', () => {
    expect(wallPressed(0, true, 30)).toBeCloseTo(90, 6);
    expect([majorThrust('clockwise'), majorThrust('anticlockwise')]).toEqual([90, 270]);
  });
});

describe('banks and leaning bores (common practice, no source)', () => {
  it('outboard is 90° on the right bank and 270° on the left, and is the low side of either', () => {
    for (const [bank, outboard] of [
      ['right', 90],
      ['left', 270],
    ] as const) {
      expect(sideDirection('outboard', bank, null)).toBe(outboard);
      for (const bankAngle of [52, 90, 180]) expect(lowSide(tiltOf({ bankAngle }, bank, 0))).toBe(outboard);
    }
  });

  it('an upright bore has no low side; a leaning single has, and a V that leans by half its angle has one upright bank', () => {
    expect(lowSide(tiltOf({ bankAngle: 0 }, 'only', 0))).toBeNull();
    expect(lowSide(tiltOf({ bankAngle: 0 }, 'only', 30))).toBe(90);
    expect(lowSide(tiltOf({ bankAngle: 0 }, 'only', -30))).toBe(270);
    expect(lowSide(tiltOf({ bankAngle: 90 }, 'left', 45))).toBeNull();
    expect(lowSide(tiltOf({ bankAngle: 90 }, 'right', 45))).toBe(90);
  });

  it('a side that is not said, or not there, has no direction', () => {
    expect(sideDirection('intake', 'right', null)).toBeNull();
    expect(sideDirection('inboard', 'only', null)).toBeNull();
    expect(sideDirection('intake', 'left', 'inboard')).toBe(90);
    expect(sideDirection('exhaust', 'left', 'inboard')).toBe(270);
    expect(sideDirection('exhaust', 'only', 'left')).toBe(90);
  });
});

describe('sectors', () => {
  it('hold what lies between their edges, whatever side of the front they lie on', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 1, max: 170 }),
        fc.integer({ min: 0, max: 359 }),
        (middle, half, at) => {
          const sector = around(middle, half);
          expect(isInside(at, sector)).toBe(apart(at, middle) < half);
          expect(offSector(at, sector)).toBeCloseTo(Math.max(0, apart(at, middle) - half), 9);
          expect(isInside(at, widened(sector, 5))).toBe(apart(at, middle) < half + 5);
        },
      ),
    );
  });

  it('a pocket crosses nine tenths of the radius where its own circle does (identity)', () => {
    const bore = fromMm(96);
    const pocket = { valve: 'intake' as const, at: 262, out: fromMm(24), across: fromMm(42) };
    const sector = pocketSector(pocket, bore);
    const half = turned((sector?.to ?? 0) - (sector?.from ?? 0)) / 2;
    const rim = { x: 43.2 * Math.cos((half * Math.PI) / 180), y: 43.2 * Math.sin((half * Math.PI) / 180) };
    expect(Math.hypot(rim.x - 24, rim.y)).toBeCloseTo(21, 6);
    expect(pocketSector({ ...pocket, across: fromMm(30) }, bore)).toBeNull();
    const beyond = pocketSector({ ...pocket, out: fromMm(46), across: fromMm(3) }, bore);
    expect(turned((beyond?.to ?? 0) - (beyond?.from ?? 0)) / 2).toBeCloseTo((Math.asin(1.5 / 46) * 180) / Math.PI, 6);
  });

  it('pockets and sectors of the left bank are the mirror image, or turned, and a flipped cylinder is turned front to back', () => {
    const facts = {
      ...STARTING_FACTS,
      pockets: [{ valve: 'intake' as const, at: 250, out: fromMm(24), across: fromMm(42) }],
      sectors: [{ words: 'oil jet', from: 20, to: 40 }],
    };
    const engine = { bankAngle: 90, rotation: 'clockwise' as const };
    const at = (bank: 'left' | 'right', change = {}): number | undefined =>
      surroundingsOf({ id: bank === 'left' ? 'L1' : 'R1', bank }, fromMm(96), engine, { ...facts, ...change })
        .pockets[0]?.at;
    expect(at('right')).toBe(250);
    expect(at('left')).toBe(mirrored(250));
    expect(at('left', { leftPistons: 'turned' })).toBe(70);
    expect(at('left', { leftPistons: 'same' })).toBe(250);
    expect(at('right', { flipped: ['R1'] })).toBe(turned(180 - 250));
    expect(surroundingsOf({ id: 'L1', bank: 'left' }, null, engine, facts).sectors[0]).toMatchObject({
      from: 320,
      to: 340,
    });
  });

  it('a sector is named as it was called, else as what it is', () => {
    const engine = { bankAngle: 0, rotation: 'clockwise' as const };
    const facts = {
      ...STARTING_FACTS,
      sectors: [
        { words: 'oil jet', from: 20, to: 40 },
        { words: '', from: 90, to: 99 },
      ],
    };
    const round = surroundingsOf({ id: '1', bank: 'right' }, fromMm(96), engine, facts);
    const kept = keptFree({ ...STARTING_RULES, ownSectors: { ...STARTING_RULES.ownSectors, on: true } }, round);
    expect(kept.filter((k) => k.rule === 'ownSectors').map((k) => k.words)).toEqual([
      'oil jet',
      'a sector to be kept free',
    ]);
  });
});
