/** A build begun from an earlier one: what was chosen comes along, what was measured or looked at does not. */
import type { ChoiceKind } from './registry';
import { type BuildRecord, type ChoiceEntry, type Entry, isChoice } from './buildRecord';

/** What is of the very parts of the earlier engine: which piston and which ring went where, and what was reported of them. */
const OF_ITS_PARTS: readonly ChoiceKind[] = ['pairing', 'placing', 'supplied', 'sets'];

/** A choice without what was said of single cylinders, or looked at on the earlier parts. */
function withoutParts(entry: ChoiceEntry): ChoiceEntry {
  switch (entry.kind) {
    case 'clocking':
      return { ...entry, value: { ...entry.value, own: [] } };
    case 'targets':
      return { ...entry, value: { ...entry.value, allowances: [] } };
    case 'balance':
      return { ...entry, value: { ...entry.value, stays: [] } };
    case 'ringSet': {
      const { top, second } = entry.value;
      return { ...entry, value: { ...entry.value, top: { ...top, mark: null }, second: { ...second, mark: null } } };
    }
    default:
      return entry;
  }
}

/**
 * The choices that a new build begins with: those in force in an earlier one, the job card apart, each made anew.
 * Which way up the rings go is looked at again; joints and allowances of single cylinders stay behind.
 *
 * @param stamp who begins it, and when
 * @example
 *   sameAgain(demoRecord, { at: '2026-05-04T09:00:00.000Z', by: 'AB' }).map((e) => e.kind)
 *   // [ 'targets', 'bores', 'ringSet', 'journals', 'clocking', 'walk', 'fasteners' ]
 */
export function sameAgain({ entries }: BuildRecord, stamp: { at: string; by: string }): Entry[] {
  const last = new Map<ChoiceKind, ChoiceEntry>();
  for (const entry of entries) if (isChoice(entry)) last.set(entry.kind, entry);
  return [...last.values()]
    .filter(({ kind }) => kind !== 'job' && !OF_ITS_PARTS.includes(kind))
    .map((entry) => ({ ...withoutParts(entry), ...stamp, id: `${entry.kind}-1`, replaces: null }));
}
