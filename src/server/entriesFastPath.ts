/**
 * The one route that every open bench asks once a second and logs by is called from here: the framework's own way to it
 * costs several times what it does.
 */
import type { IncomingMessage, ServerResponse } from 'node:http';
import * as entries from './entriesRoute';
import { MOST_ENTRIES_BYTES } from '@/files/schema';
import { API_POLICY, HEADERS } from './headers';

/** The body, to its end. Of one that is larger than any may be, enough is kept for it to be refused as that. */
const bodyOf = (request: IncomingMessage): Promise<Uint8Array<ArrayBuffer>> =>
  new Promise((resolve, reject) => {
    const pieces: Uint8Array[] = [];
    let bytes = 0;
    request.on('data', (piece: Uint8Array) => {
      if (bytes <= MOST_ENTRIES_BYTES) pieces.push(piece);
      bytes += piece.byteLength;
    });
    request.once('end', () => resolve(Buffer.concat(pieces)));
    request.once('close', () => reject(new Error('whoever asked went away')));
  });

/**
 * What answers a request without the framework; null where the framework is to.
 *
 * @param segments of the path, decoded, of a request that was let through
 */
export function directly(
  method: string,
  segments: readonly string[],
): ((r: IncomingMessage, s: ServerResponse) => Promise<void>) | null {
  const [api, builds, id = '', last] = segments;
  const isEntries = segments.length === 4 && api === 'api' && builds === 'builds' && last === 'entries';
  if (!isEntries || (method !== 'GET' && method !== 'POST')) return null;
  const route = entries[method];
  return async (request, response) => {
    const asked = new Request(new URL(request.url ?? '', 'http://spatium.invalid'), {
      method,
      ...(method === 'POST' && { body: await bodyOf(request) }),
    });
    const answer = await route(asked, { params: Promise.resolve({ id }) });
    const body = Buffer.from(await answer.arrayBuffer());
    response.writeHead(answer.status, {
      ...HEADERS,
      'content-security-policy': API_POLICY,
      'cross-origin-resource-policy': 'same-origin',
      'content-type': answer.headers.get('content-type') ?? 'application/json',
      'cache-control': 'no-store',
      'content-length': body.byteLength,
    });
    response.end(body);
  };
}
