import fc from 'fast-check';
import { expect, it } from 'vitest';
import { readBuildFile } from './buildFile';
import { readChartFile } from './chartFile';
import { isTooDeep } from './depth';

const depthOf = (json: unknown): number =>
  typeof json === 'object' && json !== null ? 1 + Math.max(0, ...Object.values(json).map(depthOf)) : 0;

it('goes by how deep a text is nested, whatever its words hold (property)', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 6 }), fc.integer({ min: 0, max: 70 }), (json, more) => {
      let deep: unknown = json;
      for (let i = 0; i < more; i += 1) deep = i % 2 === 0 ? [deep] : { '[{"\\': deep };
      expect(isTooDeep(JSON.stringify(deep))).toBe(depthOf(deep) > 64);
    }),
  );
});

it('files that are, are refused', () => {
  expect([64, 65].map((levels) => isTooDeep('['.repeat(levels)))).toEqual([false, true]);
  const deep = `{"format":"spatium-build","version":12,"x":${'['.repeat(100_000)}`;
  expect(readBuildFile(deep)).toMatchObject({ ok: false, faults: [expect.stringContaining('nested deeper')] });
  expect(readChartFile(deep, 'x')).toMatchObject({ ok: false, faults: [expect.stringContaining('nested deeper')] });
});
