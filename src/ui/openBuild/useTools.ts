'use client';

/** The shop's measuring tools as this bench knows them, and which one is in hand for what. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ToolsAnswer } from '@/server/answers';
import type { Units } from '@/core/foundation/quantity/length';
import { type Family, type Instrument, suits } from '@/core/foundation/uncertainty/instrument';
import { usePersisted } from '../shared/persisted';

/** Both lists as one, the later version of each tool. */
function merged(shop: Instrument[], build: ReadonlyMap<string, Instrument>): Instrument[] {
  const latest = new Map(shop.map((i) => [i.id, i]));
  for (const i of build.values()) if ((latest.get(i.id)?.version ?? 0) < i.version) latest.set(i.id, i);
  return [...latest.values()];
}

export interface Tools {
  tools: Instrument[];
  /** What the shop's filers take off, learnt on other builds. */
  rates: ToolsAnswer['rates'];
  inHand: (family: Family) => Instrument | null;
  takeTool: (family: Family, id: string | null) => void;
}

/**
 * Tools of the shop, looked up once a page, and those the build names. What is in hand is kept in this browser for
 * all builds: a tablet lies beside its own tools.
 */
export function useTools(buildId: string, build: ReadonlyMap<string, Instrument>, units: Units): Tools {
  const [shop, setShop] = useState<ToolsAnswer>({ instruments: [], rates: [] });
  const [kept, keepHands] = usePersisted(`spatium-hands-${units}`, '{}');
  useEffect(() => {
    let gone = false;
    void fetch(`/api/instruments?except=${encodeURIComponent(buildId)}`).then(
      async (response) => {
        const answer = response.ok ? ((await response.json()) as ToolsAnswer) : null;
        if (answer && !gone) setShop(answer);
      },
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [buildId]);
  const tools = useMemo(() => merged(shop.instruments, build), [shop, build]);
  const hands = useMemo(() => handsIn(kept), [kept]);
  const inHand = useCallback(
    (family: Family) => tools.find((i) => i.id === hands[family] && suits(i, family)) ?? null,
    [tools, hands],
  );
  const takeTool = useCallback(
    (family: Family, id: string | null) => keepHands(JSON.stringify({ ...hands, [family]: id ?? undefined })),
    [hands, keepHands],
  );
  return useMemo(() => ({ tools, rates: shop.rates, inHand, takeTool }), [tools, shop.rates, inHand, takeTool]);
}

/** Ids by family, as kept; nothing where the browser's storage was spoilt. */
function handsIn(kept: string): Partial<Record<Family, string>> {
  try {
    const json: unknown = JSON.parse(kept);
    return typeof json === 'object' && json !== null ? json : {};
  } catch {
    return {};
  }
}
