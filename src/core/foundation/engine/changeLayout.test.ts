import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { job } from '@/fixtures/records';
import { type Engine, LAYOUTS } from './engine';
import { engineFaults } from './engineFaults';
import { numberingWords, changeLayout } from './changeLayout';

const four: Engine = {
  ...{ layout: 'inline', cylinders: 4, bankAngle: 0, rotation: 'clockwise' },
  numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
};

describe('an engine given another layout', () => {
  it('keeps what still makes sense, and a four in line is an eight as a V', () => {
    expect(changeLayout(four, 'vee')).toMatchObject({
      cylinders: 8,
      bankAngle: 90,
      numbering: { scheme: 'alternate' },
    });
    expect(changeLayout(four, 'flat')).toMatchObject({ cylinders: 4, bankAngle: 180 });
    expect(changeLayout(four, 'single')).toMatchObject({ cylinders: 1, bankAngle: 0 });
    expect(changeLayout({ ...job.engine, bankAngle: 72 }, 'vee').bankAngle).toBe(72);
    expect(changeLayout(job.engine, 'inline')).toMatchObject({ cylinders: 8, numbering: { scheme: 'sequence' } });
    expect(changeLayout({ ...four, cylinders: 5 }, 'flat').cylinders).toBe(4);
  });

  it('whichever it was, nothing is wrong with it (property)', () => {
    const layout = fc.constantFrom(...LAYOUTS);
    fc.assert(
      fc.property(
        fc.array(layout, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 16 }),
        (path, cylinders) => {
          const engine = path.reduce<Engine>(changeLayout, { ...four, cylinders });
          expect(engineFaults(engine)).toEqual([]);
        },
      ),
    );
  });

  it('its numbering is said from the front, and not while it cannot be', () => {
    expect(numberingWords(four)).toBe('From the front: 1 2 3 4.');
    expect(numberingWords(job.engine)).toBe('From the front: left bank 1 3 5 7; right bank 2 4 6 8.');
    expect(numberingWords({ ...four, cylinders: 0 })).toBe('');
  });
});
