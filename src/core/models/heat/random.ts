/**
 * Numbers drawn at random that come out the same for the same seed.
 * Uniform: xorshift, 32 bits, shifts 13, 17, 5 (published: Marsaglia, Xorshift RNGs, 2003, recalled from memory).
 * Normal: polar method (published: Marsaglia and Bray, 1964, recalled from memory).
 */
export interface Random {
  /** Uniform, over 0 and under 1. */
  uniform: () => number;
  /** Normal with mean 0 and standard deviation 1. */
  normal: () => number;
}

/** Odd constant that spreads small seeds over all bits: 2³² divided by the golden ratio. */
const SPREAD = 0x9e3779b9;
/** 2³². */
const TWO_TO_32 = 4_294_967_296;
/** The first numbers after a seed are thrown away: they still show its pattern. */
const WARM_UP = 16;

/**
 * A generator begun at a seed, any whole number.
 *
 * @example randomFrom(7).uniform() // 0.6649933499284089
 */
export function randomFrom(seed: number): Random {
  let state = Math.imul(seed + 1, SPREAD) | 0 || SPREAD;
  let spare: number | null = null;
  const uniform = (): number => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / TWO_TO_32;
  };
  const normal = (): number => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    for (;;) {
      const [x, y] = [2 * uniform() - 1, 2 * uniform() - 1];
      const square = x * x + y * y;
      if (square === 0 || square >= 1) continue;
      const scale = Math.sqrt((-2 * Math.log(square)) / square);
      spare = y * scale;
      return x * scale;
    }
  };
  for (let i = 0; i < WARM_UP; i += 1) uniform();
  return { uniform, normal };
}
