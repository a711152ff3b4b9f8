/** One finished review: minutes at the desk and minutes of bout it took them for. */
export interface PastReview {
  deskMinutes: number;
  boutMinutes: number;
}

/** Ratio of desk to bout minutes before any review is known, and how many reviews that belief weighs (docs/domain.md §9). */
const priorRatio = 3;
const priorWeight = 4;

/**
 * Expected desk minutes for `boutMinutes` of footage: the log-mean of past ratios, shrunk to 3.0 with the weight of 4
 * reviews. Worked example: no past reviews, 5 minutes of bout → 15 minutes. Reviews without length or time are left out.
 */
export function estimateDeskMinutes(boutMinutes: number, past: readonly PastReview[]): number {
  if (!Number.isFinite(boutMinutes) || boutMinutes <= 0) return 0;
  const logs = past.filter((r) => r.deskMinutes > 0 && r.boutMinutes > 0).map((r) => Math.log(r.deskMinutes / r.boutMinutes));
  const sum = logs.reduce((total, value) => total + value, 0);
  return boutMinutes * Math.exp((sum + priorWeight * Math.log(priorRatio)) / (logs.length + priorWeight));
}
