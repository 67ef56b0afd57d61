'use client';

import { useEffect, useMemo, useState } from 'react';
import { type FitOrder, type OrderAsk, installOrder } from '@/core/stages/assembly/installOrder';
import { inOrder, orderAsk } from '@/core/stages/assembly/walk';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement } from '../openBuild/contexts';
import { useWorkerResult } from '../shared/useWorkerResult';

const begin = (): Worker => new Worker(new URL('../../workers/installOrder.ts', import.meta.url), { type: 'module' });

export interface Order {
  /** What it was worked out from; null where it is not known how the throws stand. */
  ask: OrderAsk | null;
  /** Null until it is worked out, and where nothing is known. */
  found: FitOrder | null;
  /** All cylinders as their pistons went in, and are to go in. */
  cylinders: JudgedCylinder[];
  /** Whether it is being worked out for the first time. */
  isAwaited: boolean;
}

/** Up to this many the order is worked out on the spot, in a few milliseconds; for more beside the page. */
const ON_THE_SPOT = 12;

/** In which order pistons go in: the last one that was worked out stands until there is another. */
export function useInstallOrder(): Order {
  const judgement = useJudgement();
  const ask = orderAsk(judgement);
  const isHeavy = ask !== null && ask.cylinders.length > ON_THE_SPOT;
  const worked = useWorkerResult<FitOrder | null>(isHeavy ? ask : null, isHeavy ? begin : null);
  const [last, setLast] = useState<{ found: FitOrder | null } | null>(null);
  useEffect(() => {
    if (worked.state === 'done') setLast({ found: worked.result });
    else if (worked.state === 'failed') setLast({ found: null });
  }, [worked]);
  const key = JSON.stringify(isHeavy ? null : ask);
  const onTheSpot = useMemo(() => {
    const asked = JSON.parse(key) as OrderAsk | null;
    return asked && installOrder(asked);
  }, [key]);
  const beside = worked.state === 'done' ? worked.result : (last?.found ?? null);
  const found = isHeavy ? beside : onTheSpot;
  return {
    ask,
    found,
    cylinders: useMemo(() => inOrder(judgement, found), [judgement, found]),
    isAwaited: isHeavy && worked.state === 'running' && last === null,
  };
}
