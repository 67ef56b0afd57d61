/** The bottom end in words: how it is measured, where its figures come from, what is looked at and why. */
import { clear, say, size, sizeOrClearance, type Saying } from '../quantity/saying';
import type { Units } from '../quantity/length';
import { chanceWords } from '../verdict/decide';
import { acceptedWords } from '../record/reading';
import { capital } from '../stage/report';
import type { BearingCheck } from './checks';
import type { BearingKind, Method } from './choices';
import type { HeldAgainst, JudgedBearing } from './found';
import type { JournalSubject } from './subjects';

export const METHOD_WORDS: Record<Method, string> = {
  'with shells': 'housing with its shells in',
  apart: 'bare housing and shells apart',
  thread: 'crushed thread alone',
};

export const KIND_WORDS: Record<BearingKind, string> = { main: 'Mains', rod: 'Rods' };

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

/** "From memory": what to expect while the manual is looked for. It is never filled in. */
export const HINTS: Record<'clearance' | 'endPlay' | 'side' | 'smallEnd' | 'spread' | 'form', Record<Units, string>> = {
  clearance: {
    imperial: 'From memory: about 1 thou for each inch of journal; manuals run from 1–2.5 to 1–5.',
    metric: 'From memory: about 0.001 of the journal; manuals run from 0.02–0.05 to 0.025–0.13 mm.',
  },
  endPlay: {
    imperial: 'Usually 2–10 thou, some 2–5: common practice, no source.',
    metric: 'Usually 0.05–0.25 mm, some 0.05–0.13: common practice, no source.',
  },
  side: {
    imperial: 'Often 10–20 thou: common practice, no source.',
    metric: 'Often 0.25–0.50 mm: common practice, no source.',
  },
  smallEnd: {
    imperial: 'About 0.5–1 thou: common practice, no source.',
    metric: 'About 0.013–0.025 mm: common practice, no source.',
  },
  spread: {
    imperial: 'A few tenths of a thou: common practice, no source.',
    metric: 'A few thousandths of a mm: common practice, no source.',
  },
  form: {
    imperial: 'About 0.5 thou of either is worn, from memory.',
    metric: 'About 0.012 mm of either is worn, from memory.',
  },
};

/** What is looked at, with the reason. Common practice, no source. */
export const LOOK_WORDS: Record<BearingCheck, { words: string; why: string }> = {
  shellsIn: {
    words: 'Backs and housing dry and clean, flush at both ends',
    why: 'Oil or dirt behind a shell takes up clearance and lets it turn.',
  },
  tangs: {
    words: 'Tangs in their notches, both on one side',
    why: 'A tang beside its notch bends the shell as the cap comes down.',
  },
  oilHoles: {
    words: 'Holes over the oilways, the plain half in the cap',
    why: 'A plain half over an oilway starves the bearing at once.',
  },
  shellSide: {
    words: 'Offset edge to the fillet, hole on its side of the rod',
    why: 'The other way round the edge of the shell rides on the fillet, or the hole is shut.',
  },
  cap: { words: 'Cap number and arrow right', why: 'A cap from another place, or turned round, closes the bore.' },
  rodFree: {
    words: 'Rod slides sideways freely, alone',
    why: 'A rod that drags has its cap off square or its bearing pinched.',
  },
  rodCentred: {
    words: 'Rod stands about centred between the piston’s bosses',
    why: 'Well to one side, it is likely in backwards.',
  },
  thrustGrooves: {
    words: 'Grooves of the thrust washers face the crank',
    why: 'The other way round they get no oil and seize.',
  },
};

/** How a clearance was come by, a line each. */
export function clearanceWorking({ journal, housing, bare, shells, clearance }: JudgedBearing): Saying[] {
  const { value, by, uncertainty, check, zeroed, otherwise } = clearance;
  if (value === null) return [];
  const journalLine = journal.size ? [say`− journal ${size(journal.size.value)}, where it is thickest`] : [];
  const lines: Saying[] =
    by === 'with shells' && housing
      ? [say`housing with shells ${size(housing.value)}`, ...journalLine]
      : by === 'apart' && bare
        ? [
            say`bare housing ${size(bare.value)}`,
            ...(shells.sizes.length === 1
              ? [say`− 2 × shell ${size(shells.sizes[0]?.value ?? 0)} (one half was read)`]
              : shells.sizes.map((s) => say`− shell ${size(s.value)}`)),
            ...journalLine,
          ]
        : [say`crushed thread: ${clear(clearance.low)} to ${clear(clearance.high)}`];
  return [
    ...lines,
    say`= ${clear(value)} ± ${clear(uncertainty)}`,
    ...(zeroed ? [say`the gauge was zeroed on this journal: how it was read drops out`] : []),
    ...(otherwise === null ? [] : [say`measured the other way it comes to ${clear(otherwise)}`]),
    ...(by !== 'thread' && check
      ? [
          say`crushed thread, as a check: ${clear(check.low)} to ${clear(check.high)}: ${check.agrees ? 'agrees' : 'does not agree'}`,
        ]
      : []),
  ];
}

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
export function heldAdvice(what: keyof typeof TIGHT, held: HeldAgainst): Saying {
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
      return held.lowSide === 'under the limit'
        ? say`At its least, as near as these tools can tell.`
        : say`As it should be.`;
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
