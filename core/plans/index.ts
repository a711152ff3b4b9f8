export { periodsUntil, planPeriods, standingOn, type DaySpan, type Membership, type PlanPeriod, type Standing } from './periods.ts';
