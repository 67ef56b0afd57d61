/**
 * What is wrong with what is filled in: a sentence by the field that it is of, a path such as `side.most`. Empty where
 * nothing is. A rule stands here once: a form shows it beside its field, and files and the server hold entries to it.
 */
export type Faults = Readonly<Record<string, string>>;

/**
 * The faults of a part, at its place in the whole.
 *
 * @example
 *   faultsUnder('side', { most: 'The most is under the least.' }) // { 'side.most': 'The most is under the least.' }
 */
export const faultsUnder = (place: string, faults: Faults): Faults =>
  Object.fromEntries(Object.entries(faults).map(([path, says]) => [`${place}.${path}`, says]));

/**
 * The faults among some: null stands for a field that is well.
 *
 * @example
 *   faultsAmong({ least: null, most: 'The most is under the least.' }) // { most: 'The most is under the least.' }
 */
export const faultsAmong = (found: Readonly<Record<string, string | null | false | undefined>>): Faults =>
  Object.fromEntries(Object.entries(found).flatMap(([path, says]) => (says ? [[path, says]] : [])));
