import { binomialAt, binomialUpTo, fisherExact, poissonAt } from '../statistics/index.ts';

/** A change is told from chance at this one-sided p (docs/domain.md §7). */
export const changeP = 0.1;
/** A halving is to be found this often. */
const power = 0.8;

/** Means beyond this are not looked at: nobody films that much. */
const mostMean = 200;

/** How often the conditional exact test finds that a mean was halved, both over the same mat time. */
function powerAtMean(mean: number): number {
  const most = Math.ceil(mean + 8 * Math.sqrt(mean) + 10);
  let found = 0;
  for (let before = 0; before <= most; before++) {
    const chance = poissonAt(before, mean);
    if (chance < 1e-9) continue;
    // The most that may be counted later and still be told from chance; it grows with what was counted before.
    let after = -1;
    while (after < before && binomialUpTo(after + 1, before + after + 1, 0.5) <= changeP) after += 1;
    for (let k = 0; k <= after; k++) found += chance * poissonAt(k, mean / 2);
  }
  return found;
}

/** The mean count at which a halving is found; worked out once, since the test only sees counts. */
let neededMean: number | null = null;
function meanNeeded(): number {
  if (neededMean !== null) return neededMean;
  let [low, high] = [1, 2];
  while (powerAtMean(high) < power && high < mostMean) [low, high] = [high, high * 2];
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2;
    if (powerAtMean(middle) < power) low = middle;
    else high = middle;
  }
  return (neededMean = high);
}

/**
 * Minutes of exposure needed in each of two requests to find a halving of a rate (mistakes a minute) with power 0.8 by the conditional
 * exact test at one-sided p 0.1; rounded up. The test only sees counts, so it is a mean count over the rate.
 */
export const neededMinutes = (rate: number): number | null => (rate > 0 ? Math.ceil(meanNeeded() / rate) : null);

const mostChances = 400;

const leastOf = new Map<number, readonly number[]>();

/**
 * By the successes before, of `n` chances each: the fewest successes later that Fisher's test tells from chance, n + 1 where none are. They
 * only grow. Worked out once for each n (400 at most), since the test only sees counts.
 */
function leastSuccesses(n: number): readonly number[] {
  const known = leastOf.get(n);
  if (known) return known;
  let least = 0;
  const all = Array.from({ length: n + 1 }, (_, s) => {
    least = Math.max(least, s);
    while (least <= n && fisherExact({ yes: least, no: n - least, otherYes: s, otherNo: n - s }) > changeP) least += 1;
    return least;
  });
  leastOf.set(n, all);
  return all;
}

/** How often Fisher's test finds that the share of failures was halved, in `n` chances each. */
function powerOfChances(n: number, success: number): number {
  const after = 1 - (1 - success) / 2;
  // How likely so many successes or more are later.
  const orMore = [0];
  for (let later = n; later >= 0; later--) orMore.unshift(orMore[0]! + binomialAt(later, n, after));
  return leastSuccesses(n).reduce((found, least, s) => found + binomialAt(s, n, success) * orMore[least]!, 0);
}

/** Chances needed in each of two requests to find that failures were halved, from the present share of successes; null above 400. */
export function neededChances(success: number): number | null {
  if (!(success >= 0 && success < 1)) return null;
  let [low, high] = [2, 4];
  while (powerOfChances(high, success) < power) {
    if (high >= mostChances) return null;
    [low, high] = [high, Math.min(mostChances, high * 2)];
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (powerOfChances(middle, success) < power) low = middle;
    else high = middle;
  }
  return high;
}
