import { binomialAt } from './binomial.ts';
import { poissonAt } from './poisson.ts';

/**
 * Weights of a total and a score, the score being Σ place × count with places 1, 2, 3 …: one row of scores for each total from 0 up to
 * `limit`. Nothing of a score above place × total is ever there.
 */
type Scored = Float64Array[];

const nothingYet = (limit: number, places: number): Scored => {
  const table = Array.from({ length: limit + 1 }, (_, total) => new Float64Array(places * total + 1));
  table[0]![0] = 1;
  return table;
};

const rarest = 1e-40;

/**
 * Adds the counts of the group at a place, each as likely as `chanceOf` says; totals stay within the table. Those below `least` are left as
 * they are: the groups that are still to come cannot bring them up to the table's last.
 */
function addGroup(table: Scored, place: number, most: number, least: number, chanceOf: (count: number) => number): void {
  const limit = table.length - 1;
  const chances = Array.from({ length: Math.min(most, limit) + 1 }, (_, count) => chanceOf(count));
  // What is rarer than this makes no difference to any digit that is kept.
  while (chances.length > 1 && chances.at(-1)! < rarest) chances.pop();
  // From the greatest total down, so that what is read is still without this group.
  for (let total = limit; total >= Math.max(0, least); total--) {
    table[total]!.set(mixed(table, total, place, chances));
  }
}

/** A row of the table with a group added: every count of it beside what the groups before make of the rest. */
function mixed(table: Scored, total: number, place: number, chances: readonly number[]): Float64Array {
  const row = new Float64Array(place * total + 1);
  for (let count = 0; count < chances.length && count <= total; count++) {
    const before = table[total - count]!;
    // Before this group no score is above (place − 1) × its total.
    const reach = Math.min(before.length, (place - 1) * (total - count) + 1);
    for (let score = 0; score < reach; score++) row[score + place * count]! += before[score]! * chances[count]!;
  }
  return row;
}

/** How seldom chance alone goes as far as what was seen, or farther, where nothing changes. */
export interface Trend {
  /** One-sided, towards more of it later: P(score ≥ seen). */
  rising: number;
  /** One-sided, towards fewer of it later: P(score ≤ seen). */
  falling: number;
}

/** Nothing to tell: all fell out alike. */
const noTrend: Trend = { rising: 1, falling: 1 };

/** Both sides of what was seen, by the weights of all scores. */
function trendOf(weights: Float64Array, seen: number): Trend {
  let [all, rising, falling] = [0, 0, 0];
  weights.forEach((weight, score) => {
    all += weight;
    if (score >= seen) rising += weight;
    if (score <= seen) falling += weight;
  });
  return { rising: Math.min(1, rising / all), falling: Math.min(1, falling / all) };
}

const scoreOf = (counts: readonly number[]): number => counts.reduce((sum, count, i) => sum + (i + 1) * count, 0);
const sumOf = (counts: readonly number[]): number => counts.reduce((sum, count) => sum + count, 0);

function requireCounts(counts: readonly number[]): void {
  for (const count of counts) if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} is no count.`);
}

/**
 * Exact conditional test for a trend in shares, each way: the test of Cochran (1954) and Armitage (1955) with
 * scores 1, 2, 3 …, its p not by the normal curve but over all ways in which as many successes can fall on the groups (multivariate
 * hypergeometric; Agresti, Categorical Data Analysis, 3.3 and 3.5). With two groups it is Fisher's test. 1 both ways where all or none
 * succeeded. Throws a RangeError for what are no counts.
 */
export function shareTrend(groups: readonly { successes: number; chances: number }[]): Trend {
  const successes = groups.map((group) => group.successes);
  requireCounts([...successes, ...groups.map(({ chances }) => chances)]);
  if (groups.some((group) => group.successes > group.chances)) throw new RangeError('More successes than chances.');
  const [total, tries] = [sumOf(successes), sumOf(groups.map(({ chances }) => chances))];
  if (total === 0 || total === tries) return noTrend;
  // Any probability gives the same answer once the total is given; near the seen one nothing vanishes.
  const p = total / tries;
  const table = nothingYet(total, groups.length);
  let toCome = tries;
  groups.forEach(({ chances }, i) => {
    toCome -= chances;
    addGroup(table, i + 1, chances, total - toCome, (count) => binomialAt(count, chances, p));
  });
  return trendOf(table[total]!, scoreOf(successes));
}

/**
 * Exact conditional test for a trend in rates, each way: given all events, they fall on the groups as the
 * multinomial with shares of the time says (conditional Poisson trend with scores 1, 2, 3 …; Armitage 1955, Agresti 3.5). With two groups
 * it is the conditional binomial test of two rates. 1 both ways where nothing was counted.
 */
export function rateTrend(groups: readonly { count: number; exposure: number }[]): Trend {
  const counts = groups.map(({ count }) => count);
  requireCounts(counts);
  if (groups.some(({ exposure }) => !(exposure > 0))) throw new RangeError('Every group needs time above 0.');
  const [total, time] = [sumOf(counts), sumOf(groups.map(({ exposure }) => exposure))];
  if (total === 0) return noTrend;
  const table = nothingYet(total, groups.length);
  groups.forEach(({ exposure }, i) => {
    const mean = (total * exposure) / time;
    // Any group may take all of them: only the last one knows how many are left.
    addGroup(table, i + 1, total, i === groups.length - 1 ? total : 0, (count) => poissonAt(count, mean));
  });
  return trendOf(table[total]!, scoreOf(counts));
}
