/**
 * What the parser should know about the thing being read: the engine's units, the bore, and the size its
 * neighbours or the plan lead one to expect.
 */
import { type Nm, type Units, toInches, toMm } from '../quantity/length';
import { median } from '../piston/piston';
import type { BenchContext, Field } from '../quantity/bench';
import { instrumentKey } from '../uncertainty/instrument';
import type { JudgedCylinder, Judgement } from './judge';
import type { GaugeSetting, Subject } from './record';

/** How near a size should be to its neighbours, to the plan, and a piston to its bore, before it is questioned at entry. From memory. */
const NEAR = {
  bore: 250_000,
  piston: 100_000,
  pin: 100_000,
  plan: 1_600_000,
  pistonUnderBore: 100_000,
  pistonToBore: 300_000,
};

const said = (nm: Nm, units: Units): string =>
  units === 'metric' ? `${toMm(nm).toFixed(3)} mm` : `${toInches(nm).toFixed(4)} in`;

const near = (values: Nm[], within: Nm, whose: string, units: Units): BenchContext['expected'] => {
  const nm = median(values);
  return values.length === 0 ? null : { nm, within, because: `${whose} about ${said(nm, units)}` };
};

function expectedBore({ cylinders, job }: Judgement, cylinder: JudgedCylinder, units: Units): BenchContext['expected'] {
  const here = cylinder.bore.spots.flatMap((s) => s.value ?? []);
  const others = cylinders.flatMap((c) => (c.id === cylinder.id ? [] : (c.bore.size?.value ?? [])));
  const planned = job?.plannedBore ?? null;
  return (
    near(here, NEAR.bore, 'this bore reads', units) ??
    near(others, NEAR.bore, 'the other bores read', units) ??
    (planned === null
      ? null
      : { nm: planned, within: NEAR.plan, because: `the planned bore is ${said(planned, units)}` })
  );
}

function expectedPiston({ pistons, job }: Judgement, cylinder: JudgedCylinder, units: Units): BenchContext['expected'] {
  const others = pistons.flatMap((p) => (p.id === cylinder.piston.id ? [] : (p.size?.value ?? [])));
  const found = near(others, NEAR.piston, 'the other pistons read', units);
  if (found) return found;
  const { targetBore } = cylinder;
  if (targetBore)
    return {
      nm: targetBore.nm - NEAR.pistonUnderBore,
      within: NEAR.pistonToBore,
      because: `its bore is ${targetBore.measured ? '' : 'planned as '}${said(targetBore.nm, units)}`,
    };
  const planned = job?.plannedBore ?? null;
  return planned === null
    ? null
    : { nm: planned, within: NEAR.plan, because: `the planned bore is ${said(planned, units)}` };
}

function expectedPin({ pistons }: Judgement, units: Units): BenchContext['expected'] {
  return near(
    pistons.flatMap((p) => [p.pin.pin?.value ?? [], p.pin.bore?.value ?? []].flat()),
    NEAR.pin,
    'the other pins and their bores read',
    units,
  );
}

function expectedOf(
  judgement: Judgement,
  cylinder: JudgedCylinder,
  subject: Subject,
  units: Units,
): BenchContext['expected'] {
  if (subject === 'bore') return expectedBore(judgement, cylinder, units);
  if (subject === 'piston') return expectedPiston(judgement, cylinder, units);
  return subject === 'pin' || subject === 'pinBore' ? expectedPin(judgement, units) : null;
}

/** What the planned bore should be near to: the median of the bores read so far, or null when none is. */
export function expectedPlan({ cylinders, job }: Judgement): BenchContext['expected'] {
  const read = cylinders.flatMap((c) => c.bore.size?.value ?? []);
  if (read.length === 0) return null;
  const nm = median(read);
  return { nm, within: NEAR.plan, because: `the bores read about ${said(nm, job?.units ?? 'metric')}` };
}

const FIELDS: Partial<Record<Subject, Field>> = {
  bore: 'bore',
  piston: 'piston',
  pin: 'pin',
  pinBore: 'pin',
  strip: 'clearance',
  top: 'gap',
  second: 'gap',
  topSide: 'groove',
  secondSide: 'groove',
  oilSide: 'groove',
  topLand: 'land',
  secondLand: 'land',
  oilLand: 'land',
};

/** What a gauge was zeroed at for a cylinder, as a size; null where it was not, or its piston is not measured. */
export function settingFor(setting: GaugeSetting | null, cylinder: JudgedCylinder): Nm | null {
  return setting === 'piston' ? (cylinder.piston.size?.value ?? null) : setting;
}

/** The setting of the gauge in hand; null where it was not set. */
export const settingOf = ({ settings }: Judgement, instrument: string | null): GaugeSetting | null =>
  settings.get(instrument ?? '')?.to ?? null;

/**
 * Context for reading one subject of one cylinder.
 *
 * @param units the system bare numbers are spoken in just now
 * @param instrument key of the tool in hand, or null
 */
export function contextFor(
  judgement: Judgement,
  cylinder: JudgedCylinder,
  subject: Subject,
  units: Units,
  instrument: string | null = null,
): BenchContext {
  const setting = settingOf(judgement, instrument);
  const kit = judgement.instruments.find((i) => instrumentKey(i) === instrument)?.kit ?? null;
  return {
    field: FIELDS[subject] ?? 'rail',
    units,
    bore: cylinder.targetBore?.nm ?? null,
    expected: expectedOf(judgement, cylinder, subject, units),
    setting: settingFor(setting, cylinder),
    settingAsk:
      setting === 'piston'
        ? `The gauge is set to each cylinder’s piston, and piston ${cylinder.piston.label} is not measured yet.`
        : undefined,
    dial: kit && { division: kit.division, turn: kit.turn },
  };
}
