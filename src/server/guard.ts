/**
 * What is refused before anything else sees it: no such way of asking, an address that cannot be read, another's
 * name, another site's page.
 */
import { z } from 'zod';
import { isTooDeep } from '@/files/depth';

/** What is known of a request from its head. */
export interface Asked {
  method: string;
  url: string;
  /** As asked for, a named proxy's word taken for it. */
  host: string | undefined;
  origin: string | undefined;
  /** What the browser says of where the page is that asks. */
  site: string | undefined;
  contentLength: string | undefined;
  /** Where the framework’s own pages say they are; it fails on one that is none. */
  routerState: string | undefined;
}

export interface Refusal {
  status: 400 | 403 | 404 | 405 | 413 | 414 | 421;
  says: string;
}

const METHODS = ['GET', 'HEAD', 'POST'];
const MOST_URL = 8_192;
/** More than any body that any route takes: 5 MB and what goes with it. */
const MOST_BODY = 300 * 1024 * 1024;

/**
 * The page that an address is of, whatever of it was asked for: what leads from page to page asks for the inside alone.
 *
 * @example pageOf('/new?_rsc=1a2b&from=x') // '/new?from=x'
 */
export const pageOf = (url: string): string =>
  url.replace(/([?&])_rsc=[^&]*(&|$)/, (_, before: string, after: string) => (after === '' ? '' : before));

/** Stands for this server where an address is parsed. */
const BASE = 'http://spatium.invalid';

/** Characters that no segment of ours holds: a slash in one would be another path to whoever decodes it once more. */
const UNUSED = /[\u0000-\u001f\u007f\\/]/;

/**
 * The segments of an address's path, decoded; null for an address that is refused. It is refused where a standard URL
 * parser would change it (dot segments, backslashes, tabs, a second slash in front): the router parses it again, and
 * must see the path that was checked here. A slash at the end is left out.
 *
 * @example segmentsOf('/builds/a%20b/rings?at=1.top') // ['builds', 'a b', 'rings']
 * @example segmentsOf('/icons/../shop') // null
 */
export function segmentsOf(url: string): string[] | null {
  if (!url.startsWith('/') || !URL.canParse(`${BASE}${url}`)) return null;
  const { href, hash, pathname } = new URL(`${BASE}${url}`);
  if (href !== `${BASE}${url}` || hash !== '' || url.endsWith('#')) return null;
  const written = pathname.slice(1).replace(/\/$/, '');
  if (written === '') return pathname === '/' ? [''] : null;
  try {
    const segments = written.split('/').map(decodeURIComponent);
    return segments.some((s) => s === '' || s === '.' || s === '..' || UNUSED.test(s)) ? null : segments;
  } catch {
    return null;
  }
}

/** Where the framework’s pages say they are, as the framework itself holds it (Next.js 16.4): it fails on anything else. */
const routerState: z.ZodType = z.lazy(() =>
  z.tuple([
    z.union([
      z.string(),
      z.tuple([
        z.string(),
        z.string(),
        z.enum([
          'c',
          'ci(..)(..)',
          'ci(.)',
          'ci(..)',
          'ci(...)',
          'oc',
          'd',
          'di(..)(..)',
          'di(.)',
          'di(..)',
          'di(...)',
        ]),
        z.array(z.string()).nullable(),
      ]),
    ]),
    z.record(z.string(), routerState),
    z.tuple([z.string(), z.string()]).nullish(),
    z.enum(['refetch', 'inside-shared-layout', 'metadata-only']).nullish(),
    z.number().nullish(),
    z.string().optional(),
  ]),
);

/** Whether what a page says of where it is can be read. */
function isRouterState(header: string): boolean {
  try {
    const text = decodeURIComponent(header);
    return !isTooDeep(text) && routerState.safeParse(JSON.parse(text)).success;
  } catch {
    return false;
  }
}

const refused = (status: Refusal['status'], says: string): Refusal => ({ status, says });

/**
 * Why a request is refused whoever asks; null where it is not.
 *
 * @param isOwn whether a Host header names this server
 */
export function refusalOf(asked: Asked, isOwn: (host: string | undefined) => boolean): Refusal | null {
  const { method, url, host, origin, site } = asked;
  if (!isOwn(host))
    return refused(421, 'This server does not go by that name. Names it should go by are set with ALLOWED_HOSTS.');
  if (!METHODS.includes(method)) return refused(405, 'Only GET, HEAD and POST are understood.');
  if (url.length > MOST_URL) return refused(414, 'The address is longer than any of this server’s.');
  const segments = segmentsOf(url);
  if (segments === null) return refused(400, 'The address cannot be read.');
  if (asked.routerState !== undefined && !isRouterState(asked.routerState))
    return refused(400, 'What the page says of where it is cannot be read.');
  if (method !== 'POST') return null;
  if (segments[0] !== 'api') return refused(405, 'Nothing is sent to a page.');
  if (Number(asked.contentLength ?? 0) > MOST_BODY) return refused(413, 'That is more than is taken at once.');
  const isOthers = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host);
  if (isOthers || site === 'cross-site' || site === 'same-site')
    return refused(403, 'This request came from another site and was refused.');
  return null;
}
