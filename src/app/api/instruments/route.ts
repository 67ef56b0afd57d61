/**
 * GET /api/instruments?except=ID   the shop's tools in their latest versions, and what its filers take off on all
 * builds but one: { instruments, rates }
 */
import type { ToolsAnswer } from '@/server/answers';
import { keptInstruments } from '@/store/instruments';
import { shopRates } from '@/store/rates';
import { database } from '@/store/store';
import { answered } from '@/server/responses';

export const GET = answered(async (request: Request): Promise<Response> => {
  const db = await database();
  const except = new URL(request.url).searchParams.get('except') ?? '';
  return Response.json({
    instruments: await keptInstruments(db),
    rates: await shopRates(db, except),
  } satisfies ToolsAnswer);
});
