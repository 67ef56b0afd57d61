'use client';

/** The shop's measuring tools as this bench knows them, and which one is in hand for what. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ToolsAnswer } from '@/app/api/instruments/route';
import type { Subject } from '@/core/build/record';
import type { Units } from '@/core/quantity/length';
import { type Instrument, SUITED } from '@/core/uncertainty/instrument';
import { useKept } from '../shared/kept';

/** What a tool is taken in hand for. */
export type Family = keyof typeof SUITED;

export const familyOf = (subject: Subject): Family =>
  subject === 'bore' || subject === 'piston' || subject === 'pin' || subject === 'pinBore' ? subject : 'gap';

/** Whether a tool suits a kind of reading. */
export const suits = (instrument: Instrument, family: Family): boolean =>
  SUITED[family].some((kind) => kind === instrument.kind);

/** Both lists as one, the later version of each tool. */
function merged(shop: Instrument[], build: Instrument[]): Instrument[] {
  const latest = new Map(shop.map((i) => [i.id, i]));
  for (const i of build) if ((latest.get(i.id)?.version ?? 0) < i.version) latest.set(i.id, i);
  return [...latest.values()];
}

interface Tools {
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
export function useTools(buildId: string, build: Instrument[], units: Units): Tools {
  const [shop, setShop] = useState<ToolsAnswer>({ instruments: [], rates: [] });
  const [kept, keepHands] = useKept(`spatium-hands-${units}`, '{}');
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
  return { tools, rates: shop.rates, inHand, takeTool };
}

/** Ids by family, as kept; nothing where the browser's storage was spoilt. */
function handsIn(kept: string): Partial<Record<Family, string>> {
  try {
    const json: unknown = JSON.parse(kept);
    return typeof json === 'object' && json !== null ? (json as Partial<Record<Family, string>>) : {};
  } catch {
    return {};
  }
}
