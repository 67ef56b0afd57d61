/** What stands beside the figure in hand: how it is measured, and what to do about it. */
import { type Message, clear, say, sizeOrClearance, capital } from '../../foundation/quantity/message';
import { acceptedWords } from '../../record/reading';
import { chanceWords } from '../../foundation/verdict/decide';
import type { JudgedFigure } from './types';
import type { JournalSubject } from './tasks';

/** How each thing is measured. Common practice, no source. */
export const HOW: Record<JournalSubject, string> = {
  journal: 'In the micrometer, in line with the throw and square to it, near both ends. The thickest place counts.',
  housing:
    'Square to the parting line, its cap tightened as in service, shells and housing dry. Near the joint shells are relieved and read wide.',
  bare: 'No shells in it, cap tightened as in service: square to the parting line.',
  shell: 'In the ball micrometer, in the middle of the half: there it is thickest.',
  thread:
    'Laid dry along the journal, cap tightened, crank not turned, cap off: its width against the packet’s marks. Between two marks it is a range.',
  endPlay: 'Dial on the crank’s nose, crank pried forward and back. Once more to be sure.',
  side: 'Feeler between the two rods, or rod and cheek. A little over is fine, under is not: without room the rods take no oil.',
  smallEnd: 'Across the bush, in two directions. A new bush is honed to its pin.',
  other: 'As the manual says: by feeler, or worked out from two sizes. 3, or 3/4 where 3 goes and 4 does not.',
};

const TIGHT: Record<'clearance' | 'endPlay' | 'side' | 'smallEnd' | 'other', string> = {
  other: 'less than the manual asks for',
  clearance: 'the oil film breaks, and the bearing seizes or turns',
  endPlay: 'the thrust faces run dry and seize',
  side: 'the rods take no oil and bind',
  smallEnd: 'the pin seizes in its bush',
};
const LOOSE: Record<keyof typeof TIGHT, string> = {
  other: 'more than the manual allows',
  clearance: 'oil runs out, and pressure falls for all that lie behind it',
  endPlay: 'the crank knocks to and fro, and the clutch with it',
  side: 'a little over is fine; much over throws oil on the bores',
  smallEnd: 'the pin knocks',
};

/** What to say of a figure of the bottom end. */
export function figureAdvice(what: keyof typeof TIGHT, held: JudgedFigure): Message {
  const { state, accepted, chance, uncertainty, target } = held;
  if (accepted) return say`${capital(acceptedWords(accepted))}.`;
  switch (state) {
    case 'tight':
      return say`Too tight: ${TIGHT[what]}.`;
    case 'over':
      return say`Too loose: ${LOOSE[what]}.`;
    case 'loose':
      return say`More than the aim, within the limit.`;
    case 'in window':
      return held.lowSide === 'under the limit' ? say`At its least, as near as these tools can tell.` : say`OK.`;
    case 'not proven': {
      const [apart] = held.disagreements;
      if (apart)
        return say`${capital(apart.what)} readings disagree, ${sizeOrClearance(apart.least)} and ${sizeOrClearance(apart.most)}. The one that leaves less room counts. Read it twice more, or strike out the wrong one.`;
      return say`The chance that it is too tight is ${chanceWords(chance ?? 0)}: ± ${clear(uncertainty)} is all these tools can tell. Read it again.`;
    }
    case 'no target':
      return say`Read. ${target.set ? '' : target.ask}`;
    case 'to do':
      return say`To be read.`;
  }
}
