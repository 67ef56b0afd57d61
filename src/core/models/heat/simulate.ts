/**
 * The chance that a gap closes: a Monte Carlo run over what the heat model is not sure of.
 *
 * Each draw takes ring and wall temperature, both expansions and the cold gap from their distributions and
 * asks whether the ring is hotter than the temperature its ends meet at. Propagation of distributions by
 * Monte Carlo: published, JCGM 101:2008, recalled from memory.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type RingHeat, buttingTemperature, growth } from './hotGap';
import type { Expansion } from './metals';
import { type Random, randomFrom } from './random';

/** Half-widths at about 95 % (k = 2) of normal distributions. */
export interface HeatSpread {
  /** °C. */
  ring: number;
  wall: number;
  /** Of either expansion, as a share: 0.04 is ±4 %. */
  expansion: number;
}

/** A cold gap as far as it is known: uniform between two ends. A single figure has both ends alike. */
export interface ColdGap {
  least: Nm;
  most: Nm;
}

export interface SimulationAsk {
  cold: ColdGap;
  heat: RingHeat;
  /** Assumed ring temperature, °C. */
  ring: number;
  spread: HeatSpread;
  draws: number;
  seed: number;
  /** Ring temperatures the band is given at, °C. */
  at: number[];
}

/** Where 5, 50 and 95 % of the draws lie under, at one ring temperature; nm. */
export interface BandPoint {
  celsius: number;
  low: number;
  middle: number;
  high: number;
}

export interface SimulationResult {
  draws: number;
  closed: number;
  /** Share of draws in which the ends met. */
  chance: number;
  /** Standard error of the chance: √(p·(1 − p)/n), binomial. */
  chanceError: number;
  /** Mean and standard deviation of the margin, butting − ring temperature, K. */
  margin: { mean: number; deviation: number };
  band: BandPoint[];
}

/** A run part by part, so that it can be stopped and can say how far it is. */
export interface Simulation {
  done: () => number;
  step: (draws: number) => void;
  result: () => SimulationResult;
}

/** As many draws as one run may have. */
const MOST_DRAWS = 2_000_000;
/** As many draws as the band is worked from; the chance uses all of them. */
const BAND_DRAWS = 20_000;

interface Draw {
  heat: RingHeat;
  cold: number;
  ring: number;
}

const times = ({ at0, each }: Expansion, factor: number): Expansion => ({ at0: at0 * factor, each: each * factor });

function drawn({ heat, cold, ring, spread }: SimulationAsk, random: Random): Draw {
  const about = (mean: number, halfWidth: number): number => mean + (halfWidth / 2) * random.normal();
  return {
    cold: cold.least + (cold.most - cold.least) * random.uniform(),
    ring: about(ring, spread.ring),
    heat: {
      bore: heat.bore,
      wall: about(heat.wall, spread.wall),
      ringExpansion: times(heat.ringExpansion, about(1, spread.expansion)),
      boreExpansion: times(heat.boreExpansion, about(1, spread.expansion)),
    },
  };
}

/** The gap falls as the ring grows: its value with a cold ring, and its fall by what a ring as assumed would grow. */
function lineOf({ heat, cold }: Draw, assumed: Expansion): { start: number; fall: number } {
  const round = Math.PI * heat.bore;
  const start = round * growth(heat.boreExpansion, heat.wall) + cold;
  return { start, fall: ((round - cold) * heat.ringExpansion.at0) / assumed.at0 };
}

function bandAt(grown: number, starts: Float64Array, falls: Float64Array, count: number): Omit<BandPoint, 'celsius'> {
  const gaps = new Float64Array(count);
  for (let i = 0; i < count; i += 1) gaps[i] = (starts[i] ?? 0) - (falls[i] ?? 0) * grown;
  gaps.sort();
  const at = (share: number): number => gaps[Math.min(count - 1, Math.floor(share * count))] ?? 0;
  return { low: at(0.05), middle: at(0.5), high: at(0.95) };
}

/**
 * Begins a run. Nothing is drawn until it is stepped.
 *
 * @throws RangeError when the number of draws is not a whole number from 1 to 2,000,000
 */
export function simulation(ask: SimulationAsk): Simulation {
  if (!Number.isInteger(ask.draws) || ask.draws < 1 || ask.draws > MOST_DRAWS)
    throw new RangeError(`draws: 1 to ${MOST_DRAWS}, whole, not ${ask.draws}`);
  const random = randomFrom(ask.seed);
  const kept = Math.min(ask.draws, BAND_DRAWS);
  const starts = new Float64Array(kept);
  const falls = new Float64Array(kept);
  let [done, closed, sum, squares] = [0, 0, 0, 0];
  const nominal = buttingTemperature((ask.cold.least + ask.cold.most) / 2, ask.heat) - ask.ring;
  const step = (draws: number): void => {
    const until = Math.min(ask.draws, done + draws);
    for (; done < until; done += 1) {
      const draw = drawn(ask, random);
      const margin = buttingTemperature(draw.cold, draw.heat) - draw.ring;
      if (margin < 0) closed += 1;
      sum += margin - nominal;
      squares += (margin - nominal) ** 2;
      if (done >= kept) continue;
      const line = lineOf(draw, ask.heat.ringExpansion);
      starts[done] = line.start;
      falls[done] = line.fall;
    }
  };
  const result = (): SimulationResult => {
    const n = Math.max(done, 1);
    const chance = closed / n;
    const mean = sum / n;
    return {
      draws: done,
      closed,
      chance,
      chanceError: Math.sqrt((chance * (1 - chance)) / n),
      margin: { mean: nominal + mean, deviation: Math.sqrt(Math.max(0, squares / n - mean * mean)) },
      band: ask.at.map((celsius) => ({
        celsius,
        ...bandAt(growth(ask.heat.ringExpansion, celsius), starts, falls, Math.min(done, kept)),
      })),
    };
  };
  return { done: () => done, step, result };
}

/**
 * A chance in words: a share, `1 in n` where it is small, and a bound of about 3 in n (identity) where no draw closed.
 *
 * @example chanceWords({ chance: 0.012, draws: 10_000, closed: 120 }) // '1.2 %'
 */
export function chanceWords({ chance, draws, closed }: SimulationResult): string {
  if (closed === 0) return `< 1 in ${Math.floor(draws / 3).toLocaleString('en')}`;
  if (chance < 0.001) return `1 in ${Math.round(1 / chance).toLocaleString('en')}`;
  return `${(chance * 100).toFixed(chance < 0.01 ? 2 : 1)} %`;
}

/** The whole run at once. */
export function simulate(ask: SimulationAsk): SimulationResult {
  const run = simulation(ask);
  run.step(ask.draws);
  return run.result();
}
