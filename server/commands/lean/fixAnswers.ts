import type { ReadRank, ReadRetest } from '@lean-mentor/contract';
import { fixesForLevel, rankFixes } from '@lean-mentor/core/fixes';
import { fixProgress, retestAnswer, type FixProgress, type FixSeries } from '@lean-mentor/core/followup';

export type GoodRank = Exclude<ReadRank, { faults: string[] }>;

/** More digits would be noise of the arithmetic. */
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;
/** JSON has no infinity: an open end is null. */
const finite = (value: number | null): number | null => (value === null || !Number.isFinite(value) ? null : rounded(value));
const ends = (interval: readonly [number, number] | null): (number | null)[] | null => interval && interval.map(finite);

/** `lean rank FILE` */
export const rankAnswer = ({ input, school, schoolName }: GoodRank) => ({
  school: schoolName,
  ranked: rankFixes(input, school).map(({ principle, score, parts, teachable, pinned, cost }) => ({
    principle,
    score: rounded(score),
    parts: Object.fromEntries(Object.entries(parts).map(([part, value]) => [part, rounded(value)])),
    teachable,
    pinned,
    cost: rounded(cost),
  })),
  suggested: fixesForLevel(input.client.level),
});

/** `lean progress FILE` */
export const progressAnswer = (series: FixSeries) => progressWords(series.kind, fixProgress(series));

/** Where a fix stands, with as many digits as mean something. */
const progressWords = (
  kind: FixSeries['kind'],
  { verdict, ratio, interval, pOneSided, perRequest, neededMinutes, neededChances }: FixProgress,
) => ({
  verdict,
  ratio: finite(ratio),
  interval: ends(interval),
  pOneSided: finite(pOneSided),
  perRequest: perRequest.map((request) => ({ value: finite(request.value), interval: ends(request.interval) })),
  ...(kind === 'rate' ? { neededMinutes } : { neededChances }),
});

/** `lean retest FILE` */
export function retestsAnswer({ series, looks }: ReadRetest) {
  const { trend, firstLast, verdict, neededMinutes, neededChances } = retestAnswer(series, looks);
  return {
    trend: {
      ...{ pOneSided: finite(trend.pOneSided), method: trend.method, level: rounded(trend.level) },
      ...{ ratio: finite(trend.ratio), interval: ends(trend.interval) },
    },
    firstLast: progressWords(series.kind, firstLast),
    verdict,
    ...(series.kind === 'rate' ? { neededMinutes } : { neededChances }),
  };
}
