/**
 * A quick ask as the address of its page, so that it can be kept and passed on: `bore=4.065in`,
 * `boost=137.895kPa`. What cannot be read is left out, never an error.
 */
import type { QuickAsk } from '@/core/job/quick';
import { MOST_CYLINDERS } from '@/core/engine/engine';
import { NM_PER_INCH, NM_PER_MM, type Nm, type Units, fromDecimal, toInches, toMm } from '@/core/quantity/length';
import { MOST_BOOST } from '@/core/quantity/pressure';
import type { ChartVersion } from '@/core/targets/chart';
import { type Adder, FUELS, USES, hearShots } from '@/core/targets/duty';
import { SURFACES, startingChoices } from '@/core/targets/target';

export type Params = Record<string, string | undefined>;

const oneOf = <T extends string>(options: readonly T[], text: string | undefined): T | null =>
  options.find((o) => o === text) ?? null;

/** Least and most bore that is taken: 10 to 500 mm. */
const BORES = [10 * NM_PER_MM, 500 * NM_PER_MM] as const;

function readLength(text: string | undefined): Nm | null {
  const match = /^(\d{1,4}(?:\.\d{1,6})?)(mm|in)$/.exec(text ?? '');
  return match?.[1] ? fromDecimal(match[1], match[2] === 'mm' ? NM_PER_MM : NM_PER_INCH) : null;
}

function readBore(text: string | undefined): Nm | null {
  const nm = readLength(text);
  return nm !== null && nm >= BORES[0] && nm <= BORES[1] ? nm : null;
}

const trimmed = (value: number, decimals: number): string => String(Number(value.toFixed(decimals)));

/** A length exactly, in inches where they hold it in whole tenths of a thou, else in mm. */
const writeLength = (nm: Nm, units: Units): string =>
  units === 'imperial' && nm % 2_540 === 0 ? `${trimmed(toInches(nm), 4)}in` : `${trimmed(toMm(nm), 6)}mm`;

function readAdder(params: Params, prefix: '' | 'later'): Adder | null {
  const kind = oneOf(['none', 'turbo', 'supercharger', 'nitrous'], params[`${prefix}adder`]);
  if (kind === null || kind === 'none') return kind && { kind };
  if (kind === 'nitrous') {
    const fed = Number(params[`${prefix}fed`]);
    return {
      kind,
      shots: hearShots(params[`${prefix}shot`] ?? '') ?? [],
      cylinders: Number.isInteger(fed) && fed >= 1 && fed <= MOST_CYLINDERS ? fed : null,
    };
  }
  const boost = /^(\d{1,4}(?:\.\d{1,3})?)kPa$/.exec(params[`${prefix}boost`] ?? '');
  const pascal = boost ? Math.round(Number(boost[1]) * 1_000) : 0;
  return { kind, boost: pascal > 0 && pascal <= MOST_BOOST ? pascal : null };
}

function writeAdder(adder: Adder, prefix: '' | 'later'): [string, string][] {
  const kind: [string, string] = [`${prefix}adder`, adder.kind];
  if (adder.kind === 'none') return [kind];
  if (adder.kind === 'nitrous')
    return [
      kind,
      ...(adder.shots.length > 0 ? [[`${prefix}shot`, adder.shots.join('+')] as [string, string]] : []),
      ...(adder.cylinders === null ? [] : [[`${prefix}fed`, String(adder.cylinders)] as [string, string]]),
    ];
  return [
    kind,
    ...(adder.boost === null ? [] : [[`${prefix}boost`, `${trimmed(adder.boost / 1_000, 3)}kPa`] as [string, string]]),
  ];
}

const partId = (text: string | undefined): string | null => (text && /^[A-Za-z0-9_-]{1,40}$/.test(text) ? text : null);

/** The ask that an address stands for. */
export function readQuick(params: Params): QuickAsk {
  const units = oneOf(['imperial', 'metric'], params.units) ?? 'imperial';
  const cylinders = Number(params.cyl);
  const step = readLength(params.step);
  return {
    units,
    bore: readBore(params.bore),
    cylinders: Number.isInteger(cylinders) && cylinders >= 1 && cylinders <= MOST_CYLINDERS ? cylinders : 4,
    service: {
      use: oneOf(USES, params.use),
      fuel: oneOf(FUELS, params.fuel) ?? 'petrol',
      now: readAdder(params, '') ?? { kind: 'none' },
      later: readAdder(params, 'later'),
    },
    duty: partId(params.row),
    construction: partId(params.piston),
    surface: oneOf(SURFACES, params.wall),
    school: oneOf(['larger', 'equalOrTighter'], params.second) ?? 'larger',
    feelerStep: step !== null && step > 0 ? step : startingChoices(units).feelerStep,
  };
}

/** The chart version an address names; null for the shop's own. */
export function readChartVersion(text: string | undefined): ChartVersion | null {
  const match = /^([A-Za-z0-9_-]{1,64})@(\d{1,6})$/.exec(text ?? '');
  return match?.[1] ? { id: match[1], version: Number(match[2]) } : null;
}

/** The address of an ask, without its path; what is as it begins is left out. */
export function writeQuick(ask: QuickAsk, chart: ChartVersion): string {
  const { units, bore, cylinders, service, duty, construction, surface, school, feelerStep } = ask;
  const pairs: [string, string | null][] = [
    ['units', units],
    ['bore', bore === null ? null : writeLength(bore, units)],
    ['use', service.use],
    ['fuel', service.fuel === 'petrol' ? null : service.fuel],
    ...(service.now.kind === 'none' ? [] : writeAdder(service.now, '')),
    ...(service.later ? writeAdder(service.later, 'later') : []),
    ['cyl', cylinders === 4 ? null : String(cylinders)],
    ['row', duty],
    ['piston', construction],
    ['wall', surface],
    ['second', school === 'larger' ? null : school],
    ['step', feelerStep === startingChoices(units).feelerStep ? null : writeLength(feelerStep, units)],
    ['chart', `${chart.id}@${chart.version}`],
  ];
  const held = pairs.filter((pair): pair is [string, string] => pair[1] !== null);
  return new URLSearchParams(held).toString();
}
