import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { polar, sector, splitRing } from './arcs';

const numbers = (path: string): number[] => (path.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
const angleOf = (x: number, y: number): number => ((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360;

describe('drawing by angles clockwise from the top', () => {
  it('puts 0° at the top, 90° on the right, 180° below, 270° on the left', () => {
    const close = (degrees: number, x: number, y: number): void =>
      expect(polar(10, degrees)).toEqual({ x: expect.closeTo(x, 9), y: expect.closeTo(y, 9) });
    close(0, 0, -10);
    close(90, 10, 0);
    close(180, 0, 10);
    close(270, -10, 0);
  });

  it('keeps the distance from the middle, whatever the angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: -720, max: 720, noNaN: true }),
        (radius, degrees) => {
          const { x, y } = polar(radius, degrees);
          expect(Math.hypot(x, y)).toBeCloseTo(radius, 6);
        },
      ),
    );
  });

  it('leaves the ring open by the gap asked for, centred where it is asked for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 4, max: 60 }), (at, gap) => {
        const [x0 = 0, y0 = 0, , , , , , x1 = 0, y1 = 0] = numbers(splitRing(200, at, gap));
        expect((angleOf(x0, y0) - at + 360) % 360).toBeCloseTo(gap / 2, 1);
        expect((at - angleOf(x1, y1) + 360) % 360).toBeCloseTo(gap / 2, 1);
      }),
    );
  });

  it('draws a sector between two radii and closes it', () => {
    const path = sector(70, 110, 100, 200);
    expect(path.endsWith('Z')).toBe(true);
    const [x0 = 0, y0 = 0] = numbers(path);
    expect(Math.hypot(x0, y0)).toBeCloseTo(200, 1);
    expect(angleOf(x0, y0)).toBeCloseTo(70, 1);
  });
});
