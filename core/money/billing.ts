import { periodsUntil, type DaySpan, type Membership, type PlanPeriod } from '../plans/index.ts';

/**
 * The periods of a plan to be invoiced by a day (YYYY-MM-DD): those that have begun, each whole and once, on its first day. Periods that
 * began before `billedFrom` were settled otherwise and are left alone.
 */
export const periodsToBill = (membership: Membership, period: PlanPeriod, billedFrom: string, today: string): DaySpan[] =>
  periodsUntil(membership, period, today).filter(({ fromOn }) => fromOn >= billedFrom);
