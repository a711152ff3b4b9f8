export { periodsUntil, planPeriods, standingOn, type DaySpan, type Membership, type PlanPeriod, type Standing } from './periods.ts';
export { daysRunning, worthOfDays } from './shares.ts';
