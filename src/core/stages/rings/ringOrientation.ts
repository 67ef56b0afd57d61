/** Which way up a ring goes: its mark in words, and what contradicts it. Common practice, no source. */
import type { CompressionRing } from './set';

/** Which way up, in a sentence. A word on a ring says which side, never which ring. */
export function upWords({ mark, bevel, section }: Pick<CompressionRing, 'mark' | 'bevel' | 'section'>): string {
  switch (mark) {
    case 'word':
      return 'The word faces the crown. “TOP” means this side up; it does not mean the top ring.';
    case 'dot':
      return 'The dot faces the crown.';
    case 'innerBevel':
      return bevel === 'insideDown'
        ? 'No mark but the inner bevel: it faces down, away from the crown.'
        : 'No mark but the inner bevel: it faces the crown.';
    case 'none':
      return section === 'taper' || section === 'hook' || bevel !== 'none'
        ? 'No mark, yet its section is not the same both ways: see the sheet before it goes on.'
        : 'No mark, the same both ways: either side may face the crown.';
    case null:
      return 'Look for a dot or a word near the ends: it faces the crown.';
  }
}

/** What contradicts itself in how a ring is described, as sentences. */
export function ringFaults({ mark, bevel, section }: CompressionRing): string[] {
  return [
    ...(mark === 'innerBevel' && bevel !== 'insideUp' && bevel !== 'insideDown'
      ? ['It is told by its inner bevel, and no inner bevel is entered: choose “inside, up” or “inside, down”.']
      : []),
    ...(mark === 'none' && section === 'hook'
      ? ['A hooked ring has a right way up: look again for its mark, or see the sheet.']
      : []),
  ];
}
