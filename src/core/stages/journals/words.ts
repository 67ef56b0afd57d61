/** The bottom end in words: what the manual may give, where figures come from, what is looked at and why. */
import { COLD } from '../../foundation/uncertainty/expansion';
import { type Message, clear, say, size } from '../../foundation/quantity/message';
import type { Units } from '../../foundation/quantity/length';
import type { BearingCheck } from '../../record/bearingChecks';
import type { BearingKind, Method } from './choices';
import { HOT_BY } from './thermalClearance';
import type { JudgedBearing } from './types';

export const METHOD_WORDS: Record<Method, string> = {
  'with shells': 'housing with its shells in',
  apart: 'bare housing and shells apart',
  thread: 'crushed thread alone',
};

export const KIND_WORDS: Record<BearingKind, string> = { main: 'Mains', rod: 'Rods' };

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
    words: 'Rod about centred between the piston’s bosses',
    why: 'Well to one side, it is likely in backwards.',
  },
  thrustGrooves: {
    words: 'Grooves of the thrust washers face the crank',
    why: 'The other way round they get no oil and seize.',
  },
};

/** How a clearance was come by, a line each. */
export function clearanceWorking({ journal, housing, bare, shells, clearance }: JudgedBearing): Message[] {
  const { value, by, uncertainty, check, zeroed, otherwise, low, high, hot } = clearance;
  if (value === null) return [];
  const journalLine = journal.size ? [say`− journal ${size(journal.size.value)}, where it is thickest`] : [];
  const lines: Message[] =
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
  const ranged = by === 'apart';
  return [
    ...lines,
    ranged
      ? say`= ${clear(low)} to ${clear(high)} ± ${clear(uncertainty)}, with what crush adds (from memory). Measured with the shells in, it is not in question.`
      : say`= ${clear(value)} ± ${clear(uncertainty)}`,
    ...(zeroed ? [say`the gauge was zeroed on this journal: how it was read drops out`] : []),
    ...(hot === null ? [] : [say`about ${clear(hot)} hot, all of it at ${COLD + HOT_BY} °C: for information`]),
    ...(otherwise === null ? [] : [say`measured the other way it comes to ${clear(otherwise)}`]),
    ...(by !== 'thread' && check
      ? [
          say`crushed thread, as a check: ${clear(check.low)} to ${clear(check.high)}: ${check.agrees ? 'agrees' : 'does not agree'}`,
        ]
      : []),
  ];
}
