/** What a reading of the bottom end comes to, said back before Enter. */
import { clear, say } from '../../foundation/quantity/message';
import type { Outcome, Place } from '../contract/stage';
import type { All, JudgedFigure, JudgedBearing, Whole } from './types';

const quiet = (soft: string): Outcome => ({ says: [], state: null, strong: null, soft: say`${soft}` });

function heldOutcome(what: string, held: JudgedFigure, waits: string): Outcome {
  if (held.value === null) return quiet(waits);
  return { says: say`${what} ${clear(held.value)}: `, state: held.state, strong: null, soft: [] };
}

function bearingOutcome({ clearance, journal }: JudgedBearing, subject: string): Outcome {
  if (subject !== 'journal') return heldOutcome('clearance', clearance, 'The journal makes a clearance of it.');
  if (clearance.value !== null) return heldOutcome('clearance', clearance, '');
  const { outOfRound, taper, state } = journal;
  if (outOfRound === null && taper === null) return quiet('');
  return {
    says: [
      ...(outOfRound === null ? [] : say`out of round ${clear(outOfRound)} `),
      ...(taper === null ? [] : say`taper ${clear(taper)} `),
    ],
    state: state === 'out' ? 'out' : null,
    strong: null,
    soft: [],
  };
}

/** What a subject of a rod comes to. */
export const outcome = (_engine: All, { rod, side, smallEnd }: Whole, subject: string): Outcome =>
  subject === 'side'
    ? heldOutcome('side clearance', side, '')
    : subject === 'smallEnd'
      ? heldOutcome('pin clearance', smallEnd, 'The pin makes a clearance of it.')
      : bearingOutcome(rod, subject);

/** What a subject of a main, the crank or a named clearance comes to. */
export function outcomeAt({ mains, crank, others }: All, { id }: Place, subject: string): Outcome {
  const main = mains.find((b) => b.id === id);
  if (main) return bearingOutcome(main, subject);
  const other = others.find((o) => o.id === id);
  if (other) return heldOutcome(other.words, other.clearance, '');
  return crank ? heldOutcome('end play', crank.endPlay, '') : quiet('');
}
