import type { ReviewForecast } from './schedule.ts';

/** What a day says in one line. Instants are epoch ms. */
export interface DayInShort {
  /** Reviews that are begun before the day's end in the middle of cases, and the minutes they take. */
  reviewsToday: number;
  minutesToday: number;
  /** Promises that have passed already. */
  lateNow: number;
  /** The first promise to come that is missed in more than half of the cases; null when there is none. */
  firstLateAt: number | null;
}

/** A promise is at risk from this share of the cases on. */
export const atRiskFrom = 0.2;

/** Sums a schedule up. `minutes` is what is left of a review. */
export function dayInShort(
  forecasts: readonly ReviewForecast[],
  reviews: ReadonlyMap<string, { dueAt: number; minutes: number }>,
  nowAt: number,
  dayEndAt: number,
): DayInShort {
  const today = forecasts.filter(({ startP50At }) => startP50At !== null && startP50At < dayEndAt);
  const coming = forecasts.filter(({ id, lateShare }) => lateShare > 0.5 && reviews.get(id)!.dueAt >= nowAt);
  return {
    reviewsToday: today.length,
    minutesToday: today.reduce((sum, { id }) => sum + reviews.get(id)!.minutes, 0),
    lateNow: [...reviews.values()].filter(({ dueAt }) => dueAt < nowAt).length,
    firstLateAt: coming.length > 0 ? Math.min(...coming.map(({ id }) => reviews.get(id)!.dueAt)) : null,
  };
}
