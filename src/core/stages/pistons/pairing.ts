/**
 * Pairing: which piston goes into which bore, so that clearances come out as wanted in every cylinder.
 *
 * First the worst deviation from a cylinder's own wanted clearance is made as small as it can be, then, without
 * giving that up, the sum of the squared deviations, then the number of pistons moved. Exact for any number of
 * cylinders. That the largest piston belongs in the largest bore: common practice, no source; the optimum here
 * is arithmetic.
 */
import type { Nm } from '../../foundation/quantity/length';
import { expandedOf, sumOf } from '../../foundation/uncertainty/combine';
import { type Costs, leastSum, leastWorst } from '../../foundation/quantity/assignment';
import { type Pair, type Paired, type PairingAsk, type PairingBore, type Standing, standingOf } from './standing';

export type PairingResult =
  | {
      kind: 'found';
      before: Standing;
      after: Standing;
      /** Pistons that go round: the first cylinder's piston into the second, and so on, the last one's into the first. */
      rounds: string[][];
      /** What moving the marked pistons would bring, where they stay; null where it brings nothing, or none stays. */
      forgone: Nm | null;
      movedMarked: string[];
      /** Whether others would move, but for less than the readings can tell. */
      untold: boolean;
    }
  | { kind: 'impossible'; why: string };

/** What a clearance of a piston in a bore may not be under; null where nothing says so. */
const limitOf = ({ least, zeroed }: PairingBore, piston: string): Nm | null =>
  zeroed?.piston === piston ? zeroed.least : least;

/**
 * The allowed pairs' deviations, made positive; null forbids. `held` are pistons that stay where they are; only a
 * locked pair may be tight then.
 */
function deviationsOf(ask: PairingAsk, held: ReadonlySet<string>): Costs {
  const pistonIn = new Map(ask.now.map((p) => [p.cylinder, p.piston]));
  const locked = new Set(ask.locked);
  const stays = (cylinder: string): boolean => locked.has(cylinder) || held.has(pistonIn.get(cylinder) ?? '');
  const keptPistons = new Set(ask.now.filter((p) => stays(p.cylinder)).map((p) => p.piston));
  return ask.bores.map((at) =>
    ask.pistons.map(({ piston, size }) => {
      const { cylinder, bore, wanted } = at;
      const own = pistonIn.get(cylinder) === piston;
      if ((stays(cylinder) || keptPistons.has(piston)) && !own) return null;
      const clearance = bore - size;
      const limit = limitOf(at, piston);
      const tight = limit !== null && clearance < limit;
      return ask.neverTight && tight && !(own && locked.has(cylinder)) ? null : Math.abs(clearance - wanted);
    }),
  );
}

function best(ask: PairingAsk, held: ReadonlySet<string>): Pair[] | null {
  const deviations = deviationsOf(ask, held);
  const worst = leastWorst(deviations);
  if (worst === null) return null;
  const pistonIn = new Map(ask.now.map((p) => [p.cylinder, p.piston]));
  const weight = ask.bores.length + 1;
  const costs = deviations.map((row, i) =>
    row.map((d, j) => {
      if (d === null || d > worst) return null;
      const moved = pistonIn.get(ask.bores[i]?.cylinder ?? '') !== ask.pistons[j]?.piston;
      return d * d * weight + (moved ? 1 : 0);
    }),
  );
  return (
    leastSum(costs)?.map((column, row) => ({
      cylinder: ask.bores[row]?.cylinder ?? '',
      piston: ask.pistons[column]?.piston ?? '',
    })) ?? null
  );
}

/**
 * The rounds in which pistons move from one pairing to another, as cylinders.
 *
 * @example
 *   roundsOf([{ cylinder: '1', piston: '1' }, { cylinder: '2', piston: '2' }], [{ cylinder: '1', piston: '2' }, {
 *   cylinder: '2', piston: '1' }]) // [ [ '1', '2' ] ]
 */
export function roundsOf(before: readonly Pair[], after: Pair[]): string[][] {
  const nowAt = new Map(after.map((p) => [p.piston, p.cylinder]));
  const goesTo = new Map(before.map((p) => [p.cylinder, nowAt.get(p.piston) ?? p.cylinder]));
  const seen = new Set<string>();
  return before.flatMap(({ cylinder }) => {
    const round: string[] = [];
    for (let at = cylinder; !seen.has(at); at = goesTo.get(at) ?? at) {
      seen.add(at);
      round.push(at);
    }
    return round.length > 1 ? [round] : [];
  });
}

