/** Which piston is in which cylinder, and how that stands against the clearances that are wanted. */
import type { Nm } from '../../foundation/quantity/length';
import type { Component } from '../../foundation/uncertainty/combine';

export interface PairingBore {
  cylinder: string;
  bore: Nm;
  /** The clearance it should have. */
  wanted: Nm;
  /** The clearance it may not be under; null where nothing says so. */
  least: Nm | null;
  /** The piston that its gauge was zeroed on, and what their clearance may not be under: better known, it may be less. */
  zeroed?: { piston: string; least: Nm };
}

export interface PairingPiston {
  piston: string;
  size: Nm;
  /** What its size may be off by of its own, nm: what is left of it in the difference of two pistons. */
  own: Component;
}

/** Which piston is in which cylinder. */
export interface Pair {
  cylinder: string;
  piston: string;
}

export interface PairingAsk {
  bores: PairingBore[];
  /** As many as there are bores. */
  pistons: PairingPiston[];
  /** How they are paired at present, each once. */
  now: Pair[];
  /** Cylinders whose piston stays. */
  locked: string[];
  /** Pistons that carry their number already. */
  marked: string[];
  /** The worst deviation must come down by at least this for a marked piston to be moved. */
  gain: Nm;
  /** Whether pairs under a cylinder's least clearance are ruled out. */
  neverTight: boolean;
}

/** One cylinder of a pairing. */
export interface Paired extends Pair {
  clearance: Nm;
  /** From the wanted clearance; positive is looser. */
  deviation: Nm;
}

export interface Standing {
  pairs: Paired[];
  worst: Nm;
  /** Root mean square of the deviations, nm not rounded. */
  rms: number;
  least: Nm;
  most: Nm;
  /** Largest clearance − smallest. */
  apart: Nm;
}

/**
 * How a pairing stands against what is wanted. Pairs whose bore or piston is not among those asked are left out.
 *
 * @example
 *   standingOf({ bores: [{ cylinder: '1', bore: 100_100_000, wanted: 100_000, least: 80_000 }], pistons: [{ piston:
 *   '1', size: 100_000_000, own: { standard: 0, freedom: Infinity } }], now: [], locked: [], marked: [], gain: 0,
 *   neverTight: false }, [{ cylinder: '1', piston: '1' }]).worst // 0
 */
export function standingOf(ask: PairingAsk, pairs: Pair[]): Standing {
  const bores = new Map(ask.bores.map((b) => [b.cylinder, b]));
  const pistons = new Map(ask.pistons.map((p) => [p.piston, p.size]));
  const paired = pairs.flatMap(({ cylinder, piston }): Paired[] => {
    const bore = bores.get(cylinder);
    const size = pistons.get(piston);
    if (!bore || size === undefined) return [];
    const clearance = bore.bore - size;
    return [{ cylinder, piston, clearance, deviation: clearance - bore.wanted }];
  });
  const deviations = paired.map((p) => Math.abs(p.deviation));
  const clearances = paired.map((p) => p.clearance);
  const squares = deviations.reduce((sum, d) => sum + d * d, 0);
  const [least, most] = clearances.length === 0 ? [0, 0] : [Math.min(...clearances), Math.max(...clearances)];
  return {
    pairs: paired,
    worst: Math.max(0, ...deviations),
    rms: paired.length === 0 ? 0 : Math.sqrt(squares / paired.length),
    least,
    most,
    apart: most - least,
  };
}
