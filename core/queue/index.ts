export {
  deskTimeFrom,
  estimateDeskMinutes,
  estimateRecord,
  reviewKinds,
  type DeskEstimate,
  type DeskTime,
  type EstimateRecord,
  type PastReview,
  type ReviewKind,
  type ToReview,
} from './deskTime.ts';
export { orderPolicies, withPlaces, type OrderPolicy, type WaitingReview } from './orders.ts';
export {
  drawReviews,
  forecastOrder,
  orderBy,
  promiseFor,
  schedule,
  type PolicyForecast,
  type ReviewForecast,
  type ScheduleInput,
} from './schedule.ts';
export { type CalendarDay, instantAt, instantText, isZone, dayAt, dayText, addCalendarDays, daysAfter } from './wallClock.ts';
export {
  afterWorking,
  minutesOfDay,
  workingBetween,
  workingWindows,
  type HoursException,
  type TimeSpan,
  type WeeklyHours,
  type WorkingHours,
} from './workingHours.ts';
export { dueAfter, movedOn, promisesKept, type PromiseRecord, type PromisesKept } from './promises.ts';
export {
  badStretches,
  mostBadStretches,
  roomFor,
  simulateStream,
  type RequestSource,
  type StreamForecast,
  type StreamInput,
  type Turnaround,
} from './stream.ts';
export {
  actsOf,
  afterAct,
  handOverActs,
  handOverParts,
  handOverStates,
  needsWord,
  type HandOverAct,
  type HandOverPart,
  type HandOverSide,
  type HandOverState,
} from './handOver.ts';
export { seasonFactor, seasonsOf, type Season, type Seasons } from './seasons.ts';
export { atRiskFrom, dayInShort, type DayInShort } from './dayInShort.ts';
