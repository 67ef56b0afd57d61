/**
 * What the parser should know about the thing being read: the engine's units, the bore, and the size its
 * neighbours or the plan lead one to expect.
 */
import type { ParseContext } from '../foundation/quantity/readingField';
import type { Nm, Units } from '../foundation/quantity/length';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';
import { isRing } from '../foundation/parts/rings';
import type { JudgedBearing } from '../stages/journals/types';
import type { Subject } from './registry';
import { SUBJECTS } from './stageTables';
import { type JudgedPlace, type Judgement, expectedAt, isCylinder, journalAt } from './judgement';

/** The middle of what the clearance of a bearing is aimed at; null where nobody says. */
function aimOf({ target }: JudgedBearing['clearance']): Nm | null {
  if (!target.set) return null;
  const { aimFrom, aimTo } = target.inForce;
  return Math.round((aimFrom + (aimTo ?? aimFrom)) / 2);
}

/** What a gauge was zeroed at for a place, as a size; null where it was not, its part is not measured, or the zero has no size yet. */
export function settingFor(judgement: Judgement, setting: GaugeSetting | null, place: JudgedPlace): Nm | null {
  if (setting === 'here') return null;
  if (setting === 'piston') return isCylinder(place) ? (place.piston.size?.value ?? null) : null;
  if (setting !== 'journal' && setting !== 'aim') return setting;
  const bearing = journalAt(judgement, place);
  const journal = bearing?.journal.size?.value ?? null;
  const more = setting === 'aim' && bearing ? aimOf(bearing.clearance) : 0;
  return journal === null || more === null ? null : journal + more;
}

/** What has to be done before a gauge that is set to each part can be read at a place; undefined for nothing. */
function settingAsk(setting: GaugeSetting | null, place: JudgedPlace): string | undefined {
  if (setting === 'piston' && isCylinder(place))
    return `The gauge is set to each cylinder’s piston, and piston ${place.piston.label} is not measured yet.`;
  if (setting === 'journal') return 'The gauge is set to each journal, and this one is not measured yet.';
  return setting === 'aim'
    ? 'The gauge is set to each journal and the clearance aimed at, and one of them is not known yet.'
    : undefined;
}

/** The setting of the gauge in hand; null where it was not set. */
export const settingOf = ({ log }: Judgement, instrument: string | null): GaugeSetting | null =>
  log.settings.get(instrument ?? '')?.to ?? null;

/** The zero that the gauge in hand was last set to in a bore, by its id; null where it was set otherwise since. */
export const zeroOf = ({ log }: Judgement, instrument: string | null): string | null =>
  log.settings.get(instrument ?? '')?.zero ?? null;

/** How far past where the aim begins a gap is still no slip, where its target has no upper end. From memory. */
const OPEN_END = 1.6;

/** From the minimum to the most of a ring in its cylinder; null for anything else, and without a target. */
function windowOf(place: JudgedPlace, subject: Subject): ParseContext['window'] {
  const target = isRing(subject) && isCylinder(place) ? place.rings[subject].target : null;
  if (!target?.set) return null;
  const { least, aimFrom, most } = target.inForce;
  return { least, most: most ?? Math.round(aimFrom * OPEN_END) };
}

/** Sizes further than this from each other are not read with one setting of a gauge: 5 mm. From memory. */
const REACH = 5_000_000;

/**
 * Context for reading one subject of one place.
 *
 * @param units the system bare numbers are spoken in just now
 * @param instrument key of the tool in hand, or null
 * @example contextFor(judgement, cylinder, 'top', 'imperial').bore // 103256080
 */
export function contextFor(
  judgement: Judgement,
  place: JudgedPlace,
  subject: Subject,
  units: Units,
  instrument: string | null = null,
): ParseContext {
  const { field, number } = SUBJECTS[subject];
  const setting = settingOf(judgement, instrument);
  const zero = zeroOf(judgement, instrument);
  const kit = instrument === null ? null : (judgement.log.tools.get(instrument)?.kit ?? null);
  const expected = expectedAt(judgement, place, subject, units);
  const set = setting === 'here' ? (field === 'housing' ? null : zero) : settingFor(judgement, setting, place);
  const isFar = field === 'housing' && typeof set === 'number' && expected && Math.abs(set - expected.nm) > REACH;
  return {
    field,
    units,
    bore: number === 'bearing' || number === 'rod' || !isCylinder(place) ? null : (place.targetBore?.nm ?? null),
    expected,
    setting: isFar ? null : set,
    zero,
    window: windowOf(place, subject),
    settingAsk: settingAsk(setting, place),
    dial: kit && { division: kit.division, turn: kit.turn },
  };
}
