import type { DaySpan, Membership, PlanPeriod } from './periods.ts';

const day = (text: string): number => Date.parse(text) / 86_400_000;

/** Days of a span that lie from one day up to another, which is not part of it. */
function daysWithin(span: DaySpan, fromOn: string, untilOn: string): number {
  const until = span.untilOn === null || span.untilOn > untilOn ? untilOn : span.untilOn;
  const from = span.fromOn < fromOn ? fromOn : span.fromOn;
  return Math.max(0, day(until) - day(from));
}

/** Days a membership ran from one day up to another, its pauses taken out. */
export const daysRunning = (membership: Membership, fromOn: string, untilOn: string): number =>
  daysWithin(membership, fromOn, untilOn) -
  membership.pauses.reduce((sum, pause) => {
    const inside = { fromOn: pause.fromOn < membership.fromOn ? membership.fromOn : pause.fromOn, untilOn: pause.untilOn };
    const cut = membership.untilOn !== null && (inside.untilOn === null || inside.untilOn > membership.untilOn);
    return sum + daysWithin(cut ? { ...inside, untilOn: membership.untilOn } : inside, fromOn, untilOn);
  }, 0);

/** Mean length of a period in days, of the Gregorian calendar. */
const periodDays: Record<PlanPeriod, number> = { week: 7, month: 365.2425 / 12, quarter: 365.2425 / 4, year: 365.2425 };

/** What so many days of a plan are worth, at its price for a period. */
export const worthOfDays = (price: number, period: PlanPeriod, days: number): number => (price * days) / periodDays[period];
