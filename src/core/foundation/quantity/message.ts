/**
 * Sentences with lengths in them, kept apart from units until a screen, sheet or file prints them.
 */
import type { Nm, Units } from './length';
import { type LengthStyle, lengthText } from './format';

export interface MessageLength {
  nm: Nm;
  as: LengthStyle;
}

/** A sentence as text and lengths, in order. */
export type Message = (string | MessageLength)[];

/** A bore or piston size inside a sentence. */
export const size = (nm: Nm): MessageLength => ({ nm, as: 'size' });

/** A gap or clearance inside a sentence. */
export const fine = (nm: Nm): MessageLength => ({ nm, as: 'fine' });

/** A piston-to-wall clearance inside a sentence. */
export const clear = (nm: Nm): MessageLength => ({ nm, as: 'clearance' });

/** Sizes are over this, clearances under it, nm. From memory. */
const LEAST_SIZE: Nm = 5_000_000;

/** A length printed as a size or as a clearance, by how large it is. */
export const sizeOrClearance = (nm: Nm): MessageLength => (nm > LEAST_SIZE ? size(nm) : clear(nm));

/** An unrounded product inside a sentence. */
export const raw = (nm: Nm): MessageLength => ({ nm, as: 'raw' });

/**
 * Template tag for a sentence: `` say`bore ${size(bore)} × ${factor}` ``.
 * Numbers are printed as they are; sentences inside sentences are joined.
 */
export function say(strings: TemplateStringsArray, ...values: (string | number | MessageLength | Message)[]): Message {
  const out: Message = [];
  for (let i = 0; i < strings.length; i += 1) {
    const text = strings[i];
    if (text) out.push(text);
    const value = values[i];
    if (value === undefined) continue;
    if (Array.isArray(value)) for (const piece of value) out.push(piece);
    else out.push(typeof value === 'number' ? String(value) : value);
  }
  return out;
}

/**
 * The sentence with its lengths in the units asked for.
 *
 * @example messageText(say`gap ${fine(558_800)}`, 'imperial') // 'gap 22 thou'
 */
export const messageText = (saying: Message, units: Units): string =>
  saying.map((piece) => (typeof piece === 'string' ? piece : lengthText(piece.nm, units, piece.as))).join('');
/** A sentence with its first letter large. */

export const capital = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());
