/** Words of the trade as this program uses them, for whoever meets them for the first time. Common practice, no source. */

interface Term {
  word: string;
  means: string;
}

export const GLOSSARY = [
  { word: 'aim', means: 'Where in the window to stop filing. It begins at the first leaf over the minimum.' },
  {
    word: 'allowance',
    means: 'What is added on purpose to the targets of one cylinder, because it runs hotter than the others.',
  },
  {
    word: 'bracket',
    means: 'Two feeler leaves next to each other: the smaller leaf goes into the gap, the larger does not.',
  },
  {
    word: 'clearance',
    means: 'How much smaller the piston is than its bore, or a journal than its bearing, on the diameter.',
  },
  { word: 'crown', means: 'The top of the piston. A plan of the ring gaps is drawn as one looks down on it.' },
  {
    word: 'crushed thread',
    means:
      'Plastic thread laid on a journal and pressed flat by its cap: its width against printed marks gives a range.',
  },
  { word: 'cut', means: 'One go at a ring with the filer, of so many turns or strokes.' },
  { word: 'end gap', means: 'The gap between the two ends of a ring that lies square in its bore.' },
  { word: 'end play', means: 'How far the crank can move to and fro along itself. The thrust bearing holds it.' },
  {
    word: 'expander',
    means: 'The wavy spring of the oil ring. Its ends butt against each other and must never overlap.',
  },
  {
    word: 'half shell',
    means: 'One of the two thin linings of a bearing: one lies in block or rod, the other in the cap.',
  },
  {
    word: 'mean piston speed',
    means:
      'How fast the piston moves on average: twice the stroke times the engine speed. Faster pistons heat their rings more.',
  },
  {
    word: 'heat load',
    means: 'One number for how much heat an engine puts into its rings: 1 for a plain street engine without an adder.',
  },
  { word: 'journal', means: 'The round part of the crank that runs in a bearing: in a main, or in a rod.' },
  { word: 'land', means: 'The band of the piston between two grooves, or between the top groove and the crown.' },
  { word: 'leaf', means: 'One blade of a feeler set, with its thickness on it.' },
  {
    word: 'limit',
    means: 'What may not be gone under: too tight costs the engine. At the top it is soft, unless the maker says so.',
  },
  {
    word: 'out of round',
    means: 'How far a bore is from a circle: the widest diameter less the narrowest at one depth.',
  },
  {
    word: 'parting line',
    means: 'Where cap and block, or cap and rod, meet. Shells are relieved there and read wide.',
  },
  { word: 'power adder', means: 'What adds power by adding charge: a turbo, a supercharger, nitrous.' },
  { word: 'rail', means: 'One of the two thin steel rings of the oil ring. Rails are checked, seldom filed.' },
  { word: 'route', means: 'The order in which the line leads from one thing to read to the next.' },
  {
    word: 'school',
    means: 'One way of doing it that good builders hold to, where others hold to another. The program serves each.',
  },
  { word: 'setting', means: 'The size that a bore gauge was zeroed at. Its dial counts from there.' },
  { word: 'side clearance', means: 'How far a rod can move along its throw.' },
  { word: 'spot', means: 'Where in a bore a diameter is read: a depth and a direction.' },
  { word: 'stand', means: 'The engine stand, and how the block is turned on it.' },
  { word: 'tang', means: 'The lip of a half shell that goes into a notch and says where it lies.' },
  { word: 'taper', means: 'How much a bore changes from the top to the bottom, or a journal from end to end.' },
  {
    word: 'thrust face',
    means: 'The side of the bore that the rod presses the piston against. Major on the power stroke, minor the other.',
  },
  {
    word: 'undersize',
    means: 'How much a ground journal is thinner than as made. Each half shell for it is thicker by half of that.',
  },
  { word: 'window', means: 'What a gap may be: from its minimum to where it is too wide to be called right.' },
] as const satisfies readonly Term[];

export type Word = (typeof GLOSSARY)[number]['word'];

/**
 * What a word means.
 *
 * @example meaningOf('cut') // 'One go at a ring with the filer, of so many turns or strokes.'
 */
export const meaningOf = (word: Word): string => GLOSSARY.find((term) => term.word === word)?.means ?? '';
