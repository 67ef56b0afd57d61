/** The half shells that are in a bearing. */
import type { Nm } from '../../foundation/quantity/length';
import { type BearingKind, type FittedShells, type ShellChoices, STANDARD } from './choices';

/** The halves that are in a bearing: as said, else two standard ones. */
export const fittedAt = ({ fitted }: Pick<ShellChoices, 'fitted'>, place: string): FittedShells =>
  fitted.find((f) => f.place === place) ?? { place, upper: STANDARD, lower: STANDARD };

/** How far under its first size the journal of a bearing is ground, by the shells that are in it. */
export const underAt = (shells: ShellChoices, kind: BearingKind, place: string): Nm => {
  const { upper } = fittedAt(shells, place);
  return shells.stock[kind].find((s) => s.id === upper)?.under ?? 0;
};
