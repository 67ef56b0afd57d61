/**
 * All readings and results of a build as CSV, safe to open in a spreadsheet.
 */
import Papa from 'papaparse';
import type { JudgedCylinder, Judgement, LoggedReading } from '@/core/build/judge';
import { JOINTS } from '@/core/clocking/joints';
import type { LoggedCut } from '@/core/build/rings';
import type { JudgedPiston } from '@/core/build/sizes';
import type { Derived } from '@/core/bore/shape';
import { toInches, toMm } from '@/core/quantity/length';
import type { Target } from '@/core/targets/target';
import { instrumentKey } from '@/core/uncertainty/instrument';

const COLUMNS = [
  'cylinder', 'place', 'what', 'depth', 'direction_deg', 'entry', 'value_mm', 'value_in', 'uncertainty_mm', 'not_passing_mm', 'typed', 'by', 'at_utc',
  'instrument', 'temperature_c', 'gauge_temperature_c', 'torque_plate', 'ring', 'deburred', 'squared', 'count', 'in_force', 'void_reason', 'state', 'target_min_mm', 'target_aim_to_mm', 'target_limit_mm', 'target_from',
] as const; // prettier-ignore

type Row = Record<(typeof COLUMNS)[number], string>;

const EMPTY = Object.fromEntries(COLUMNS.map((c) => [c, ''])) as Row;

const mm = (nm: number | null): string => (nm === null ? '' : toMm(nm).toFixed(6));

function targetCells(target: Target): Partial<Row> {
  if (!target.set) return { target_from: target.ask };
  const { min, aimTo, limit, from, rank } = target.inForce;
  return {
    target_min_mm: mm(min),
    target_aim_to_mm: mm(aimTo),
    target_limit_mm: mm(limit),
    target_from: `${rank}: ${from}`,
  };
}

const celsius = (value: number | null): string => (value === null ? '' : String(value));

