import { binomialAt } from './binomial.ts';
import { poissonAt } from './poisson.ts';

/** The weight of each pair of a total and a score, the score being Σ place × count with places 1, 2, 3 …: a table by total and score. */
type Scored = Map<number, Map<number, number>>;

/** Adds the counts of the group at a place, each as likely as `chanceOf` says, up to `most` and while the total stays within `limit`. */
function withGroup(before: Scored, place: number, most: number, limit: number, chanceOf: (count: number) => number): Scored {
  const chances = Array.from({ length: Math.min(most, limit) + 1 }, (_, count) => chanceOf(count));
  const after: Scored = new Map();
  for (const [total, scores] of before)
    chances.slice(0, limit - total + 1).forEach((chance, count) => {
      if (chance === 0) return;
      const here = after.get(total + count) ?? new Map<number, number>();
      for (const [score, weight] of scores) {
        const reached = score + place * count;
        here.set(reached, (here.get(reached) ?? 0) + weight * chance);
      }
      after.set(total + count, here);
    });
  return after;
}

/** Share of what lies at a total that has a score of at most, or at least, what was seen. */
function shareOf(scores: ReadonlyMap<number, number>, isAsFar: (score: number) => boolean): number {
  let [all, far] = [0, 0];
  for (const [score, weight] of scores) {
    all += weight;
    if (isAsFar(score)) far += weight;
  }
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
 * hypergeometric; Agresti, Categorical Data Analysis, 3.3 and 3.5). With two groups it is Fisher's test. Answers P(score ≥ seen); 1 where all or none
 * succeeded. Throws a RangeError for what are no counts.
 */
export function shareTrend(groups: readonly { successes: number; chances: number }[]): number {
  const successes = groups.map((group) => group.successes);
  requireCounts([...successes, ...groups.map(({ chances }) => chances)]);
  if (groups.some((group) => group.successes > group.chances)) throw new RangeError('More successes than chances.');
  const [total, tries] = [sumOf(successes), sumOf(groups.map(({ chances }) => chances))];
  if (total === 0 || total === tries) return 1;
  // Any probability gives the same answer once the total is given; near the seen one nothing vanishes.
  const p = total / tries;
  let table: Scored = new Map([[0, new Map([[0, 1]])]]);
  groups.forEach(({ chances }, i) => (table = withGroup(table, i + 1, chances, total, (count) => binomialAt(count, chances, p))));
  const seen = scoreOf(successes);
  return shareOf(table.get(total)!, (score) => score >= seen);
}

/**
 * Exact conditional test for a trend in rates, one-sided towards fewer events later: given all events, they fall on the groups as the
 * multinomial with shares of the time says (conditional Poisson trend with scores 1, 2, 3 …; Armitage 1955, Agresti 3.5). With two groups it is the
 * conditional binomial test of two rates. Answers P(score ≤ seen); 1 where nothing was counted.
 */
export function rateTrend(groups: readonly { count: number; exposure: number }[]): number {
  const counts = groups.map(({ count }) => count);
  requireCounts(counts);
  if (groups.some(({ exposure }) => !(exposure > 0))) throw new RangeError('Every group needs time above 0.');
  const [total, time] = [sumOf(counts), sumOf(groups.map(({ exposure }) => exposure))];
  if (total === 0) return 1;
  let table: Scored = new Map([[0, new Map([[0, 1]])]]);
  groups.forEach(({ exposure }, i) => {
    const mean = (total * exposure) / time;
    table = withGroup(table, i + 1, total, total, (count) => poissonAt(count, mean));
  });
  const seen = scoreOf(counts);
  return shareOf(table.get(total)!, (score) => score <= seen);
}
