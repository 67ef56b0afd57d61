/** The section of a ring: its outline the right way up, and what is said of it, in words. Common practice, no source. */
import type { Bevel, CompressionRing, Section, UpMark } from './set';

export const SECTION_WORDS: Record<Section, string> = {
  plain: 'straight face',
  barrel: 'barrel face',
  taper: 'tapered face',
  hook: 'tapered face with a hook',
};
export const BEVEL_WORDS: Record<Bevel, string> = {
  none: 'none',
  insideUp: 'inside, up',
  insideDown: 'inside, down',
  outsideUp: 'outside, up',
  outsideDown: 'outside, down',
};
export const UP_MARK_WORDS: Record<UpMark, string> = {
  dot: 'a dot',
  word: 'a word, often “TOP”',
  innerBevel: 'the inner bevel',
  none: 'no mark',
};

/** A corner of a section: radial from the inside (0) to the face (1), axial from the underside (0) to the crown side (1). */
export type Corner = readonly [number, number];

/** Depth of a bevel or step in the drawing of a section, as a share of its height. */
const CUT = 0.34;

/**
 * The outline of a ring's section, the right way up, in shares of its width and height.
 *
 * @example sectionOutline({ section: 'rectangular', bevel: 'none' }).length // 4
 */
export function sectionOutline({ section, bevel }: Pick<CompressionRing, 'section' | 'bevel'>): Corner[] {
  const inside: Corner[] =
    bevel === 'insideUp'
      ? [
          [0, 0],
          [0, 1 - CUT],
          [CUT, 1],
        ]
      : bevel === 'insideDown'
        ? [
            [CUT, 0],
            [0, CUT],
            [0, 1],
          ]
        : [
            [0, 0],
            [0, 1],
          ];
  const upper: Corner[] =
    bevel === 'outsideUp'
      ? [
          [1 - CUT, 1],
          [1, 1 - CUT],
        ]
      : [[section === 'taper' || section === 'hook' ? 0.94 : section === 'barrel' ? 0.95 : 1, 1]];
  const face: Corner[] =
    section === 'barrel'
      ? [
          [0.985, 0.75],
          [1, 0.5],
          [0.985, 0.25],
        ]
      : [];
  const lower: Corner[] =
    section === 'hook'
      ? [
          [1, 0.28],
          [0.8, 0.28],
          [0.8, 0],
        ]
      : bevel === 'outsideDown'
        ? [
            [1, CUT],
            [1 - CUT, 0],
          ]
        : [[section === 'barrel' ? 0.95 : 1, 0]];
  return [...inside, ...upper, ...face, ...lower];
}
