/**
 * What the parser should know about the thing being read: the engine's units, the bore, and the size its
 * neighbours or the plan lead one to expect.
 */
import type { HearingContext } from '../quantity/hear';
import type { Nm, Units } from '../quantity/length';
import type { GaugeSetting } from '../record/reading';
import { isRing } from '../rings/ring';
import { type Subject, STAGE_OF, SUBJECTS } from '../stages';
import { type JudgedCylinder, type Judgement, asked } from './judgement';

/** What a gauge was zeroed at for a cylinder, as a size; null where it was not, its piston is not measured, or the zero has no size yet. */
export function settingFor(setting: GaugeSetting | null, cylinder: JudgedCylinder): Nm | null {
  if (setting === 'here') return null;
  return setting === 'piston' ? (cylinder.piston.size?.value ?? null) : setting;
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
function windowOf({ rings }: JudgedCylinder, subject: Subject): HearingContext['window'] {
  const target = isRing(subject) ? rings[subject].target : null;
  if (!target?.set) return null;
  const { least, aimFrom, most } = target.inForce;
  return { least, most: most ?? Math.round(aimFrom * OPEN_END) };
}

/**
 * Context for reading one subject of one cylinder.
 *
 * @param units the system bare numbers are spoken in just now
 * @param instrument key of the tool in hand, or null
 * @example contextFor(judgement, cylinder, 'top', 'imperial').bore // 103256080
 */
export function contextFor(
  judgement: Judgement,
  cylinder: JudgedCylinder,
  subject: Subject,
  units: Units,
  instrument: string | null = null,
): HearingContext {
  const setting = settingOf(judgement, instrument);
  const zero = zeroOf(judgement, instrument);
  const kit = instrument === null ? null : (judgement.log.tools.get(instrument)?.kit ?? null);
  return {
    field: SUBJECTS[subject].field,
    units,
    bore: cylinder.targetBore?.nm ?? null,
    expected: asked(STAGE_OF[subject]).expected(judgement, cylinder, subject, units),
    setting: setting === 'here' ? zero : settingFor(setting, cylinder),
    zero,
    window: windowOf(cylinder, subject),
    settingAsk:
      setting === 'piston'
        ? `The gauge is set to each cylinder’s piston, and piston ${cylinder.piston.label} is not measured yet.`
        : undefined,
    dial: kit && { division: kit.division, turn: kit.turn },
  };
}
