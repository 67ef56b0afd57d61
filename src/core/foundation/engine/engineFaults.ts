import { type Engine, MOST_CYLINDERS, hasTwoBanks } from './engine';

/**
 * What is wrong with an engine's figures, as sentences; empty when nothing is.
 *
 * @example
 *   engineFaults({ layout: 'vee', cylinders: 0, bankAngle: 90, rotation: 'clockwise', numbering: { scheme:
 *   'alternate', start: 'front', firstBank: 'left' } })
 *   // [ 'Cylinders: 1 to 16, whole.', 'An engine with two banks has two cylinders or more.' ]
 */
export function engineFaults(engine: Engine): string[] {
  const { layout, cylinders, bankAngle, numbering } = engine;
  const faults: string[] = [];
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > MOST_CYLINDERS)
    faults.push(`Cylinders: 1 to ${MOST_CYLINDERS}, whole.`);
  if (layout === 'single' && cylinders !== 1) faults.push('A single has one cylinder.');
  if (layout === 'inline' && cylinders < 2) faults.push('An in-line engine has two cylinders or more.');
  if (hasTwoBanks(layout) && cylinders < 2) faults.push('An engine with two banks has two cylinders or more.');
  if (layout === 'vee' && !(bankAngle > 0 && bankAngle < 180))
    faults.push('Bank angle of a V: more than 0° and less than 180°.');
  if (layout === 'flat' && bankAngle !== 180) faults.push('Bank angle of a flat engine: 180°.');
  if (!hasTwoBanks(layout) && bankAngle !== 0) faults.push('Bank angle on one bank: 0°.');
  if (hasTwoBanks(layout) === (numbering.scheme === 'sequence'))
    faults.push(
      hasTwoBanks(layout) ? 'Two banks need a numbering for two banks.' : 'One bank is numbered in sequence.',
    );
  return faults;
}
