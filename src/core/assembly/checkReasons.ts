import type { Check } from './checks';

/** Why each is looked at. */
export const CHECK_REASONS: Record<Check, string> = {
  ringsFree:
    'A ring that sticks does not seal; upside down it pumps oil. Rings open only as far as needed: their edges cut.',
  expanderButts:
    'An overlapping expander, or a rail slipped beside its seat, is the classic reason a piston will not go in. The pack turns as one and gives all round.',
  jointsBefore: 'Joints move while the rings go on.',
  jointsAfter:
    'Joints move in the compressor too: look at every gap that can be seen, and turn it back before the piston goes down.',
  frontMark: 'Pin offset and valve pockets make pistons handed.',
  rod: 'The chamfered side clears the crank cheek; cap and rod carry the same number.',
};
