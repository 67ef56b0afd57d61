/** What initials and a PIN may be: told apart from those of others at a glance, and not guessed at the first try. */
import type { Role } from '../files/roles';

/** Letters of other alphabets, and the digits 0 and 1, that look like a Latin capital. */
const LOOKS_LIKE: Readonly<Record<string, string>> = Object.fromEntries(
  [
    ['A', 'АΑ'], ['B', 'ВΒ'], ['C', 'СϹ'], ['E', 'ЕΕ'], ['G', 'Ԍ'], ['H', 'НΗ'], ['I', 'ІΙ1'], ['J', 'ЈͿ'], ['K', 'КΚ'],
    ['M', 'МΜ'], ['N', 'Ν'], ['O', 'ОΟ0'], ['P', 'РΡ'], ['S', 'Ѕ'], ['T', 'ТΤ'], ['V', 'Ѵ'], ['W', 'Ԝ'], ['X', 'ХΧ'], ['Y', 'УΥҮ'],
    ['Z', 'Ζ'],
  ].flatMap(([latin = '', others = '']) => [...others].map((other) => [other, latin])),
); // oxfmt-ignore

/**
 * What initials look like: the same for two that a person could take for each other.
 *
 * @example appearanceOf('КМ') === appearanceOf('km') // true
 */
export const appearanceOf = (initials: string): string =>
  [...initials.normalize('NFKD').replace(/\p{M}/gu, '').toUpperCase()].map((c) => LOOKS_LIKE[c] ?? c).join('');

/** What is wrong with initials by themselves; null where nothing is. */
export const initialsFault = (initials: string): string | null =>
  /^[\p{L}\p{N}]{1,12}$/u.test(initials) && !/\p{Default_Ignorable_Code_Point}/u.test(initials)
    ? null
    : 'Initials are 1 to 12 letters or digits, e.g. KM.';

/** Characters that a PIN or password has at least. */
const leastSecret = (role: Role): number => (role === 'owner' || role === 'builder' ? 6 : 4);

const isRun = (secret: string): boolean => {
  const steps = [...secret].slice(1).map((c, i) => (c.codePointAt(0) ?? 0) - (secret.codePointAt(i) ?? 0));
  return [0, 1, -1].some((step) => steps.every((s) => s === step));
};

/** What is wrong with a new PIN or password; null where nothing is. */
export function secretFault(role: Role, { initials, secret }: { initials: string; secret: string }): string | null {
  const least = leastSecret(role);
  if (secret.trim().length < least)
    return `The PIN or password of ${role === 'owner' ? 'an' : 'a'} ${role} has at least ${least} characters, blanks around it not counted.`;
  if (isRun(secret)) return 'Choose a PIN that is not one character repeated or a run like 123456.';
  const own = initials.toLowerCase();
  const rest = secret.toLowerCase().split(own).join('');
  if (own !== '' && rest.replace(/[^\p{L}\p{N}]/gu, '') === '') return 'Choose a PIN that is not made of the initials.';
  return null;
}
