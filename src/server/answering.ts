/**
 * In front of everything else: refuses what is not for this server, finds out who asks, holds that against the one table
 * of who may do what, and only then hands a request on.
 */
import { type IncomingMessage, type Server, type ServerResponse, createServer } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { type RequestContext, runInContext, roleOf } from '@/people/requestContext';
import { may, needOf } from '@/people/permissions';
import { authenticate } from '@/people/authenticate';
import { databaseErrorOf } from '@/store/databaseErrors';
import type { Certificate } from './certificate';
import { directly } from './entriesFastPath';
import { presentUrl } from './formerAddresses';
import { type Asked, type Refusal, pageOf, refusalOf, segmentsOf } from './guard';
import { isLoopback, isOwnName } from './hosts';
import { log } from './log';
import type { Options } from './options';

/** What is said to a browser that asked for a page, and to whatever asked for anything else. */
function say(response: ServerResponse, status: number, says: string, headers: Record<string, string> = {}): void {
  const isPage = headers['content-type'] === 'text/html; charset=utf-8';
  const body = isPage ? says : JSON.stringify({ faults: [says] });
  response.writeHead(status, {
    'content-type': 'application/json; charset=utf-8',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    'cross-origin-resource-policy': 'same-origin',
    ...headers,
  });
  response.end(body);
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (char) => `&#${char.charCodeAt(0)};`);

