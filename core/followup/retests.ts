import { oddsRatio, rateRatio, rateTrend, shareTrend, type Interval, type Trend } from '../statistics/index.ts';
import { fixProgress, verdictOf, type FixProgress, type FixSeries, type FixVerdict } from './fixProgress.ts';
import { changeP } from './neededToKnow.ts';

/** Retests of one start (same sides, same minutes), oldest first: what succeeded of its chances, or mistakes in its minutes. */
export type RetestSeries = FixSeries;

export interface RetestTrend {
  /** Exact, one-sided, for getting better over all tests; null below two tests. */
  pOneSided: number | null;
  method: 'exact conditional trend of shares' | 'exact conditional trend of rates';
  /** A p up to this is told from chance at this look. */
  level: number;
  /** The later half of the tests to the earlier one (a middle one is left out): odds ratio of successes, or rate ratio of mistakes. */
  ratio: number | null;
  /** Exact, 90 %, two-sided. */
  interval: Interval | null;
}

export interface RetestAnswer {
  trend: RetestTrend;
  firstLast: FixProgress;
  verdict: FixVerdict;
  neededMinutes: number | null;
  neededChances: number | null;
}

/** A series is looked at so often: at its second test and each one after. Then the newest test begins another one. */
export const looksOfSeries = 7;

/**
 * The level at which a look at a growing series tells a change from chance: a seventh of 0.1, so that the seven looks at a series together
 * are wrong in one of ten cases at most, whatever they have to do with one another (Bonferroni's inequality). `looks`: how often the series
 * is looked at where that is more. Null: it is looked at this once, and all of 0.1 is there.
 */
export const levelOfLook = (looks: number | null): number => (looks === null ? changeP : changeP / Math.max(looksOfSeries, looks));

/** Of all retests of one start the series that is looked at now: from the test with which it began, eight at most. */
export function seriesNow<Test>(tests: readonly Test[]): Test[] {
  const begun = tests.length < 2 ? 0 : Math.floor((tests.length - 2) / looksOfSeries) * looksOfSeries;
  return tests.slice(begun);
}

interface Halves {
  earlier: { good: number; all: number };
  later: { good: number; all: number };
}

/** The earlier and the later half of some tests, each summed up; of an odd number the middle one is left out. */
function halvesOf(tests: readonly { good: number; all: number }[]): Halves {
  const half = Math.floor(tests.length / 2);
  const sum = (some: typeof tests) =>
    some.reduce((total, { good, all }) => ({ good: total.good + good, all: total.all + all }), { good: 0, all: 0 });
  return { earlier: sum(tests.slice(0, half)), later: sum(tests.slice(tests.length - half)) };
}

interface Direction {
  /** Of successes, or of mistakes. */
  trend: Trend;
  ratio: number | null;
  interval: Interval;
}

/** The trend, and how far the later half is from the earlier. */
function directionOf(fix: RetestSeries): Direction {
  if (fix.kind === 'rate') {
    const groups = fix.series.map(({ mistakes, exposureMinutes }) => ({ count: mistakes, exposure: exposureMinutes }));
    const { earlier, later } = halvesOf(fix.series.map(({ mistakes, exposureMinutes }) => ({ good: mistakes, all: exposureMinutes })));
    const { ratio, interval } = rateRatio({ count: earlier.good, exposure: earlier.all }, { count: later.good, exposure: later.all });
    return { trend: rateTrend(groups), ratio, interval };
  }
  const { earlier, later } = halvesOf(fix.series.map(({ successes, chances }) => ({ good: successes, all: chances })));
  const failed = ({ good, all }: Halves['later']): number => all - good;
  const { ratio, interval } = oddsRatio({ yes: later.good, no: failed(later), otherYes: earlier.good, otherNo: failed(earlier) });
  return { trend: shareTrend(fix.series), ratio, interval };
}

const method = { chance: 'exact conditional trend of shares', rate: 'exact conditional trend of rates' } as const;

/** One test of all retests for a trend, and what it amounts to; null below two tests. `looks`: see `levelOfLook`. */
export function retestTrend(fix: RetestSeries, looks: number | null): { trend: RetestTrend; verdict: FixVerdict } | null {
  if (fix.series.length < 2) return null;
  const level = levelOfLook(looks);
  const {
    trend: { rising: pAbove, falling: pBelow },
    ratio,
    interval,
  } = directionOf(fix);
  const goodBelow = fix.kind === 'rate';
  return {
    trend: { pOneSided: goodBelow ? pBelow : pAbove, method: method[fix.kind], level, ratio, interval },
    verdict: verdictOf({ ratio, interval, pBelow, pAbove, goodBelow }, level),
  };
}

/**
 * Whether retests of one start got better, or was it luck (docs/domain.md §7), with the first and the last beside it, and where there is
 * too little to tell how much in each of two tests would.
 */
export function retestAnswer(fix: RetestSeries, looks: number | null): RetestAnswer {
  const firstLast = fixProgress(fix);
  const { trend, verdict } = retestTrend(fix, looks) ?? {
    trend: { pOneSided: null, method: method[fix.kind], level: levelOfLook(looks), ratio: null, interval: null },
    verdict: 'too-little' as const,
  };
  const { neededMinutes, neededChances } = fixProgress({ ...fix, series: fix.series.slice(-1) } as FixSeries);
  return {
    ...{ trend, firstLast, verdict },
    neededMinutes: verdict === 'too-little' ? neededMinutes : null,
    neededChances: verdict === 'too-little' ? neededChances : null,
  };
}
