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

/** How often Fisher's test finds that the share of failures was halved, in `n` chances each. */
function powerOfChances(n: number, success: number): number {
  const [before, after] = [success, 1 - (1 - success) / 2];
  let found = 0;
  // The fewest successes later that are told from chance: they only grow with the successes before.
  let least = 0;
  for (let s = 0; s <= n; s++) {
    const chance = binomialAt(s, n, before);
    if (chance < 1e-9) continue;
    least = Math.max(least, s);
    while (least <= n && fisherExact({ yes: least, no: n - least, otherYes: s, otherNo: n - s }) > changeP) least += 1;
    for (let later = least; later <= n; later++) found += chance * binomialAt(later, n, after);
  }
  return found;
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
