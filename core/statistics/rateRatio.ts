import { binomialUpTo, clopperPearson } from './binomial.ts';
import type { Interval } from './poisson.ts';

export interface Counted {
  count: number;
  exposure: number;
}

export interface RateRatio {
  /** Later rate over earlier rate; Infinity where nothing was counted earlier, null where nothing was counted at all. */
  ratio: number | null;
  /** Exact, two-sided; its upper end may be Infinity. */
  interval: Interval;
  /** How likely so few (so many) later, when both rates are alike. */
  pFewer: number;
  pMore: number;
}

/**
 * Compares two Poisson rates by the conditional exact test (Przyborowski & Wilenski 1940): given both counts together, the later one is
 * binomial with p = e₂ ÷ (e₁ + e₂) when the rates are alike. The interval of the ratio comes from Clopper–Pearson on that binomial.
 */
export function rateRatio(earlier: Counted, later: Counted, confidence = 0.9): RateRatio {
  const n = earlier.count + later.count;
  const p = later.exposure / (earlier.exposure + later.exposure);
  if (n === 0) return { ratio: null, interval: [0, Infinity], pFewer: 1, pMore: 1 };
  const scale = earlier.exposure / later.exposure;
  const [low, high] = clopperPearson(later.count, n, confidence);
  return {
    ratio: earlier.count === 0 ? Infinity : (later.count / earlier.count) * scale,
    interval: [(low / (1 - low)) * scale, high === 1 ? Infinity : (high / (1 - high)) * scale],
    pFewer: binomialUpTo(later.count, n, p),
    pMore: later.count === 0 ? 1 : 1 - binomialUpTo(later.count - 1, n, p),
  };
}
