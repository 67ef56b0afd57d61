/** GET /api/me   who is signed in here: { hasPeople, person, device, barred } */
import type { MeAnswer } from '@/server/answers';
import { requestContext, barredFrom } from '@/people/requestContext';
import { answered } from '@/server/responses';

export const GET = answered(async () => {
  const asking = requestContext();
  const { hasPeople, person, device } = asking;
  const me: MeAnswer = { hasPeople, person, device: [...device], barred: barredFrom(asking) };
  return Promise.resolve(Response.json(me));
});
