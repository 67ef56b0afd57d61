/** What is read, and where, in a few words. */
import { DEPTH_WORDS, type Spot, isThrust } from '@/core/bore/grid';
import type { JudgedCylinder } from '@/core/build/judge';
import type { Subject } from '@/core/build/record';
import type { At } from '@/core/build/work';
import { RING_WORDS } from '@/core/ring/ring';

export const SUBJECT_WORDS: Record<Subject, string> = {
  bore: 'bore',
  piston: 'piston',
  pin: 'pin',
  pinBore: 'pin bore',
  strip: 'feeler strip',
  topSide: 'top groove, axial',
  secondSide: 'second groove, axial',
  oilSide: 'oil groove, axial',
  topLand: 'top ring under the land',
  secondLand: 'second ring under the land',
  oilLand: 'oil pack under the land',
  ...RING_WORDS,
};

export const isFineSubject = (subject: Subject): boolean =>
  subject !== 'bore' && subject !== 'piston' && subject !== 'pin' && subject !== 'pinBore';

/** A direction in a word: `square`, `along`, `30°`. */
export const shortDirection = (angle: number): string =>
  isThrust(angle) ? 'square' : angle === 0 ? 'along' : `${Math.round(angle * 10) / 10}°`;

/** A depth in a word or two. */
export const shortDepth = (depth: Spot['depth']): string =>
  DEPTH_WORDS[depth].replace(' of ring travel', '').replace(' ring travel', '');

/** A thing to read with its cylinder, e.g. `Cylinder 3, second ring` or `Cylinder 3, top, square`. */
export function taskWords(cylinder: JudgedCylinder | undefined, { subject, spot }: At): string {
  const label = cylinder?.label ?? '?';
  if (spot) return `Cylinder ${label}, ${shortDepth(spot.depth)}, ${shortDirection(spot.angle)}`;
  const piston =
    cylinder && cylinder.piston.id !== cylinder.id && subject !== 'strip' ? ` ${cylinder.piston.label}` : '';
  return `Cylinder ${label}, ${SUBJECT_WORDS[subject]}${subject === 'piston' ? piston : ''}`;
}
