import type { Draws } from '../statistics/index.ts';

/** Requests of some weeks of earlier years, and how many they would have been had all weeks of those years been alike. */
export interface Season {
  requests: number;
  expected: number;
}

export interface Seasons {
  /** The weeks the present rate is counted from. */
  recent: Season;
  /** The weeks ahead, in blocks of `blockWeeks`. */
  ahead: Season[];
}

/** Weeks ahead that are taken to be of one season. */
export const blockWeeks = 4;
const yearWeeks = 52;
const mostYears = 3;
/** A year around a season of which less than this is known tells nothing of it, weeks. */
const leastYear = 39;
/** Weeks on either side of a season's middle that are counted to it. */
const reach = 2;

const sum = (counts: readonly number[], from: number, to: number): number =>
  counts.slice(Math.max(0, from), Math.max(0, to)).reduce((total, one) => total + one, 0);

/** The season of the weeks from `from` up to `to` (counted from now, negative: past), by the same weeks of earlier years. */
function seasonOf(counts: readonly number[], from: number, to: number): Season {
  const season = { requests: 0, expected: 0 };
  for (let year = 1; year <= mostYears; year++) {
    const [begin, end] = [counts.length + from - year * yearWeeks, counts.length + to - year * yearWeeks];
    const middle = Math.round((begin + end) / 2);
    const [first, last] = [Math.max(0, middle - yearWeeks / 2), Math.min(counts.length, middle + yearWeeks / 2)];
    if (begin < 0 || end > counts.length || last - first < leastYear) continue;
    season.requests += sum(counts, begin, end);
    season.expected += (sum(counts, first, last) / (last - first)) * (end - begin);
  }
  return season;
}

/**
 * The seasons of the weeks ahead and of those counted lately, from how many requests came in each week since the practice began (oldest
 * first, the last one ends now).
 */
export const seasonsOf = (counts: readonly number[], weeksAhead: number, weeksCounted: number): Seasons => ({
  recent: seasonOf(counts, -weeksCounted, 0),
  ahead: Array.from({ length: Math.ceil(weeksAhead / blockWeeks) }, (_, block) => {
    const middle = block * blockWeeks + blockWeeks / 2;
    return seasonOf(counts, middle - reach, middle + reach);
  }),
});

/** Believed before anything is counted, with the weight of so many requests: that all weeks are alike. */
const alike = 12;

/**
 * How many times as much comes in a season as in an ordinary week, in the middle: the mean of a gamma belief around 1 after what was
 * counted (Poisson counts; Gelman et al., Bayesian Data Analysis, 2.6).
 */
export const seasonFactor = ({ requests, expected }: Season): number => (requests + alike) / (expected + alike);

/** One draw of that factor. */
export const drawSeason = ({ requests, expected }: Season, draws: Draws): number => draws.gamma(requests + alike) / (expected + alike);