/** A page that needs nothing of the rest. */
const page = (says: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Spatium</title><body style="font:18px system-ui;margin:3rem;max-width:40rem"><h1>Spatium</h1><p>${escaped(says)}</p><p><a href="">Try again</a></p></body></html>`;
const PAGE = { 'content-type': 'text/html; charset=utf-8' };

const one = (header: string | string[] | undefined): string | undefined => (Array.isArray(header) ? header[0] : header);

interface Origin {
  host: string | undefined;
  address: string;
  /** Whether it was made on this machine, as far as can be told: a proxy that is not named may stand for anybody. */
  isLocal: boolean;
}

/** The name and the address that a request came by, a named proxy's word taken for it and nobody else's. */
function originOf(request: IncomingMessage, { proxies }: Options): Origin {
  const { headers, socket } = request;
  const peer = (socket.remoteAddress ?? '').replace(/^::ffff:/, '');
  const isNamed = proxies.includes(peer);
  const host = (isNamed ? one(headers['x-forwarded-host']) : undefined) ?? headers.host;
  const from = isNamed ? one(headers['x-forwarded-for'])?.split(',').at(-1)?.trim() : undefined;
  const isForwarded = Object.keys(headers).some(isProxyHeader) || headers.via !== undefined;
  const address = from ?? peer;
  const isLocal = isLoopback(address) && (isNamed || !isForwarded);
  if (host !== undefined) headers.host = host;
  // nobody else's word for it is passed on
  request.headers = Object.fromEntries(Object.entries(headers).filter(([name]) => !isProxyHeader(name)));
  return { host, address, isLocal };
}

const isProxyHeader = (name: string): boolean => name.startsWith('x-forwarded-') || name === 'forwarded';

function askedIn(request: IncomingMessage, host: string | undefined): Asked {
  const { headers } = request;
  return {
    method: request.method ?? '',
    url: request.url ?? '',
    host,
    origin: headers.origin,
    site: one(headers['sec-fetch-site']),
    contentLength: headers['content-length'],
    routerState: one(headers['next-router-state-tree']),
  };
}

/** What the sign-in library is shown of a request: its cookies, which browser, and where from as it was found here. */
const headersOf = ({ headers }: IncomingMessage, address: string): Headers => {
  const all = new Headers({ 'x-forwarded-for': address });
  for (const name of ['cookie', 'user-agent']) {
    const value = one(headers[name]);
    if (value !== undefined) all.set(name, value);
  }
  return all;
};

/** What somebody gets who may not, or is not known. */
function turnAway(response: ServerResponse, asking: RequestContext, isApi: boolean, url: string): void {
  const isSignedIn = asking.person !== null;
  if (isApi)
    say(
      response,
      isSignedIn ? 403 : 401,
      isSignedIn ? `As ${asking.person?.role ?? ''} you may not do this.` : 'Sign in first.',
    );
  else
    // somebody else who may can sign in there
    say(response, 307, '', {
      location: `/sign-in?${isSignedIn ? 'barred=1&' : ''}to=${encodeURIComponent(pageOf(url))}`,
    });
}

/** Asked from elsewhere while nobody can sign in: whoever reaches the server would own the shop. */
function refuseStranger(response: ServerResponse, isApi: boolean): void {
  const says =
    'Nobody can sign in to this shop yet, so it answers the machine it runs on and no other. Open the page Shop there and add the people who work here.';
  if (isApi) say(response, 403, says);
  else say(response, 403, page(says), PAGE);
}

export type Answer = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

/**
 * Answers what is asked, by who asks it and of what: see the guard and the table of who may do what.
 *
 * @param handle answers what is let through
 * @param files that anybody may load, by their paths without the first slash
 */
export function answering(options: Options, handle: Answer, files: ReadonlySet<string>): Answer {
  const isOwn = (host: string | undefined): boolean => isOwnName(host, options.host, options.names);
  return async (request, response) => {
    const { host, address, isLocal } = originOf(request, options);
    const url = presentUrl(request.url ?? '');
    const isPageMoved = url !== request.url && !url.startsWith('/api/');
    request.url = url;
    const asked = askedIn(request, host);
    const refusal: Refusal | null = refusalOf(asked, isOwn);
    if (refusal) {
      // what is still coming in is not read
      response.setHeader('connection', 'close');
      say(response, refusal.status, refusal.says, refusal.status === 405 ? { allow: 'GET, HEAD, POST' } : {});
      return;
    }
    if (isPageMoved) {
      say(response, 308, '', { location: url });
      return;
    }
    response.setHeader('cross-origin-resource-policy', 'same-origin');
    const segments = segmentsOf(asked.url) ?? [''];
    const isApi = segments[0] === 'api';
    const need = needOf(asked.method, segments);
    if (asked.method !== 'POST' && files.has(segments.join('/'))) {
      await handle(request, response);
      return;
    }
    const asking = await authenticate(headersOf(request, address), address);
    if (!asking.hasPeople && !isLocal) refuseStranger(response, isApi);
    else if (!may(roleOf(asking), need)) turnAway(response, asking, isApi, asked.url);
    else {
      const answer = directly(asked.method, segments) ?? handle;
      await runInContext(asking, () => answer(request, response));
    }
  };
}

/** Tells what failed: to the log, and to whoever asked. */
function tellFailed(error: unknown, request: IncomingMessage, response: ServerResponse): void {
  // whoever asked is gone: what failed is only that
  if (response.closed) return;
  const trouble = databaseErrorOf(error);
  const where = { method: request.method ?? '', path: (request.url ?? '').replace(/[?#].*$/s, '') };
  if (trouble) log.warn(trouble.says, where);
  else log.error('A request failed', error, where);
  if (response.headersSent) response.destroy();
  else if (request.url?.startsWith('/api/'))
    say(response, trouble?.status ?? 500, trouble?.says ?? 'The program failed here.');
  else say(response, trouble?.status ?? 500, page(trouble?.says ?? 'The program failed here.'), PAGE);
}

/** Listens; gives the server and the port that it came by. */
export async function listening(
  options: Options,
  certificate: Certificate | null,
  answer: Answer,
): Promise<{ server: Server; port: number }> {
  const listener = (request: IncomingMessage, response: ServerResponse): void => {
    answer(request, response).catch((error: unknown) => tellFailed(error, request, response));
  };
  const server = certificate ? createSecure(certificate, listener) : createServer(listener);
  // longer than a proxy keeps a connection it may use again: else one is closed under its hands now and then
  Object.assign(server, { keepAliveTimeout: 65_000, headersTimeout: 66_000 });
  server.on('upgrade', (_request, socket) => socket.destroy());
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    // as many may come at once as the system lets wait: all benches after a restart
    server.listen({ port: options.port, host: options.host, backlog: 4_096 }, resolve);
  });
  const bound = server.address();
  return { server, port: typeof bound === 'object' && bound ? bound.port : options.port };
}