/**
 * The pairing without those rounds whose gain the readings cannot tell: by which neither the worst of their cylinders nor
 * all of them together come nearer by more than the pistons' sizes may be off against each other, and no tight pair comes
 * apart.
 */
function worthMoving(ask: PairingAsk, best: Pair[]): Pair[] {
  const bores = new Map(ask.bores.map((b) => [b.cylinder, b]));
  const pistons = new Map(ask.pistons.map((p) => [p.piston, p]));
  const pistonIn = new Map(ask.now.map((p) => [p.cylinder, p.piston]));
  const isTight = ({ cylinder, piston, clearance }: Paired): boolean => {
    const bore = bores.get(cylinder);
    return bore !== undefined && clearance < (limitOf(bore, piston) ?? -Infinity);
  };
  let kept = best;
  for (const round of roundsOf(ask.now, best)) {
    const inRound = new Set(round);
    const without = kept.map((p) =>
      inRound.has(p.cylinder) ? { ...p, piston: pistonIn.get(p.cylinder) ?? p.piston } : p,
    );
    const among = (pairs: Pair[]): Standing =>
      standingOf(
        ask,
        pairs.filter((p) => inRound.has(p.cylinder)),
      );
    const [was, is] = [among(without), among(kept)];
    const told = expandedOf(sumOf(is.pairs.flatMap((p) => pistons.get(p.piston)?.own ?? [])));
    const all = ({ rms }: Standing): number => rms * Math.sqrt(round.length);
    const frees = was.pairs.filter(isTight).length > is.pairs.filter(isTight).length;
    if (!frees && was.worst - is.worst <= told && all(was) - all(is) <= told) kept = without;
  }
  return kept;
}

function faultOf(ask: PairingAsk): string | null {
  if (ask.bores.length === 0) return 'No cylinder has both its bore and its piston measured yet.';
  if (ask.bores.length !== ask.pistons.length)
    return `${ask.bores.length} bores and ${ask.pistons.length} pistons: there must be as many of one as of the other.`;
  const cylinders = new Set(ask.bores.map((b) => b.cylinder));
  const pistons = new Set(ask.pistons.map((p) => p.piston));
  const sound = ask.now.length === ask.bores.length && new Set(ask.now.map((p) => p.piston)).size === ask.now.length;
  if (!sound || !ask.now.every((p) => cylinders.has(p.cylinder) && pistons.has(p.piston)))
    return 'The present pairing does not name each bore and each piston once.';
  return null;
}

/**
 * The best pairing. Marked pistons stay unless moving them brings the worst deviation down by the stated gain;
 * then as few pistons move as the optimum allows.
 *
 * @returns the pairing with before and after, or why there is none. Never throws.
 */
export function pairingOf(ask: PairingAsk): PairingResult {
  const fault = faultOf(ask);
  if (fault) return { kind: 'impossible', why: fault };
  const free = best(ask, new Set());
  const kept = ask.marked.length === 0 ? free : best(ask, new Set(ask.marked));
  if (!free)
    return {
      kind: 'impossible',
      why: ask.neverTight
        ? `${ask.locked.length > 0 ? 'With these locks no' : 'No'} pairing keeps every cylinder at its least clearance or over it. Hone the tight ones; or allow tight pairs, to see the nearest.`
        : 'The locks leave no complete pairing.',
    };
  const freeWorst = standingOf(ask, free).worst;
  const keptWorst = kept && standingOf(ask, kept).worst;
  const pays = keptWorst === null || keptWorst - freeWorst >= ask.gain;
  const optimum = kept && !(pays && keptWorst !== null && keptWorst > freeWorst) ? kept : free;
  const chosen = worthMoving(ask, optimum);
  const nowAt = new Map(ask.now.map((p) => [p.piston, p.cylinder]));
  const gain = keptWorst === null ? 0 : keptWorst - freeWorst;
  return {
    kind: 'found',
    before: standingOf(ask, ask.now),
    after: standingOf(ask, chosen),
    rounds: roundsOf(ask.now, chosen),
    forgone: optimum === kept && gain > 0 ? gain : null,
    untold: chosen.some((p, i) => p.piston !== optimum[i]?.piston),
    movedMarked: chosen
      .filter((p) => ask.marked.includes(p.piston) && nowAt.get(p.piston) !== p.cylinder)
      .map((p) => p.piston),
  };
}
