/** Power adders in words. */
import { pressureText } from '../../foundation/quantity/pressure';
import type { Adders, Boost, Nitrous } from './service';
import { BLOWER_WORDS } from './serviceWords';

const boostWords = ({ by, pressure, absolute, cooled }: Boost): string =>
  [
    BLOWER_WORDS[by],
    pressure === null ? 'boost not entered' : `${pressureText(pressure)}${absolute ? ' absolute' : ''}`,
    ...(cooled === null ? [] : [cooled ? 'charge cooled' : 'charge not cooled']),
  ].join(', ');

function nitrousWords({ shots, share, cylinders }: Nitrous): string {
  const amount =
    share === null ? `${shots.join(' + ') || '?'} hp` : `${Number((share * 100).toFixed(1))} % of the base`;
  return `nitrous, ${amount}${cylinders === null ? '' : ` in ${cylinders} cylinders`}`;
}

/**
 * What adds power in a few words, e.g. `turbo, 20.3 psi (1.40 bar); nitrous, 150 hp`.
 *
 * @example adderWords({ boost: null, nitrous: null, injection: null }) // 'none'
 */
export function adderWords({ boost, nitrous, injection }: Adders): string {
  const parts = [
    ...(boost ? [boostWords(boost)] : []),
    ...(nitrous ? [nitrousWords(nitrous)] : []),
    ...(injection ? [`${injection.what} injection${injection.counted ? '' : ', not counted on'}`] : []),
  ];
  return parts.join('; ') || 'none';
}
