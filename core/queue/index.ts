export { estimateDeskMinutes, type PastReview } from './reviewEstimate.ts';
export { layOutDay, type PlannedReview, type WaitingReview } from './layOutDay.ts';
export { planSummary, type PlanSummary } from './planSummary.ts';
