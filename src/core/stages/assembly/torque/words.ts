/** What is asked of fasteners, in words. */
import type { Units } from '../../../foundation/quantity/length';
import { rangeText } from '../../../foundation/quantity/format';
import { type MilliNm, bothTorques, torqueText } from '../../../foundation/quantity/torque';
import type { FastenerGroup } from './fastenerGroups';
import type { ToTighten } from './torqueRecord';

/**
 * The figure of a group with its lubricant, such as `30, 60 lb·ft, then 90°, with engine oil`.
 */
export function figureWords({ steps, angle, stretch, lubricant }: FastenerGroup, units: Units): string {
  const unit = units === 'metric' ? ' N·m' : ' lb·ft';
  const torques = steps.map((s) => torqueText(s, units).replace(unit, '')).join(', ');
  const turns = [
    torques === '' ? null : `${torques}${unit}`,
    angle === null ? null : `${torques === '' ? '' : 'then '}${angle}°`,
    stretch === null
      ? null
      : `${torques === '' ? '' : 'then '}to a stretch of ${rangeText(stretch.from, stretch.to, units, 'clearance')}`,
  ];
  return `${turns.filter(Boolean).join(', ')}, with ${lubricant}`;
}

/**
 * What is to be done to a fastener.
 *
 * @param torque what the wrench is set to for a stretch; null where nobody can say
 */
export function toDoWords(group: FastenerGroup, next: ToTighten, units: Units, torque: MilliNm | null): string {
  switch (next.what) {
    case 'free':
      return 'its length, before it goes in';
    case 'step':
      return `${bothTorques(next.torque ?? 0, units)}${group.steps.length > 1 ? `, step ${(next.step ?? 0) + 1} of ${group.steps.length}` : ''}`;
    case 'angle':
      return `${next.angle}° more`;
    case 'stretch':
      return torque === null ? 'gauge zeroed, torqued, its stretch' : `${bothTorques(torque, units)}, then its stretch`;
    case 'second':
      return `second round${next.torque === null ? '' : `, wrench at ${bothTorques(next.torque, units)}`}`;
    case 'back':
      return 'wrench set back to its lowest';
  }
}
