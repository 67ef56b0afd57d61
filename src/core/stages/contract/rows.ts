/** Rows of the table of readings and results. Lengths go out in millimetres and in inches. */
import { type Nm, toInches, toMm } from '../../foundation/quantity/length';
import type { Log } from '../../record/log';
import { type Acceptance, type LoggedCut, type LoggedReading, acceptedWords } from '../../record/reading';
import type { Target } from '../../models/targets/target';
import type { Row } from './report';

/** Whom a row is of: a cylinder, or a piston by its number. */
export interface Owner {
  id: string;
  label: string;
}

const mm = (nm: Nm | null): string => (nm === null ? '' : toMm(nm).toFixed(6));
const celsius = (value: number | null): string => (value === null ? '' : String(value));

function targetCells(target: Target): Row {
  if (!target.set) return { target_from: target.ask };
  const { least, aimFrom, aimTo, most, mostHard, from, rank } = target.inForce;
  return {
    target_least_mm: mm(least),
    target_aim_from_mm: mm(aimFrom),
    target_aim_to_mm: mm(aimTo),
    target_most_mm: mm(most),
    target_most_is_hard: most === null ? '' : mostHard ? 'yes' : 'no',
    target_from: `${rank}: ${from}`,
  };
}

const toolName = ({ tools }: Log, key: string | null): string => (key === null ? '' : (tools.get(key)?.name ?? key));

/** One reading, and whether it is in force. */
export function readingRow({ label, id }: Owner, pass: LoggedReading, inForce: boolean, log: Log): Row {
  return {
    cylinder: label,
    place: id,
    what: pass.unsized ? `${pass.subject}_from_zero` : pass.subject,
    depth: pass.place?.depth ?? pass.fit?.depth ?? '',
    direction_deg: pass.place ? String(pass.place.angle) : '',
    entry: 'reading',
    value_mm: mm(pass.value),
    value_in: toInches(pass.value).toFixed(7),
    not_passing_mm: mm(pass.upTo),
    typed: pass.typed,
    by: pass.by,
    at_utc: pass.at,
    instrument: toolName(log, pass.instrument),
    temperature_c: celsius(pass.temperature),
    gauge_temperature_c: celsius(pass.gaugeTemperature),
    torque_plate: pass.plate === null ? '' : pass.plate ? 'on' : 'off',
    ring: pass.fit?.ring ?? '',
    deburred: pass.fit?.deburred ? 'yes' : '',
    squared: pass.fit?.squared ? 'yes' : '',
    in_force: inForce ? 'yes' : 'no',
    void_reason: pass.voided?.reason ?? '',
  };
}

/** One cut of a ring. */
export const cutRow = (
  { label, id }: Owner,
  { ring, cylinder, filer, count, by, at, voided }: LoggedCut,
  log: Log,
): Row => ({
  cylinder: label,
  place: id,
  what: ring,
  ring: cylinder,
  entry: 'cut',
  count: count === null ? '' : String(count),
  by,
  at_utc: at,
  instrument: toolName(log, filer),
  void_reason: voided?.reason ?? '',
});

/**
 * A result: a length, or none yet, what the tools leave in doubt of it, and how it is judged.
 *
 * @example resultRow({ id: 'L1', label: '1' }, 'top', fromThou(22), null, 'in window', null).value_in // '0.0220000'
 */
export const resultRow = (
  { label, id }: Owner,
  what: string,
  value: Nm | null,
  uncertainty: Nm | null,
  state: string,
  target: Target | null,
  accepted: Acceptance | null = null,
): Row => ({
  cylinder: label,
  place: id,
  what,
  entry: 'result',
  value_mm: mm(value),
  value_in: value === null ? '' : toInches(value).toFixed(7),
  uncertainty_mm: mm(uncertainty),
  state,
  accepted: accepted ? acceptedWords(accepted) : '',
  ...(target ? targetCells(target) : {}),
});

/**
 * What was ordered and reported of a part, for the table.
 *
 * @example suppliedRows(cylinder, 'bore', cylinder.boreSupplied).length // 0
 */
export const suppliedRows = (
  owner: { id: string; label: string },
  what: string,
  { ordered, reported }: { ordered: Nm | null; reported: Nm | null },
): Row[] => [
  ...(ordered === null ? [] : [resultRow(owner, `${what}_ordered`, ordered, null, '', null)]),
  ...(reported === null ? [] : [resultRow(owner, `${what}_reported`, reported, null, '', null)]),
];
