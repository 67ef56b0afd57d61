/** GET /api/instruments   the shop's measuring tools in their latest versions: { instruments } */
import { keptInstruments } from '@/store/instruments';
import { database } from '@/store/store';

export async function GET(): Promise<Response> {
  return Response.json({ instruments: await keptInstruments(await database()) });
}
