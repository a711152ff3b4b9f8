import { periodsUntil, type DaySpan, type Membership, type PlanPeriod } from '../plans/index.ts';

/** A period of a plan as it is invoiced: by its number in the plan, which stays when a pause moves its days. */
export interface BilledPeriod extends DaySpan {
  /** 1 for the first. */
  number: number;
}

/**
 * The periods of a plan to be invoiced by a day (YYYY-MM-DD): those that have begun, each whole and once, on its first day. Periods that
 * began before `billedFrom` were settled otherwise and are left alone, and so are those up to the number `billed`.
 */
export const periodsToBill = (membership: Membership, period: PlanPeriod, billedFrom: string, today: string, billed = 0): BilledPeriod[] =>
  periodsUntil(membership, period, today)
    .map((span, i) => ({ ...span, number: i + 1 }))
    .filter(({ fromOn, number }) => fromOn >= billedFrom && number > billed);

/** The numbers of those periods of a plan that lie before a day on which it ends; all others never ran. */
export const periodsThatRan = (membership: Membership, period: PlanPeriod, untilOn: string): number =>
  periodsUntil(membership, period, untilOn).filter(({ fromOn }) => fromOn < untilOn).length;
