/** The entries that what is done at a screen makes. Pure: who and when is given with each. */
import { againstOf } from '../stages/assembly/cylinderSteps';
import { isJointCheck } from '../stages/assembly/checks';
import { isBearingCheck } from '../record/bearingChecks';
import type { Joints } from '../foundation/parts/joints';
import {
  type Acceptable,
  type CheckEntry,
  type Logged,
  type LoggedReading,
  type PinEntry,
  type Stamp,
  isReading,
} from '../record/reading';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';
import type { FigureAtLimit } from '../foundation/verdict/figureAtLimit';
import type { ShopRate } from '../record/log';
import type { ChoiceEntry, Entry } from './buildRecord';
import type { Ring } from '../foundation/parts/rings';
import type { ChoiceKind, Choices, Subject } from './registry';
import { type Instrument, instrumentKey } from '../foundation/uncertainty/instrument';
import { readingEntryOf } from './fold';
import type { Judgement } from './judgement';
import type { NewReading } from './preview';

/** Gives each entry an id of its own, the time, and initials. */
export type Stamping = () => Stamp;

/** The value of a choice of some kind. */
export type ChoiceValue<K extends ChoiceKind> = NonNullable<Choices[K]>;

/** A choice, made over the last of its kind. */
export const choiceEntry = <K extends ChoiceKind>(
  { log }: Judgement,
  kind: K,
  value: ChoiceValue<K>,
  stamp: Stamping,
): Entry => ({ ...stamp(), kind, replaces: log.choices.get(kind)?.id ?? null, value }) as unknown as ChoiceEntry;

/** The tools a bench may take in hand, and what the shop knows of its filers. */
export interface ShopTools {
  tools: readonly Instrument[];
  rates: readonly ShopRate[];
}

/** The entries that bring a tool into a build, with what is known of it, where it is not in it yet. */
export function toolEntries({ log }: Judgement, key: string | null, shop: ShopTools, stamp: Stamping): Entry[] {
  const tool = key === null || log.tools.has(key) ? undefined : shop.tools.find((i) => instrumentKey(i) === key);
  if (!tool) return [];
  const learnt = shop.rates.filter((r) => r.filer === tool.id);
  return [
    { ...stamp(), kind: 'instrument', value: tool },
    ...learnt.map((rate): Entry => ({ ...stamp(), kind: 'rate', ...rate })),
  ];
}

/** A reading that is logged. */
export const readingEntry = (reading: NewReading, stamp: Stamping): Entry => ({
  ...stamp(),
  kind: 'reading',
  ...reading,
});

/**
 * A bore gauge that was zeroed: at a size in nm, which an earlier zero in a bore may turn out to have; or at each
 * piston. `instrument` is its key, null for none named.
 */
export const settingEntry = (
  instrument: string | null,
  to: GaugeSetting,
  sizes: string | null,
  stamp: Stamping,
): Entry => ({
  ...stamp(),
  kind: 'setting',
  instrument,
  to,
  sizes,
});

/** A bore gauge that was zeroed at a spot of a bore whose size is not known: the setting, and the reading of nought from it. */
export function zeroEntries(reading: NewReading, stamp: Stamping): [setting: Entry, nought: Entry] {
  const setting = settingEntry(reading.instrument, 'here', null, stamp);
  return [setting, readingEntry({ ...reading, value: 0, zero: setting.id }, stamp)];
}

/** A cut with a ring filer, of so many turns or strokes; null for not counted. */
export const cutEntry = (
  number: string,
  ring: Ring,
  filer: string | null,
  count: number | null,
  stamp: Stamping,
): Entry => ({ ...stamp(), kind: 'cut', cylinder: number, ring, filer, count });

/** Whether a ring was filed before a reading that is wider than those before it. */
export const filedEntry = (reading: string, was: boolean, stamp: Stamping): Entry => ({
  ...stamp(),
  kind: 'filed',
  of: reading,
  was,
});

/** A part of some numbers was machined or replaced. */
export const renewals = (part: string, numbers: readonly string[], stamp: Stamping): Entry[] =>
  numbers.map((cylinder) => ({ ...stamp(), kind: 'renewed', part, cylinder }));

/** What is accepted: a verdict by its word, and the last reading it rests on. */
export interface AcceptAsk {
  of: string;
  what: Acceptable | null;
  state: string;
  /** The figure and the limit it is accepted at. */
  held?: FigureAtLimit | null;
}

/** A verdict accepted as it is. */
export const acceptance = ({ of, what, state, held = null }: AcceptAsk, reason: string, stamp: Stamping): Entry => ({
  ...stamp(),
  kind: 'accepted',
  of,
  what,
  state,
  reason,
  held,
});

/**
 * An earlier entry struck out, and why.
 *
 * @example
 *   voiding('r-1', 'misread', () => ({ id: 'v', at: '2026-05-04T09:00:00.000Z', by: 'AB' }))
 *   // { id: 'v', at: '2026-05-04T09:00:00.000Z', by: 'AB', kind: 'void', of: 'r-1', reason: 'misread' }
 */
export const voiding = (of: string, reason: string, stamp: Stamping): Entry => ({
  ...stamp(),
  kind: 'void',
  of,
  reason,
});

/** A reading or a cut that was struck out, logged once more as it was. */
export function loggedAgain(item: Logged, stamp: Stamping): Entry {
  if (!isReading(item)) return cutEntry(item.cylinder, item.ring, item.filer, item.count, stamp);
  return { ...readingEntryOf(item as LoggedReading<Subject>), ...stamp() };
}

/** A ring's reading that was made in the bore of another cylinder than was noted: struck out, and noted there. */
export function reassigned({ labels }: Judgement, logged: LoggedReading, cylinder: string, stamp: Stamping): Entry[] {
  const reading = readingEntryOf(logged as LoggedReading<Subject>);
  const { fit } = reading;
  const unsaid = { depth: null, squaring: null, deburred: false, squared: false, open: false };
  return [
    voiding(reading.id, `it was read in the bore of cylinder ${labels.get(cylinder) ?? cylinder}`, stamp),
    { ...reading, ...stamp(), cylinder, fit: { ...unsaid, ...fit, ring: fit?.ring ?? reading.cylinder } },
  ];
}

/** A reminder pinned on a place, or on a step or a part there. */
export const pinEntry = (on: Omit<PinEntry, 'kind' | keyof Stamp>, stamp: Stamping): Entry => ({
  ...stamp(),
  kind: 'pin',
  ...on,
});

/** A step of the walk or a check at the block, with what it was held against; or of the bottom end. */
export function checkEntry(
  { cylinders }: Judgement,
  cylinder: string,
  check: CheckEntry['check'],
  found: Partial<Joints>,
  stamp: Stamping,
): Entry {
  const of = cylinders.find((c) => c.id === cylinder);
  if (isBearingCheck(check))
    return { ...stamp(), kind: 'check', cylinder, check, planned: null, found, expected: null };
  const planned = isJointCheck(check) ? (of?.clocking.plan?.joints ?? null) : null;
  const expected = of ? againstOf(check, of.clocking) : null;
  return { ...stamp(), kind: 'check', cylinder, check, planned, found, expected };
}
