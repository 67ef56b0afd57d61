/** What filers take off on one engine and on the shop's others, and what to cut next. */
import type { ShopRate } from '../../record/log';
import { type CutAdvice, takeNext, turnsFor } from './filingAdvice';
import type { JudgedRing } from './ringGap';
import { type Rate, type RateMetal, type RateSums, NO_CUTS, addedRates, rateOf, withCut } from '../../record/filerRate';
import { type Ring, isCompression } from '../../foundation/parts/rings';
import type { RingSet } from './set';

/** What one filer takes off one metal. */
export interface JudgedRate {
  /** Id of the filer, in whichever version. */
  filer: string;
  metal: RateMetal;
  /** From the shop's other engines. */
  shop: RateSums;
  /** From this one. */
  own: RateSums;
  /** Null while there is not enough data. */
  rate: Rate | null;
}

/**
 * The metal of a ring as the set says.
 *
 * @example metalOf(judgement.choices.ringSet, 'top') // 'unknown'
 */
export const metalOf = (set: RingSet, ring: Ring): RateMetal =>
  (isCompression(ring) ? set[ring].metal : null) ?? 'unknown';

/** The filer of a key, in whichever version. */
const filerId = (key: string): string => key.split('.')[0] ?? key;

/** What each filer takes off each metal: from the shop's other engines, and from this one. */
export function ratesOf(
  rings: readonly Pick<JudgedRing, 'ring' | 'taken'>[],
  shop: ReadonlyMap<string, ShopRate>,
  set: RingSet,
): JudgedRate[] {
  const rates = new Map<string, JudgedRate>();
  const at = (filer: string, metal: RateMetal): JudgedRate => {
    const key = `${filer}/${metal}`;
    const found = rates.get(key) ?? { filer, metal, shop: shop.get(key)?.sums ?? NO_CUTS, own: NO_CUTS, rate: null };
    rates.set(key, found);
    return found;
  };
  for (const { filer, metal } of shop.values()) at(filer, metal);
  for (const ring of rings)
    for (const { filer, count, removed } of ring.taken) {
      const rate = at(filerId(filer), metalOf(set, ring.ring));
      rate.own = withCut(rate.own, count, removed);
    }
  return [...rates.values()].map((r) => ({ ...r, rate: rateOf(addedRates(r.shop, r.own)) }));
}

/** What to cut next from a ring; null where nothing is to come off, or it was cut since it was read. */
export function cutAdvice(
  ring: JudgedRing,
  rates: readonly JudgedRate[],
  metal: RateMetal,
  chance: number,
): CutAdvice | null {
  const { toComeOff: off, target, counts: found } = ring;
  if (!off || !target.set || !found || ring.cutsSince > 0) return null;
  const { aimFrom, aimTo, most } = target.inForce;
  const end = aimTo ?? most ?? Infinity;
  const aim = Math.round((aimFrom + (aimTo ?? aimFrom)) / 2);
  const turns = rates.flatMap(({ filer, metal: of, rate }) =>
    rate && of === metal ? [turnsFor({ filer, rate, found, aim, end, chance })] : [],
  );
  return { take: takeNext(off, !ring.filed), first: !ring.filed, off, turns };
}