function readingRow(
  at: { label: string; id: string },
  pass: LoggedReading,
  inForce: boolean,
  tools: Map<string, string>,
): Row {
  return {
    ...EMPTY,
    cylinder: at.label,
    place: at.id,
    what: pass.subject,
    depth: pass.place?.depth ?? pass.fit?.depth ?? '',
    direction_deg: pass.place ? String(pass.place.angle) : '',
    entry: 'reading',
    value_mm: mm(pass.value),
    value_in: toInches(pass.value).toFixed(7),
    not_passing_mm: mm(pass.upTo),
    typed: pass.typed,
    by: pass.by,
    at_utc: pass.at,
    instrument: pass.instrument === null ? '' : (tools.get(pass.instrument) ?? pass.instrument),
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

const cutRow = (
  at: { label: string; id: string },
  { ring, cylinder, filer, count, by, at: time, voided }: LoggedCut,
  tools: Map<string, string>,
): Row => ({
  ...EMPTY,
  cylinder: at.label,
  place: at.id,
  what: ring,
  ring: cylinder,
  entry: 'cut',
  count: count === null ? '' : String(count),
  by,
  at_utc: time,
  instrument: filer === null ? '' : (tools.get(filer) ?? filer),
  void_reason: voided?.reason ?? '',
});

/** A result: a length, or none yet, and how it is judged. */
const resultRow = (
  at: { label: string; id: string },
  what: string,
  value: number | null,
  uncertainty: number | null,
  state: string,
  target: Target | null,
): Row => ({
  ...EMPTY,
  cylinder: at.label,
  place: at.id,
  what,
  entry: 'result',
  value_mm: mm(value),
  value_in: value === null ? '' : toInches(value).toFixed(7),
  uncertainty_mm: mm(uncertainty),
  state,
  ...(target ? targetCells(target) : {}),
});

/** Readings that count as repeats of one size: those not struck out, of the part as it is now. */
const counts = (pass: LoggedReading, round: number): boolean => pass.voided === null && pass.round === round;

function boreRows(cylinder: JudgedCylinder, tools: Map<string, string>): Row[] {
  const { bore } = cylinder;
  const { shape } = bore;
  const figure = (what: string, derived: Derived | null): Row[] =>
    derived ? [resultRow(cylinder, what, derived.value, derived.uncertainty, '', null)] : [];
  return [
    ...bore.passes.map((pass) => readingRow(cylinder, pass, counts(pass, bore.round), tools)),
    resultRow(cylinder, 'bore', bore.size?.value ?? null, bore.size?.uncertainty ?? null, bore.verdict.state, null),
    ...(shape
      ? [
          ...figure('taper', shape.taper.thrust ?? shape.taper.overall),
          ...figure('out_of_round', shape.outOfRound),
          ...figure('ridge', shape.ridge),
        ]
      : []),
  ];
}

function pistonRows(piston: JudgedPiston, tools: Map<string, string>): Row[] {
  const passes = [...piston.passes, ...piston.pinPasses.pin, ...piston.pinPasses.pinBore];
  const { clearance } = piston.pin;
  return [
    ...passes.map((pass) => readingRow(piston, pass, counts(pass, piston.round), tools)),
    resultRow(piston, 'piston', piston.size?.value ?? null, piston.size?.uncertainty ?? null, '', null),
    ...(clearance
      ? [resultRow(piston, 'pin_clearance', clearance.value, clearance.uncertainty, clearance.state, null)]
      : []),
  ];
}

/** Where the joints are planned, and what was checked at the block. */
function clockingRows({ label, id, clocking, block }: JudgedCylinder): Row[] {
  const joints = clocking.plan?.joints;
  return [
    ...(joints
      ? JOINTS.map((joint): Row => ({
          ...EMPTY,
          cylinder: label,
          place: id,
          what: `${joint}_joint`,
          direction_deg: String(Math.round(joints[joint] * 1000) / 1000),
          entry: 'plan',
        }))
      : []),
    ...block.checks.flatMap(({ check, state, tick }) =>
      tick
        ? [{ ...EMPTY, cylinder: label, place: id, what: check, entry: 'check', by: tick.by, at_utc: tick.at, state }]
        : [],
    ),
  ];
}

function cylinderRows(cylinder: JudgedCylinder, tools: Map<string, string>): Row[] {
  const { clearance, rings, piston, grooves } = cylinder;
  return [
    ...boreRows(cylinder, tools),
    ...pistonRows(piston, tools),
    ...grooves.passes.map((pass) =>
      readingRow(piston, pass, pass.voided === null && pass.round === piston.round, tools),
    ),
    ...clearance.strip.passes.map((pass) => readingRow(cylinder, pass, pass.voided === null, tools)),
    resultRow(
      cylinder,
      'clearance',
      clearance.value,
      clearance.value === null ? null : clearance.uncertainty,
      clearance.state,
      clearance.target,
    ),
    ...Object.values(rings).flatMap((ring) => [
      ...ring.history.map((item) =>
        item.kind === 'reading'
          ? readingRow({ ...cylinder, id: item.cylinder }, item, item.id === ring.reading?.id, tools)
          : cutRow(cylinder, item, tools),
      ),
      resultRow(
        cylinder,
        ring.ring,
        ring.gap?.value ?? null,
        ring.readIn?.move?.uncertainty ?? null,
        ring.state,
        ring.target,
      ),
      ...(ring.counts
        ? [
            resultRow(
              cylinder,
              `${ring.ring}_smallest`,
              ring.counts.gap.value,
              ring.counts.move.uncertainty,
              ring.counts.state,
              ring.target,
            ),
          ]
        : []),
    ]),
    ...clockingRows(cylinder),
  ];
}

/**
 * The CSV text, one row a reading and one a result. Cells that a spreadsheet would take for a formula
 * (they begin with = + - @ tab or carriage return, OWASP) get an apostrophe in front.
 */
export function writeCsv(judgement: Judgement): string {
  const tools = new Map(judgement.instruments.map((i) => [instrumentKey(i), i.name]));
  const rows = judgement.cylinders.flatMap((cylinder) => cylinderRows(cylinder, tools));
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((c) => row[c])) },
    { escapeFormulae: /^[=+\-@\t\r]/ },
  );
}
