/** GET /api/quarantine   charts and tools that could not be read, as they stand */
import { quarantinedInShop } from '@/store/quarantine';
import { database } from '@/store/store';
import { answered } from '@/server/responses';

export const GET = answered(async () => Response.json({ aside: await quarantinedInShop(await database()) }));
