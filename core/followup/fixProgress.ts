import { clopperPearson, fisherExact, garwood, oddsRatio, rateRatio, type Interval } from '../statistics/index.ts';
import { changeP, neededChances, neededMinutes } from './neededToKnow.ts';

/** What was counted of one fix in each request, oldest first. */
export type FixSeries =
  | { kind: 'rate'; series: readonly { mistakes: number; exposureMinutes: number }[] }
  | { kind: 'chance'; series: readonly { successes: number; chances: number }[] };

export type FixVerdict = 'better' | 'worse' | 'about-the-same' | 'too-little';

export interface FixProgress {
  verdict: FixVerdict;
  /**
   * Of the last request to the first: rate ratio of mistakes, or odds ratio of successes (Fisher's conditional estimate). Null: not known;
   * Infinity: nothing before.
   */
  ratio: number | null;
  /** Exact, 90 %, two-sided. */
  interval: Interval | null;
  /** One-sided, in the direction that was seen. */
  pOneSided: number | null;
  perRequest: { value: number | null; interval: Interval | null }[];
  /** Where there is too little: how much in each of two requests would show a halving. */
  neededMinutes: number | null;
  neededChances: number | null;
}

/** A change is worth the name at this ratio or beyond (docs/domain.md §7). */
const changeRatio = 0.7;
/** An interval inside this is "about the same". */
const sameWithin: Interval = [0.67, 1.5];

export interface Compared {
  /** Below 1: fewer mistakes, or worse odds. */
  ratio: number | null;
  interval: Interval;
  pBelow: number;
  pAbove: number;
  /** Which side is the better one. */
  goodBelow: boolean;
}

/** What a comparison amounts to, at a one-sided p that tells it from chance. */
export function verdictOf({ ratio, interval, pBelow, pAbove, goodBelow }: Compared, level = changeP): FixVerdict {
  if (ratio !== null && pBelow <= level && ratio <= changeRatio) return goodBelow ? 'better' : 'worse';
  if (ratio !== null && pAbove <= level && ratio >= 1 / changeRatio) return goodBelow ? 'worse' : 'better';
  return interval[0] >= sameWithin[0] && interval[1] <= sameWithin[1] ? 'about-the-same' : 'too-little';
}

const compared = (given: Compared): Pick<FixProgress, 'verdict' | 'ratio' | 'interval' | 'pOneSided'> => ({
  verdict: verdictOf(given),
  ratio: given.ratio,
  interval: given.interval,
  pOneSided: given.ratio === null ? 1 : given.ratio <= 1 ? given.pBelow : given.pAbove,
});

const nothing = { verdict: 'too-little', ratio: null, interval: null, pOneSided: null } as const;

/** Where a fix stands: the first request against the last, with the honest answer where there is too little to tell (docs/domain.md §7). */
export function fixProgress(fix: FixSeries): FixProgress {
  if (fix.kind === 'rate') {
    const perRequest = fix.series.map(({ mistakes, exposureMinutes }) => ({
      value: mistakes / exposureMinutes,
      interval: garwood(mistakes, exposureMinutes),
    }));
    const [first, last] = [fix.series[0], fix.series.at(-1)];
    if (!first || !last || fix.series.length < 2)
      return { ...nothing, perRequest, neededMinutes: last ? neededMinutes(rateNow(last)) : null, neededChances: null };
    const { ratio, interval, pFewer, pMore } = rateRatio(countedOf(first), countedOf(last));
    const told = compared({ ratio, interval, pBelow: pFewer, pAbove: pMore, goodBelow: true });
    return { ...told, perRequest, neededMinutes: told.verdict === 'too-little' ? neededMinutes(rateNow(last)) : null, neededChances: null };
  }
  const perRequest = fix.series.map(({ successes, chances }) => ({
    value: chances > 0 ? successes / chances : null,
    interval: chances > 0 ? clopperPearson(successes, chances) : null,
  }));
  const [first, last] = [fix.series[0], fix.series.at(-1)];
  const needed = last ? neededChances(chanceNow(last)) : null;
  if (!first || !last || fix.series.length < 2) return { ...nothing, perRequest, neededMinutes: null, neededChances: needed };
  const table = {
    yes: last.successes,
    no: last.chances - last.successes,
    otherYes: first.successes,
    otherNo: first.chances - first.successes,
  };
  const { ratio, interval } = oddsRatio(table);
  const pAbove = fisherExact(table);
  const pBelow = fisherExact({ yes: table.no, no: table.yes, otherYes: table.otherNo, otherNo: table.otherYes });
  const told = compared({ ratio, interval, pBelow, pAbove, goodBelow: false });
  return { ...told, perRequest, neededMinutes: null, neededChances: told.verdict === 'too-little' ? needed : null };
}

const countedOf = ({ mistakes, exposureMinutes }: { mistakes: number; exposureMinutes: number }) => ({
  count: mistakes,
  exposure: exposureMinutes,
});
/** The present rate; where nothing was seen, half a mistake stands for it, or nothing could ever be planned. */
const rateNow = ({ mistakes, exposureMinutes }: { mistakes: number; exposureMinutes: number }): number =>
  Math.max(mistakes, 0.5) / exposureMinutes;
const chanceNow = ({ successes, chances }: { successes: number; chances: number }): number =>
  chances > 0 ? Math.min(successes, chances - 0.5) / chances : 0.5;
