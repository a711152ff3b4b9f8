import type * as contract from '@lean-mentor/contract';
import { hoursWithPauses, type ResponseOf, type TodayRow } from '@lean-mentor/contract';
import { deskTimeFrom, type PastReview, type ScheduleInput, type WaitingReview } from '@lean-mentor/core/queue';

export type Today = ResponseOf<typeof contract.getToday>;

/** Draws of the days ahead: a P80 within a fiftieth. */
const runs = 2000;
/** The same draws every time, so that nothing moves that did not change. */
const seed = 1;

/** A row as the schedule takes it. One that cannot begin yet is scheduled too: its footage will be there before its turn. */
const reviewOf = (row: TodayRow): WaitingReview => ({
  id: row.id,
  client: row.clientId,
  readyAt: Date.parse(row.readyAt),
  dueAt: Date.parse(row.dueAt),
  planRank: row.planRank,
  weight: row.weight,
  kind: row.reviewKind,
  boutMinutes: row.boutMinutes,
  spoken: row.spoken,
  spentMinutes: row.spentMinutes,
  ...(row.place !== null && { place: row.place }),
});

/** What is scheduled: what waits for the coach and has anything to look at. */
export const scheduled = (today: Today): TodayRow[] =>
  today.rows.filter(({ state, boutMinutes }) => state === 'waiting' && boutMinutes > 0);

export const scheduleInputOf = (today: Today): Omit<ScheduleInput, 'deskTime'> & { past: readonly PastReview[] } => ({
  reviews: scheduled(today).map(reviewOf),
  hours: hoursWithPauses(today.hours, today.pauses),
  nowAt: Date.parse(today.now),
  past: today.past,
  seed,
  runs,
});

/** What past reviews say about the time one takes. */
export const deskTimeOf = (today: Pick<Today, 'past'>) => deskTimeFrom(today.past);
