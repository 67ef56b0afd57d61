/** Requests written to a socket byte by byte: an HTTP client tidies an address before it sends it, an attacker does not. */
import { connect } from 'node:net';

export interface RawAnswer {
  /** 0 where the connection was closed without an answer. */
  status: number;
  /** In lower case, the last of each name. */
  headers: ReadonlyMap<string, string>;
  body: string;
}

/** As long as an answer may take, ms. */
const SILENT = 30_000;

/** A body that was sent in chunks, each after its length. */
function unchunked(text: string): string {
  let body = '';
  for (let at = 0; at < text.length;) {
    const end = text.indexOf('\r\n', at);
    const length = end < 0 ? 0 : parseInt(text.slice(at, end), 16);
    if (!(length > 0)) break;
    body += text.slice(end + 2, end + 2 + length);
    at = end + 4 + length;
  }
  return body;
}

function readAnswer(text: string): RawAnswer {
  const end = text.indexOf('\r\n\r\n');
  const [first = '', ...lines] = (end < 0 ? text : text.slice(0, end)).split('\r\n');
  const headers = new Map(
    lines.map((line) => {
      const colon = line.indexOf(':');
      return [line.slice(0, colon).toLowerCase(), line.slice(colon + 1).trim()] as const;
    }),
  );
  const rest = end < 0 ? '' : text.slice(end + 4);
  const body = headers.get('transfer-encoding') === 'chunked' ? unchunked(rest) : rest;
  const status = Number(/^HTTP\/1\.1 (\d{3})/.exec(first)?.[1] ?? 0);
  return { status, headers, body };
}

/**
 * Sends bytes and reads until the server closes the connection.
 *
 * @param isOver whether our side of it is closed once all is sent: a request that asks to be kept open ends then too
 * @throws Error where nothing came within 30 s
 */
export const sendBytes = (port: number, bytes: Uint8Array, isOver = false): Promise<RawAnswer> =>
  new Promise((resolve, reject) => {
    const pieces: Buffer[] = [];
    const socket = connect(port, '127.0.0.1', () => (isOver ? socket.end(bytes) : socket.write(bytes)));
    socket.setTimeout(SILENT, () => socket.destroy(new Error(`silent for ${SILENT / 1_000} s`)));
    socket.on('data', (piece: Buffer) => pieces.push(piece));
    let failure: NodeJS.ErrnoException | null = null;
    socket.once('error', (error) => (failure = error));
    socket.once('close', () => {
      // a server that refuses a body closes while it is being sent: what it said before counts
      if (failure && failure.code !== 'ECONNRESET' && failure.code !== 'EPIPE') reject(failure);
      else resolve(readAnswer(Buffer.concat(pieces).toString('latin1')));
    });
  });

/** One request whose target is sent exactly as it is. */
export const rawRequest = (
  port: number,
  method: string,
  target: string,
  headers: Readonly<Record<string, string>> = {},
  body = '',
): Promise<RawAnswer> => {
  const all = {
    host: `127.0.0.1:${port}`,
    connection: 'close',
    ...(method === 'POST' && { 'content-length': String(Buffer.byteLength(body)) }),
    ...headers,
  };
  const lines = Object.entries(all).flatMap(([name, value]) => (value === '' ? [] : [`${name}: ${value}\r\n`]));
  return sendBytes(port, Buffer.from(`${method} ${target} HTTP/1.1\r\n${lines.join('')}\r\n${body}`));
};

const everyLetter = (path: string): string =>
  path.replace(/[a-z]/gi, (letter) => `%${letter.charCodeAt(0).toString(16)}`);

/**
 * Ways to write an address so that a careless server checks one path and answers another.
 *
 * @param path as the table of rules has it, e.g. `/api/archive`
 */
export const disguises = (path: string): string[] => [
  ...['/icons', '/_next/static', '/builds', '/sign-in', '/api/me'].map((open) => `${open}/..${path}`),
  ...['%2e%2e', '%2E%2E', '.%2e', '%2e.', '%252e%252e', '..;', '%c0%ae%c0%ae', '%EF%BC%8E.'].map(
    (dots) => `/icons/${dots}${path}`,
  ),
  ...['/icons/x/../..', '/_next/static/../..', '/_next/static/x/../../..', '/icons/icon-192.png/../..', '/.', '/%2e'].map(
    (open) => `${open}${path}`,
  ),
  ...['%2f..', '/..%2f..', '%5c..', '/..%5c..', '\\..', '/..\\..', '//..', '/x/..//..'].map((up) => `/icons${up}${path}`),
  ...['/.', '/%2e', '/x/..', '/x/%2e%2e', '%2f', '%00', '%20', ';x', '#x', '?x#y', '/', '.rsc', '.json', '%0d%0a'].map(
    (end) => `${path}${end}`,
  ),
  ...['/', '\\', '%2f', '%5c', '\t'].map((start) => `${start}${path}`),
  `http://127.0.0.1${path}`,
  `/_next/data/x${path}.json`,
  path.replace(/[a-z]/i, (letter) => `%${letter.charCodeAt(0).toString(16)}`),
  everyLetter(path),
  path.toUpperCase(),
  path.replace(/\/(?=.)/g, '//'),
  path.replace(/\/(?=.)/g, '/./'),
]; // oxfmt-ignore

/** Headers by which a careless server is told of another address than the one that was checked, put on an open page. */
export const rewritingHeaders = (path: string): Record<string, string>[] =>
  [
    ...['x-original-url', 'x-rewrite-url', 'x-invoke-path', 'x-matched-path', 'next-url', 'x-forwarded-uri'],
    ...['x-middleware-rewrite', 'x-nextjs-rewrite', 'x-now-route-matches', 'x-http-destinationurl'],
  ].map((name) => ({ [name]: path }));
