/** How the server is started: from the command line and the environment. */
import { namesIn } from './hosts';

export interface Options {
  host: string;
  port: number;
  /** Names it goes by besides its own. */
  names: string[];
  /** Addresses of proxies whose word is taken for the name that was asked for, and where from. */
  proxies: string[];
  /** Files of a certificate and its key; `made` for one made here; null for none. */
  tls: { cert: string; key: string } | 'made' | null;
  /** Copies that are kept of the nightly ones; 0 for none made. */
  copies: number;
}

const USUAL_PORT = 4400;
const USUAL_COPIES = 14;

/**
 * @throws RangeError that says what is wrong
 * @example optionsOf(['--lan'], {}).host // '0.0.0.0'
 */
export function optionsOf(args: readonly string[], env: Readonly<Record<string, string | undefined>>): Options {
  const unknown = args.find((arg) => arg !== '--lan' && arg !== '--https');
  if (unknown !== undefined) throw new RangeError(`${unknown} is not understood. Accepted: --lan and --https.`);
  const port = env.PORT === undefined || env.PORT === '' ? USUAL_PORT : Number(env.PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new RangeError(`PORT is ${env.PORT}: a number from 0 to 65535 is wanted.`);
  const copies = env.COPIES === undefined || env.COPIES === '' ? USUAL_COPIES : Number(env.COPIES);
  if (!Number.isInteger(copies) || copies < 0 || copies > 10_000)
    throw new RangeError(`COPIES is ${env.COPIES}: how many nightly copies are kept, 0 for none.`);
  const { TLS_CERT: cert, TLS_KEY: key } = env;
  if (Boolean(cert) !== Boolean(key)) throw new RangeError('TLS_CERT and TLS_KEY go together: one is not set.');
  return {
    host: env.HOST || (args.includes('--lan') ? '0.0.0.0' : '127.0.0.1'),
    port,
    names: namesIn(env.ALLOWED_HOSTS),
    proxies: namesIn(env.TRUSTED_PROXIES),
    copies,
    tls: cert && key ? { cert, key } : args.includes('--https') ? 'made' : null,
  };
}
