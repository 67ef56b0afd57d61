/**
 * A quick ask as the address of its page, so that it can be kept and passed on: `bore=4.065in`,
 * `boost=137.895kPa`. What cannot be read is left out, never an error.
 */
import type { QuickAsk } from '@/core/judge/quickGap';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import {
  type Nm,
  type Units,
  NM_PER_INCH,
  NM_PER_MM,
  fromDecimal,
  toInches,
  toMm,
} from '@/core/foundation/quantity/length';
import { MOST_BOOST } from '@/core/foundation/quantity/pressure';
import type { ChartVersion } from '@/core/models/charts/chart';
import { addersText, parseAdders } from '@/core/models/load/parseAdders';
import { ALTITUDES, MOST_POWER, SPEEDS, STROKES } from '@/core/models/load/parsePowerAndAltitude';
import { type Adders, type Service, NO_ADDERS } from '@/core/models/load/service';
import { type Fuel, FUELS, USES } from '@/core/models/load/serviceWords';
import { startingChoices } from '@/core/models/targets/papers';
import { SURFACES } from '@/core/foundation/parts/materials';

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

/** One adder at a time, as addresses said it before any could be said together. */
function readOneAdder(params: Params, prefix: '' | 'later'): Adders | null {
  const kind = oneOf(['none', 'turbo', 'supercharger', 'nitrous'], params[`${prefix}adder`]);
  if (kind === null || kind === 'none') return kind && NO_ADDERS;
  if (kind === 'nitrous') {
    const fed = Number(params[`${prefix}fed`]);
    const heard = parseAdders(`${params[`${prefix}shot`] ?? ''} nitrous`);
    const shots = (heard.kind === 'understood' && heard.adders.nitrous?.shots) || [];
    const cylinders = Number.isInteger(fed) && fed >= 1 && fed <= MOST_CYLINDERS ? fed : null;
    return { ...NO_ADDERS, nitrous: { shots, share: null, cylinders } };
  }
  const boost = /^(\d{1,4}(?:\.\d{1,3})?)kPa$/.exec(params[`${prefix}boost`] ?? '');
  const pascal = boost ? Math.round(Number(boost[1]) * 1_000) : 0;
  const pressure = pascal > 0 && pascal <= MOST_BOOST ? pascal : null;
  return { ...NO_ADDERS, boost: { by: kind, pressure, absolute: false, cooled: null } };
}

/** Adders as the bench says them. What only makes sense in another unit was asked about when it was typed. */
function readAdders(params: Params, name: 'add' | 'later'): Adders | null {
  const heard = parseAdders(params[name] ?? '');
  if (heard.kind === 'question') return heard.options.find(({ words }) => words.endsWith('as typed'))?.adders ?? null;
  return heard.kind === 'understood' ? heard.adders : readOneAdder(params, name === 'add' ? '' : 'later');
}

const isNone = ({ boost, nitrous, injection }: Adders): boolean => !boost && !nitrous && !injection;
const writeAdders = (adders: Adders): string => (isNone(adders) ? 'none' : addersText(adders, 'kPa'));

/** Before there was neat ethanol, an address called a blend of it so. */
const FUEL_NAMES: Partial<Record<Fuel, string>> = { ethanol: 'neat-ethanol' };
const fuelName = (fuel: Fuel): string => FUEL_NAMES[fuel] ?? fuel;
const readFuel = (text: string | undefined): Fuel =>
  text === 'ethanol' ? 'e85' : (FUELS.find((fuel) => fuelName(fuel) === text) ?? 'petrol');
const readOtherFuels = (text: string | undefined): Fuel[] => {
  const names = (text ?? '').split(' ');
  return FUELS.filter((fuel) => names.includes(fuelName(fuel)));
};

/** Fuel and altitude were counted before an address said whether they may be: one that does not say so counts what it names. */
const readAlways = ({ always, fuel, alt }: Params): Service['always'] => ({
  fuel: always === undefined ? fuel !== undefined : always.includes('fuel'),
  altitude: always === undefined ? alt !== undefined : always.includes('altitude'),
});
const writeAlways = ({ always, fuel, altitude }: Service): string | null => {
  if (fuel === 'petrol' && altitude === 0 && !always.fuel && !always.altitude) return null;
  return [always.fuel ? 'fuel' : '', always.altitude ? 'altitude' : ''].filter(Boolean).join(' ') || 'none';
};

/** A figure of an address within its bounds; null for none. */
function readFigure(text: string | undefined, least: number, most: number): number | null {
  const value = /^-?\d{1,6}(?:\.\d{1,4})?$/.test(text ?? '') ? Number(text) : Number.NaN;
  return value >= least && value <= most ? value : null;
}

const partId = (text: string | undefined): string | null => (text && /^[A-Za-z0-9_-]{1,40}$/.test(text) ? text : null);

/** The ask that an address stands for. */
export function readQuick(params: Params): QuickAsk {
  const units = oneOf(['imperial', 'metric'], params.units) ?? 'imperial';
  const cylinders = Number(params.cyl);
  const [step, stroke] = [readLength(params.step), readLength(params.stroke)];
  return {
    units,
    bore: readBore(params.bore),
    cylinders: Number.isInteger(cylinders) && cylinders >= 1 && cylinders <= MOST_CYLINDERS ? cylinders : 4,
    service: {
      use: oneOf(USES, params.use),
      fuel: readFuel(params.fuel),
      otherFuels: readOtherFuels(params.fuels),
      nitro: readFigure(params.nitro, 0, 1),
      now: readAdders(params, 'add') ?? NO_ADDERS,
      later: readAdders(params, 'later'),
      altitude: readFigure(params.alt, ALTITUDES.from, ALTITUDES.to) ?? 0,
      basePower: readFigure(params.base, 1, MOST_POWER),
      stroke: stroke !== null && stroke >= STROKES.from && stroke <= STROKES.to ? stroke : null,
      redline: readFigure(params.rpm, SPEEDS.from, SPEEDS.to),
      cooling: oneOf(['water', 'air'], params.cooling) ?? 'water',
      always: readAlways(params),
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
    ['fuel', service.fuel === 'petrol' ? null : fuelName(service.fuel)],
    ['fuels', service.otherFuels.length === 0 ? null : service.otherFuels.map(fuelName).join(' ')],
    ['nitro', service.nitro === null ? null : trimmed(service.nitro, 4)],
    ['add', isNone(service.now) ? null : writeAdders(service.now)],
    ['later', service.later && writeAdders(service.later)],
    ['alt', service.altitude === 0 ? null : trimmed(service.altitude, 1)],
    ['base', service.basePower === null ? null : trimmed(service.basePower, 1)],
    ['stroke', service.stroke === null ? null : writeLength(service.stroke, units)],
    ['rpm', service.redline === null ? null : String(service.redline)],
    ['always', writeAlways(service)],
    ['cooling', service.cooling === 'water' ? null : service.cooling],
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
