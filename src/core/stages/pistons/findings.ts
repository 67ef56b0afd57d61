/** What is to be known of pistons, their pins, and their clearances. */
import { type Supplied, type JudgedBore, foundWords, joined, slipWords, suppliedFindings } from '../bores';
import { type Message, clear, fine, raw, say, size } from '../../foundation/quantity/message';
import { type Finding, type Severity, about } from '../contract/finding';
import type { Cylinder } from '../../foundation/engine/engine';
import { acceptedWords, lapsedWords } from '../../record/reading';
import type { JudgedPiston } from './pistonSize';
import { clearanceIsDone } from '../../models/clearance/clearance';
import type { JudgedClearance } from './clearance';
import { chanceWords } from '../../foundation/verdict/decide';

/** A cylinder with what its clearance comes from. */
interface Cleared extends Cylinder {
  bore: JudgedBore;
  piston: JudgedPiston;
  pistonSupplied: Supplied;
  clearance: JudgedClearance;
}

/** Of one piston and its pin. */
function pistonFindings({ id, label, outlier, size: sized, read, pin }: JudgedPiston): Finding[] {
  const at = (severity: Severity, says: Message): Finding => about(severity, 'pistons', id, says);
  const out: Finding[] = [];
  // read again and found the same, it is so
  if (outlier && sized)
    out.push(
      at(
        read > 1 && !sized.disagreement ? 'note' : 'mend',
        say`Piston ${label}: ${size(sized.value)} is ${fine(Math.abs(outlier.off))} off the others, about ${size(outlier.neighbours)}. ${slipWords(outlier.slip)}`,
      ),
    );
  if (sized?.disagreement)
    out.push(
      at(
        'mend',
        say`Piston ${label}: readings disagree, ${size(sized.disagreement.least)} and ${size(sized.disagreement.most)}; the larger counts. Read it twice more at the gauge point, or strike out the wrong one.`,
      ),
    );
  const { clearance } = pin;
  if (!clearance || clearance.state === 'in window') return out;
  const { value, uncertainty, state, accepted, lapsed } = clearance;
  if (accepted)
    return [
      ...out,
      at('note', say`Piston ${label}: pin clearance ${raw(value)} is ${state}, ${acceptedWords(accepted)}.`),
    ];
  const before = lapsed ? lapsedWords(lapsed) : '';
  if (state === 'tight')
    out.push(
      at(
        'stop',
        say`Piston ${label}: pin clearance ${raw(value)} is too small; the pin can seize in its bore.${before}`,
      ),
    );
  if (state === 'over')
    out.push(at('mend', say`Piston ${label}: pin clearance ${raw(value)} is too large; it will knock.${before}`));
  if (state === 'not proven')
    out.push(
      at(
        'mend',
        say`Piston ${label}: pin clearance ${raw(value)} ± ${raw(uncertainty)} is too near its limit to be sure: read pin and pin bore again, or accept it with a reason.${before}`,
      ),
    );
  return out;
}

/** Of the clearance of one cylinder. */
function clearanceFindings({ clearance, label, id, bore }: Cleared): Finding[] {
  const at = (severity: Severity, says: Message): Finding => about(severity, 'pistons', id, says);
  const { value, state, chance, uncertainty, target, strip, accepted } = clearance;
  if (value === null) return [];
  if (value < 0)
    return [
      at('stop', say`Cylinder ${label}: the piston reads ${clear(-value)} larger than its bore. Read both again.`),
    ];
  const out: Finding[] = clearance.lapsed
    ? [at('note', say`Cylinder ${label}, clearance:${lapsedWords(clearance.lapsed)}`)]
    : [];
  if (strip.check && !strip.check.agrees)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: ${joined(strip.check.working)}. One of the readings is off: measure bore and piston again.`,
      ),
    );
  if (!target.set) return out;
  const { least, most } = target.inForce;
  const where = bore.shape ? ` (at ${foundWords(bore.shape.smallest)})` : '';
  if (accepted && !clearanceIsDone(state))
    return [
      ...out,
      at('note', say`Cylinder ${label}: clearance ${clear(value)}${where} is ${state}, ${acceptedWords(accepted)}.`),
    ];
  if (state === 'tight')
    out.push(
      at(
        'stop',
        say`Cylinder ${label}: clearance ${clear(value)}${where} is under ${clear(least)}. Too tight, a piston scuffs and seizes: hone, or try another piston.`,
      ),
    );
  if (state === 'over' && most !== null)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: clearance ${clear(value)} is over ${clear(most)}. Too loose, a piston rocks and ruins the ring seal: try a larger piston.`,
      ),
    );
  if (state === 'not proven')
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: clearance ${clear(value)} ± ${clear(uncertainty)}${where} against a least of ${clear(least)}: the chance that it is too tight is ${chanceWords(chance ?? 0)}. Read both again, with finer tools if there are any.`,
      ),
    );
  return out;
}

/** A clearance that is only reported, and would be too tight or too loose if it were so. */
function reportedFindings({ id, label, clearance: { reported } }: Cleared): Finding[] {
  if (reported && reported.from !== 'reported' && reported.state !== 'tight' && reported.state !== 'over')
    return [
      about(
        'note',
        'pistons',
        id,
        say`Cylinder ${label}: the bore is still to be machined; in the ${reported.from} bore the clearance is ${clear(reported.value)}.`,
      ),
    ];
  if (reported?.state !== 'tight' && reported?.state !== 'over') return [];
  const too = reported.state === 'tight' ? 'tight' : 'loose';
  return [
    about(
      'mend',
      'pistons',
      id,
      say`Cylinder ${label}: ${reported.from === 'reported' ? 'by what was reported of bore and piston' : `in the ${reported.from} bore`} the clearance is ${clear(reported.value)}: too ${too}. ${reported.from === 'reported' ? 'Measure before the piston goes in.' : 'Check the bore size before it is machined.'}`,
    ),
  ];
}

/**
 * What is to be known of pistons and their clearances.
 *
 * @example findings(null, [cylinder]).map((f) => f.severity) // [ 'mend' ]
 */
export const findings = (_engine: unknown, cylinders: readonly Cleared[]): Finding[] =>
  cylinders.flatMap((c) => [
    ...pistonFindings(c.piston),
    ...clearanceFindings(c),
    ...reportedFindings(c),
    ...suppliedFindings('pistons', c.id, `Piston ${c.piston.label}`, c.pistonSupplied, c.piston.size),
  ]);
