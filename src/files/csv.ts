/**
 * All readings and results of a build as CSV, safe to open in a spreadsheet.
 */
import Papa from 'papaparse';
import type { JudgedCylinder, Judgement, LoggedReading } from '@/core/build/judge';
import { toInches, toMm } from '@/core/quantity/length';
import type { Target } from '@/core/targets/target';

const COLUMNS = [
  'cylinder', 'place', 'what', 'entry', 'value_mm', 'value_in', 'not_passing_mm', 'typed', 'by', 'at_utc', 'instrument', 'temperature_c',
  'in_force', 'void_reason', 'state', 'target_min_mm', 'target_aim_to_mm', 'target_limit_mm', 'target_from',
] as const; // prettier-ignore

type Row = Record<(typeof COLUMNS)[number], string>;

const EMPTY = Object.fromEntries(COLUMNS.map((c) => [c, ''])) as Row;

const mm = (nm: number | null): string => (nm === null ? '' : toMm(nm).toFixed(6));

function targetCells(target: Target): Partial<Row> {
  if (!target.set) return { target_from: target.ask };
  const { min, aimTo, limit, from, rank } = target.inForce;
  return { target_min_mm: mm(min), target_aim_to_mm: mm(aimTo), target_limit_mm: mm(limit), target_from: `${rank}: ${from}` };
}

function readingRow(cylinder: JudgedCylinder, pass: LoggedReading, inForce: LoggedReading | null): Row {
  return {
    ...EMPTY,
    cylinder: cylinder.label,
    place: cylinder.id,
    what: pass.subject,
    entry: 'reading',
    value_mm: mm(pass.value),
    value_in: toInches(pass.value).toFixed(7),
    not_passing_mm: mm(pass.upTo),
    typed: pass.typed,
    by: pass.by,
    at_utc: pass.at,
    instrument: pass.instrument ?? '',
    temperature_c: pass.temperature === null ? '' : String(pass.temperature),
    in_force: pass.id === inForce?.id ? 'yes' : 'no',
    void_reason: pass.voided?.reason ?? '',
  };
}

function cylinderRows(cylinder: JudgedCylinder): Row[] {
  const { bore, piston, clearance, rings } = cylinder;
  const result = (what: string, value: number | null, state: string, target: Target): Row => ({
    ...EMPTY,
    cylinder: cylinder.label,
    place: cylinder.id,
    what,
    entry: 'result',
    value_mm: mm(value),
    value_in: value === null ? '' : toInches(value).toFixed(7),
    state,
    ...targetCells(target),
  });
  return [
    ...[bore, piston].flatMap((sized) => sized.passes.map((pass) => readingRow(cylinder, pass, sized.reading))),
    result('clearance', clearance.value, clearance.state, clearance.target),
    ...Object.values(rings).flatMap((ring) => [
      ...ring.passes.map((pass) => readingRow(cylinder, pass, ring.reading)),
      result(ring.ring, ring.reading?.value ?? null, ring.state, ring.target),
    ]),
  ];
}

/**
 * The CSV text, one row a reading and one a result. Cells that a spreadsheet would take for a formula
 * (they begin with = + - @ tab or carriage return, OWASP) get an apostrophe in front.
 */
export function writeCsv(judgement: Judgement): string {
  const rows = judgement.cylinders.flatMap(cylinderRows);
  return Papa.unparse({ fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((c) => row[c])) }, { escapeFormulae: /^[=+\-@\t\r]/ });
}
