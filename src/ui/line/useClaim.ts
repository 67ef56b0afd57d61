'use client';

/** Takes the thing in hand for this bench: the others' routes lead past it. */
import { useEffect, useRef } from 'react';
import { placeAt } from '@/core/judge/judgement';
import { placeLabel } from '@/core/judge/labels';
import { claimOf } from '@/core/judge/route';
import { useJudgement, useLive, useMoving, useRoute } from '../openBuild/contexts';
import type { Line } from './line';

/** Takes the cylinder in hand for this bench, or lets go of it. */
export function useClaim({ work, here, entry, then, tell }: Line): () => void {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const { others } = useLive();
  const { mine, claim } = useRoute();
  const words = placeLabel(placeAt(judgement, here.cylinder), here.subject);
  const what = claimOf(work, here.cylinder);
  const holder = others.find((o) => o.mine.includes(what));
  const by = holder ? holder.by || 'Another bench' : null;
  const isIdle = entry.typed === '';
  const before = useRef(what);
  useEffect(() => {
    const isSame = before.current === what;
    before.current = what;
    // someone took what is in hand here; what was begun, and what is gone to on purpose, is left alone
    if (by === null || !isIdle || !isSame) return;
    claim(what, false);
    if (!then || then.cylinder === here.cylinder) return;
    tell(`${by} took ${words.toLowerCase()}: on to the next.`);
    goTo(then);
    // when it is taken
    // oxlint-disable-next-line react/exhaustive-deps
  }, [by, what]);
  return () => {
    if (holder) return tell(`${words} is ${holder.by || 'another bench'}’s.`);
    const isMine = mine.includes(what);
    claim(what, !isMine);
    tell(isMine ? `${words} is anyone’s again.` : `${words} is this bench’s: the others are led past.`);
  };
}
