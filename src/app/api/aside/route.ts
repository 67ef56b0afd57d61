/** GET /api/aside   charts and tools that could not be read, as they stand */
import { asideOfShop } from '@/store/aside';
import { database } from '@/store/store';
import { answered } from '../../../server/responses';

export const GET = answered(async () => Response.json({ aside: await asideOfShop(await database()) }));
