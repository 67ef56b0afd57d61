/** A heat load and its shares in words. */
import { pressureText } from '../../foundation/quantity/pressure';
import { type HeatLoad, type LoadOf, type LoadShare, type ShareOf, STREET_SPEED } from './load';
import { FUEL_WORDS, USE_WORDS } from './serviceWords';

/**
 * What a share is of.
 *
 * @example shareWords({ kind: 'time', use: 'marine', usual: true }) // 'time at full load'
 */
export function shareWords({ kind }: ShareOf): string {
  switch (kind) {
    case 'time':
      return 'time at full load';
    case 'speed':
      return 'piston speed';
    case 'air':
      return 'air cooling';
    case 'water':
    case 'alcohol':
      return `${kind} injection`;
    default:
      return kind;
  }
}

/**
 * What a load of 1 is, which the shares are counted from; at a usual speed where nobody gave one.
 *
 * @example baseWords({ load: 1, inlet: 1, shares: [] }) // 'naturally aspirated street engine at a usual piston speed'
 */
export const baseWords = ({ shares }: LoadOf): string =>
  shares.some(({ of, counted }) => of.kind === 'speed' && counted)
    ? `naturally aspirated street engine, ${STREET_SPEED} m/s mean piston speed`
    : 'naturally aspirated street engine at a usual piston speed';

/** Where a share comes from, in a line. */
export function shareReason({ of, counted }: LoadShare): string {
  switch (of.kind) {
    case 'altitude':
      return `${of.metres.toFixed(0)} m over sea level, to the power 0.8${counted ? '' : '; not counted: it may run lower'}`;
    case 'boost':
      return `${pressureText(of.over)} over the atmosphere, ${of.ratio.toFixed(2)} times its pressure, to the power 0.8`;
    case 'hot charge':
      return `not cooled, ${of.kelvin.toFixed(0)} K hotter`;
    case 'thin charge':
      return 'what is missing of a charge that is not cooled: never counted, since it knocks sooner';
    case 'nitrous':
      return `${of.ratio.toFixed(2)} times the base power${of.estimated ? ', that taken from its size' : ''}, to the power 0.8, and hotter gas`;
    case 'fuel':
      return `${of.nitro === null ? '' : `${(of.nitro * 100).toFixed(0)} % `}${FUEL_WORDS[of.fuel]}${counted ? '' : '; not counted: it may run on a hotter one'}`;
    case 'time':
      return of.usual ? `${USE_WORDS[of.use]}, at a usual speed` : USE_WORDS[of.use];
    case 'speed':
      return `${of.speed.toFixed(1)} m/s in the mean, by ${of.from === 'stroke' ? 'stroke and highest speed' : 'the power for its size'}, to the power 0.8${counted ? '' : '; not counted: no faster than usual for this use'}`;
    case 'air':
      return 'cylinders run hotter in air';
    default:
      return counted ? 'counted: always run on it, as ticked' : 'not counted: a tank runs out';
  }
}

/** The shares that are counted in the load in force, each with its factor: `boost ×1.62, nitrous ×1.21`; empty for none. */
export const sharesText = (load: HeatLoad): string =>
  load.set
    ? load.inForce.shares
        .filter((share) => share.counted)
        .map(({ of, factor }) => `${shareWords(of)} ×${factor.toFixed(2)}`)
        .join(', ')
    : '';
