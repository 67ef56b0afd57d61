/** Answers that the HTTP routes share. */
import { isTooDeep } from '@/files/depth';
import { databaseErrorOf } from '@/store/databaseErrors';

export const fault = (status: number, ...faults: string[]): Response => Response.json({ faults }, { status });

export const noSuchBuild = (id: string): Response => fault(404, `There is no build ${id}.`);

export const noSuchChart = (id: string): Response => fault(404, `There is no chart ${id} in that version.`);

/** The version a request asks for, or null for the latest; one that cannot be is never found. */
export function versionAsked(request: Request): number | null {
  const asked = new URL(request.url).searchParams.get('version');
  return asked === null ? null : /^\d{1,6}$/.test(asked) ? Number(asked) : 0;
}

/** The body, or null when it is larger than it may be. Reads no further than that. */
export async function bytesWithin(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    const piece = part.value as Uint8Array;
    bytes += piece.byteLength;
    if (bytes > most) {
      await reader?.cancel();
      return null;
    }
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/** The body as text, or null when it is larger than it may be. */
export async function bodyWithin(request: Request, most: number): Promise<string | null> {
  const bytes = await bytesWithin(request, most);
  return bytes && new TextDecoder().decode(bytes);
}

/** @example sizeText(4096) // '4 kB' */
export const sizeText = (bytes: number): string =>
  bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / 1024 / 1024)} MB`;

export type JsonWithin = { ok: true; json: unknown } | { ok: false; answer: Response };

/** The body as JSON, or the answer that says why it is none. */
export async function jsonWithin(request: Request, most: number): Promise<JsonWithin> {
  const text = await bodyWithin(request, most);
  const no = (answer: Response): JsonWithin => ({ ok: false, answer });
  if (text === null) return no(fault(413, `A request of this kind is at most ${sizeText(most)}.`));
  if (isTooDeep(text)) return no(fault(400, 'The request is nested deeper than anything here is.'));
  try {
    return { ok: true, json: JSON.parse(text) as unknown };
  } catch {
    return no(fault(400, 'The request is not JSON.'));
  }
}

/** A route whose trouble with the database is told as what it is: it does not answer, its disk is full. */
export const answered =
  <C>(route: (request: Request, context: C) => Promise<Response>) =>
  async (request: Request, context: C): Promise<Response> => {
    try {
      return await route(request, context);
    } catch (error) {
      const trouble = databaseErrorOf(error);
      if (!trouble) throw error;
      return fault(trouble.status, trouble.says);
    }
  };

/** A file name made of the build's own, safe everywhere. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .replace(/[^A-Za-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'build'
  }.${ending}`;
