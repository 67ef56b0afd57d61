/** The crank as it lies in the engine: main bearings and throws from the front. */
import type { Rod } from '../../foundation/engine/crankcase';
import { mainId } from '../../foundation/engine/places';

/** What follows along the crank. */
export type OnCrank =
  | { kind: 'main'; id: string }
  | { kind: 'throw'; number: number; /** Ids of the cylinders, the forward one first. */ rods: string[] };

/** The cylinders of each throw, from the front, the forward rod of each first. */
export function throwsFrom(rods: ReadonlyMap<string, Rod>): string[][] {
  const throws = new Map<number, { id: string; faces: Rod['faces'] }[]>();
  for (const [id, { throw: n, faces }] of rods) throws.set(n, [...(throws.get(n) ?? []), { id, faces }]);
  return [...throws]
    .sort(([a], [b]) => a - b)
    .map(([, on]) => on.sort((a, b) => Number(b.faces === 'front') - Number(a.faces === 'front')).map((r) => r.id));
}

/** Main bearings where nobody says: one at each end of each throw. Common practice, no source. */
export const usualMains = (throws: number): number => throws + 1;

/**
 * Mains and throws from the front. Where there are fewer mains than ends of throws, they lie evenly among them, one at
 * each end of the crank.
 *
 * @example crankOf([['1'], ['2']], 2).map((on) => (on.kind === 'main' ? on.id : on.number)) // [ 'M1', 1, 2, 'M2' ]
 */
export function crankOf(throws: readonly string[][], mains: number): OnCrank[] {
  const before = Array.from({ length: mains }, (_, i) =>
    mains === 1 ? 0 : Math.round((i * throws.length) / (mains - 1)),
  );
  const mainsBefore = (n: number): OnCrank[] =>
    before.flatMap((at, i) => (at === n ? [{ kind: 'main', id: mainId(i + 1) }] : []));
  return [
    ...throws.flatMap((rods, n): OnCrank[] => [...mainsBefore(n), { kind: 'throw', number: n + 1, rods }]),
    ...mainsBefore(throws.length),
  ];
}
