import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A source of random numbers that gives the same ones for the same seed. */
export interface Draws {
  /** Evenly between 0 (included) and 1 (not included). */
  uniform: () => number;
  /** Standard normal. */
  normal: () => number;
  /** Gamma with the given shape (above 0) and rate 1. */
  gamma: (shape: number) => number;
  /** Poisson with the given mean (0 or more). */
  poisson: (mean: number) => number;
}

/** Above this mean a Poisson number is the sum of two of half the mean, so that no exponential runs out of digits. */
const mostPoisson = 60;

/** Random numbers from a whole-numbered seed. */
export function drawsFrom(seed: number): Draws {
  const source = xoroshiro128plus(seed);
  const uniform = (): number => uniformFloat64(source);
  let spare: number | null = null;
  /** Marsaglia's polar method: two at a time. */
  const normal = (): number => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    for (;;) {
      const [x, y] = [2 * uniform() - 1, 2 * uniform() - 1];
      const s = x * x + y * y;
      if (s === 0 || s >= 1) continue;
      const scale = Math.sqrt((-2 * Math.log(s)) / s);
      spare = y * scale;
      return x * scale;
    }
  };
  /** Marsaglia and Tsang (2000); below shape 1 by their boost. */
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * (1 - uniform()) ** (1 / shape);
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = normal();
      const v = (1 + c * x) ** 3;
      if (v > 0 && Math.log(1 - uniform()) < (x * x) / 2 + d - d * v + d * Math.log(v)) return d * v;
    }
  };
  const poisson = (mean: number): number => {
    if (mean > mostPoisson) return poisson(mean / 2) + poisson(mean / 2);
    const least = Math.exp(-mean);
    let [count, product] = [0, uniform()];
    while (product > least) {
      count++;
      product *= uniform();
    }
    return count;
  };
  return { uniform, normal, gamma, poisson };
}
