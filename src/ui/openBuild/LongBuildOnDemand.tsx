'use client';

import { onDemand } from '../shared/onDemand';

/** Few builds are long: no other waits for what loads them page by page. */
export const LongBuild = onDemand(() => import('./LongBuild').then((m) => m.LongBuild));
