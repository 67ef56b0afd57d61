/** Which of some numbered parts is in which cylinder. */
import type { Cylinder } from './engine';

export interface Put {
  cylinder: string;
  part: string;
}

/**
 * As put, where that names each of this engine's parts once; else each in the cylinder whose number it has.
 *
 * @example
 *   [...whereParts([{ id: '1' }, { id: '2' }], [{ cylinder: '1', part: '2' }, { cylinder: '2', part: '1' }])]
 *   // [ [ '1', '2' ], [ '2', '1' ] ]
 */
export function whereParts(cylinders: readonly Pick<Cylinder, 'id'>[], put: readonly Put[]): Map<string, string> {
  const own = cylinders.map((c): [string, string] => [c.id, c.id]);
  const found = new Map(own);
  for (const { cylinder, part } of put) if (found.has(cylinder)) found.set(cylinder, part);
  const once = new Set([...found.values()].filter((part) => found.has(part))).size === found.size;
  return once ? found : new Map(own);
}
