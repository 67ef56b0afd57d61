/**
 * GET  /api/archive   the whole shop as open files in one archive
 * POST /api/archive   one is imported, all of it or nothing: { came, says }
 */
import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';
import { requestContext } from '@/people/requestContext';
import { inBackground, streamFromBackground } from '@/server/background';
import { noteDone } from '@/store/audit';
import { backupFolder } from '@/store/backup';
import { importSays } from '@/store/archiveSays';
import { withWorkFolder } from '@/store/privateFiles';
import { database, databaseUrl } from '@/store/store';
import { answered, fault, sizeText } from '@/server/responses';

const MOST = 256 * 1024 * 1024;

export const GET = answered(
  async (request: Request) =>
    new Response(request.method === 'HEAD' ? null : await streamFromBackground('archive', null), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="spatium-shop-${new Date().toISOString().slice(0, 10)}.zip"`,
      },
    }),
);

/** Writes a body to a file; whether it was no larger than it may be. */
async function keptIn(path: string, request: Request): Promise<boolean> {
  if (!request.body) return true;
  let bytes = 0;
  const counted = async function* (pieces: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
    for await (const piece of pieces) {
      bytes += piece.byteLength;
      if (bytes > MOST) return;
      yield piece;
    }
  };
  await pipeline(Readable.fromWeb(request.body as NodeStream), counted, createWriteStream(path, { mode: 0o600 }));
  return bytes <= MOST;
}

export const POST = answered(async (request: Request) => {
  const tooLarge = fault(413, `An archive is at most ${sizeText(MOST)} here; import a larger one with npm run import.`);
  if (Number(request.headers.get('content-length') ?? 0) > MOST) return tooLarge;
  const came = await withWorkFolder(backupFolder(databaseUrl()), async (own) => {
    const path = join(own, 'archive.zip');
    return (await keptIn(path, request)) ? inBackground('importArchive', { path }) : null;
  });
  if (came === null) return tooLarge;
  const asking = requestContext();
  const note = async (says: string): Promise<void> =>
    noteDone(await database(), 'import', { of: '', says }, { by: asking.person?.initials ?? '', asking });
  if (typeof came === 'string') {
    await note(`Import refused, nothing was changed: ${came}`);
    return fault(422, came);
  }
  const says = importSays(came);
  await note(says);
  return Response.json({ came, says });
});
