/** The schools in words, each with its reasoning. Common practice, no source. */
import type { School } from './schools';

export const SCHOOL_WORDS: Record<School, string> = {
  sheet: 'As the maker’s sheet has it',
  diagonals: 'Opposed on the diagonals',
  frontAndBack: 'Front and back',
  highAndLow: 'High and low',
  thirds: 'Thirds',
  tenTwoSix: 'Ten, two and six',
  across: 'Straight across',
};

export const SCHOOL_REASONS: Record<School, string> = {
  sheet:
    'Whoever made the rings knows their tension and their grooves: the sheet packed with them comes before any school.',
  diagonals:
    'Top and second half a turn apart, off the pin and clear of both thrust faces; the rails a quarter turn from them.',
  frontAndBack:
    'Top at the front and second at the rear, over the pin ends where side load is least; expander ends at the front, a rail gap to either side.',
  highAndLow:
    'Top gap at the high side of a leaning bore, second at the low side where oil lies at rest, expander at the high side with a rail to either side of it: the gaps oil would run through are above it.',
  thirds:
    'The three oil pieces a third of a turn apart, so that none shares a path; second a quarter turn from the upper rail, top opposite the second.',
  tenTwoSix:
    'The oil pack at six o’clock, the two compression rings at ten and two: a third of a turn between any two.',
  across:
    'Top and second straight across from each other, and the rails likewise: the longest way down that two gaps allow.',
};
