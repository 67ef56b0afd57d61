/** GET /api/me   who is signed in here: { hasPeople, person, device } */
import type { MeAnswer } from '@/files/answers';
import { asker } from '@/people/asking';
import { answered } from '../answers';

export const GET = answered(async () => {
  const { hasPeople, person, device } = asker();
  return Promise.resolve(Response.json({ hasPeople, person, device: [...device] } satisfies MeAnswer));
});
