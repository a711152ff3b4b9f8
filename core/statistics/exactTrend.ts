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

/** Adds the counts of the group at a place, each as likely as `chanceOf` says; totals stay within the table. */
function addGroup(table: Scored, place: number, most: number, chanceOf: (count: number) => number): void {
  const limit = table.length - 1;
  const chances = Array.from({ length: Math.min(most, limit) + 1 }, (_, count) => chanceOf(count));
  // What is rarer than this makes no difference to any digit that is kept.
  while (chances.length > 1 && chances.at(-1)! < rarest) chances.pop();
  // From the greatest total down, so that what is read is still without this group.
  for (let total = limit; total >= 0; total--) {
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

/** Share of the weights whose score is as far as what was seen, or farther. */
function shareOf(weights: Float64Array, isAsFar: (score: number) => boolean): number {
  let [all, far] = [0, 0];
  weights.forEach((weight, score) => {
    all += weight;
    if (isAsFar(score)) far += weight;
  });
  return Math.min(1, far / all);
}

const scoreOf = (counts: readonly number[]): number => counts.reduce((sum, count, i) => sum + (i + 1) * count, 0);
const sumOf = (counts: readonly number[]): number => counts.reduce((sum, count) => sum + count, 0);

function requireCounts(counts: readonly number[]): void {
  for (const count of counts) if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} is no count.`);
}

/**
 * Exact conditional test for a trend in shares, one-sided towards more successes later: the test of Cochran (1954) and Armitage (1955) with
 * scores 1, 2, 3 …, its p not by the normal curve but over all ways in which as many successes can fall on the groups (multivariate
 * hypergeometric; Agresti, Categorical Data Analysis, 3.3 and 3.5). With two groups it is Fisher's test. Answers P(score ≥ seen); 1 where
 * all or none succeeded. Throws a RangeError for what are no counts.
 */
export function shareTrend(groups: readonly { successes: number; chances: number }[]): number {
  const successes = groups.map((group) => group.successes);
  requireCounts([...successes, ...groups.map(({ chances }) => chances)]);
  if (groups.some((group) => group.successes > group.chances)) throw new RangeError('More successes than chances.');
  const [total, tries] = [sumOf(successes), sumOf(groups.map(({ chances }) => chances))];
  if (total === 0 || total === tries) return 1;
  // Any probability gives the same answer once the total is given; near the seen one nothing vanishes.
  const p = total / tries;
  const table = nothingYet(total, groups.length);
  groups.forEach(({ chances }, i) => addGroup(table, i + 1, chances, (count) => binomialAt(count, chances, p)));
  const seen = scoreOf(successes);
  return shareOf(table[total]!, (score) => score >= seen);
}

/**
 * Exact conditional test for a trend in rates, one-sided towards fewer events later: given all events, they fall on the groups as the
 * multinomial with shares of the time says (conditional Poisson trend with scores 1, 2, 3 …; Armitage 1955, Agresti 3.5). With two groups
 * it is the conditional binomial test of two rates. Answers P(score ≤ seen); 1 where nothing was counted.
 */
export function rateTrend(groups: readonly { count: number; exposure: number }[]): number {
  const counts = groups.map(({ count }) => count);
  requireCounts(counts);
  if (groups.some(({ exposure }) => !(exposure > 0))) throw new RangeError('Every group needs time above 0.');
  const [total, time] = [sumOf(counts), sumOf(groups.map(({ exposure }) => exposure))];
  if (total === 0) return 1;
  const table = nothingYet(total, groups.length);
  groups.forEach(({ exposure }, i) => {
    const mean = (total * exposure) / time;
    addGroup(table, i + 1, total, (count) => poissonAt(count, mean));
  });
  const seen = scoreOf(counts);
  return shareOf(table[total]!, (score) => score <= seen);
}
