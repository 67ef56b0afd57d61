/**
 * The starting charts: factor × bore by duty. From memory and common practice; every figure here is
 * unsourced until someone confirms it against a sheet. A null means that no figure is offered and the
 * sheet packed with the rings or pistons is asked for.
 * A factor has no dimension: 0.0045 in per inch is 0.0045 mm per mm.
 */

export const DUTIES = ['plain', 'street', 'race', 'marine', 'boostLow', 'boostHigh', 'nitrousLow', 'nitrousHigh', 'diesel'] as const;
export type Duty = (typeof DUTIES)[number];

export const CONSTRUCTIONS = ['cast', 'hypereutectic', 'forged4032', 'forged2618'] as const;
/** How the piston is made. It decides the gap as much as the duty does. */
export type Construction = (typeof CONSTRUCTIONS)[number];

export const DUTY_WORDS: Record<Duty, string> = {
  plain: 'plain rebuild, naturally aspirated',
  street: 'performance street, naturally aspirated',
  race: 'oval or drag, naturally aspirated',
  marine: 'marine or towing, long full load',
  boostLow: 'boost to 15 psi (1.03 bar)',
  boostHigh: 'boost over 15 psi (1.03 bar)',
  nitrousLow: 'nitrous to 200 hp',
  nitrousHigh: 'nitrous over 200 hp',
  diesel: 'turbo diesel',
};

export const CONSTRUCTION_WORDS: Record<Construction, string> = {
  cast: 'cast',
  hypereutectic: 'hypereutectic, high ring',
  forged4032: 'forged, high silicon (4032 type)',
  forged2618: 'forged, low silicon (2618 type)',
};

export interface GapFactors {
  top: number;
  second: number;
}

type GapColumn = 'forged' | 'cast' | 'hypereutectic';

const both = (top: number, second: number): GapFactors => ({ top, second });

const GAP_CHART: Record<Duty, Record<GapColumn, GapFactors | null>> = {
  plain: { forged: both(0.004, 0.0045), cast: both(0.004, 0.0045), hypereutectic: both(0.0065, 0.005) },
  street: { forged: both(0.0045, 0.005), cast: both(0.004, 0.0045), hypereutectic: both(0.0065, 0.005) },
  race: { forged: both(0.005, 0.0055), cast: both(0.005, 0.0055), hypereutectic: both(0.0068, 0.0055) },
  marine: { forged: both(0.0055, 0.006), cast: both(0.005, 0.0055), hypereutectic: both(0.008, 0.006) },
  boostLow: { forged: both(0.006, 0.0063), cast: null, hypereutectic: both(0.008, 0.0065) },
  boostHigh: { forged: both(0.0067, 0.007), cast: null, hypereutectic: null },
  nitrousLow: { forged: both(0.006, 0.0063), cast: null, hypereutectic: both(0.008, 0.0065) },
  nitrousHigh: { forged: both(0.007, 0.0073), cast: null, hypereutectic: null },
  diesel: { forged: both(0.006, 0.0063), cast: both(0.005, 0.0055), hypereutectic: null },
};

const columnOf = (construction: Construction): GapColumn =>
  construction === 'cast' || construction === 'hypereutectic' ? construction : 'forged';

/** The chart's gap factors for a duty and a piston, or null where it offers none. */
export const gapFactors = (duty: Duty, construction: Construction): GapFactors | null => GAP_CHART[duty][columnOf(construction)];

/** The oldest rule: 0.004 in of gap per inch of bore, naturally aspirated, as a minimum. Common practice, no source. */
export const OLD_RULE = 0.004;

type ClearanceColumn = 'street' | 'race' | 'boosted';

const CLEARANCE_CHART: Record<'castLike' | '4032' | '2618', Record<ClearanceColumn, number>> = {
  castLike: { street: 0.0005, race: 0.0007, boosted: 0.0009 },
  '4032': { street: 0.0007, race: 0.0009, boosted: 0.001 },
  '2618': { street: 0.001, race: 0.0011, boosted: 0.0013 },
};

/** Turbo diesel competition, whatever the piston. From memory. */
const DIESEL_CLEARANCE = 0.0017;

const CLEARANCE_COLUMNS: Record<Exclude<Duty, 'diesel'>, ClearanceColumn> = {
  plain: 'street',
  street: 'street',
  race: 'race',
  marine: 'race',
  boostLow: 'boosted',
  boostHigh: 'boosted',
  nitrousLow: 'boosted',
  nitrousHigh: 'boosted',
};

/** The chart's piston-to-wall factor for a duty and a piston. Long full load counts as race. From memory. */
export function clearanceFactor(duty: Duty, construction: Construction): number {
  if (duty === 'diesel') return DIESEL_CLEARANCE;
  const row = construction === 'forged4032' ? '4032' : construction === 'forged2618' ? '2618' : 'castLike';
  return CLEARANCE_CHART[row][CLEARANCE_COLUMNS[duty]];
}
