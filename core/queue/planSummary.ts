import type { PlannedReview } from './layOutDay.ts';

/** What a plan says in one line. Times are epoch milliseconds. */
export interface PlanSummary {
  /** Reviews that start before the day's end, and how long they take, in minutes. */
  reviewsToday: number;
  minutesToday: number;
  /** End of the first review that misses its promise, or null when none does. */
  firstLateAt: number | null;
}

/** Sums a plan up. `minutesOf` is the desk time of a review; one that is begun before `dayEndAt` counts whole for today. */
export function planSummary(plan: readonly PlannedReview[], minutesOf: (id: string) => number, dayEndAt: number): PlanSummary {
  const today = plan.filter((p) => p.startAt < dayEndAt);
  const late = plan.filter((p) => p.late).map((p) => p.endAt);
  return {
    reviewsToday: today.length,
    minutesToday: today.reduce((sum, p) => sum + minutesOf(p.id), 0),
    firstLateAt: late.length > 0 ? Math.min(...late) : null,
  };
}
