import { daysAfter, type CalendarDay } from '../queue/index.ts';

/** Days are YYYY-MM-DD; `untilOn` is the first day that is no longer part of it. */
export interface DaySpan {
  fromOn: string;
  untilOn: string | null;
}

export const planPeriods = ['week', 'month', 'quarter', 'year'] as const;
export type PlanPeriod = (typeof planPeriods)[number];

/** A plan as a client has it: from a day on, until another, with pauses in which no day counts. */
export interface Membership extends DaySpan {
  pauses: readonly DaySpan[];
}

const dayOf = (text: string): CalendarDay => {
  const [year, month, day] = text.split('-').map(Number);
  return { year: year!, month: month!, day: day! };
};
const daysBetween = (from: string, until: string): number => Math.round((Date.parse(until) - Date.parse(from)) / 86_400_000);

/** The same day of a later month; its last day where that month is shorter. */
function addMonths(text: string, months: number): string {
  const { year, month, day } = dayOf(text);
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(day, last))).toISOString().slice(0, 10);
}

const monthsOf = { month: 1, quarter: 3, year: 12 };

/** The first day of the `count`-th period after one that begins on `fromOn`. Counted from the first, so that the 31st stays the 31st. */
const periodsAfter = (fromOn: string, period: PlanPeriod, count: number): string =>
  period === 'week' ? daysAfter(fromOn, 7 * count) : addMonths(fromOn, monthsOf[period] * count);

/** No membership is looked at for more periods than this. */
const mostPeriods = 2000;

/**
 * The periods of a membership that begin on or before a day, oldest first. A pause that begins within a period makes it longer by as many
 * days; one without an end leaves its period open.
 */
export function periodsUntil(membership: Membership, period: PlanPeriod, day: string): DaySpan[] {
  const { fromOn, untilOn } = membership;
  const pauses = [...membership.pauses].sort((a, b) => (a.fromOn < b.fromOn ? -1 : 1));
  const periods: DaySpan[] = [];
  let [begins, shift] = [fromOn, 0];
  for (let count = 1; count <= mostPeriods && begins <= day && (untilOn === null || begins < untilOn); count++) {
    let ends: string | null = daysAfter(periodsAfter(fromOn, period, count), shift);
    for (const pause of pauses) {
      if (ends === null || pause.fromOn < begins || pause.fromOn >= ends) continue;
      const days: number = pause.untilOn === null ? Infinity : Math.max(0, daysBetween(pause.fromOn, pause.untilOn));
      shift += days;
      ends = days === Infinity ? null : daysAfter(ends, days);
    }
    const last = untilOn !== null && (ends === null || untilOn < ends) ? untilOn : ends;
    periods.push({ fromOn: begins, untilOn: last });
    if (ends === null) break;
    begins = ends;
  }
  return periods;
}

const holds = (span: DaySpan, day: string): boolean => span.fromOn <= day && (span.untilOn === null || day < span.untilOn);

/** How a membership stands on a day: its period, or why there is none. */
export type Standing = { state: 'runs' | 'paused'; period: DaySpan } | { state: 'not-yet' | 'over' };

export function standingOn(membership: Membership, period: PlanPeriod, day: string): Standing {
  if (day < membership.fromOn) return { state: 'not-yet' };
  const last = periodsUntil(membership, period, day).at(-1);
  if (!last || !holds(last, day)) return { state: 'over' };
  return { state: membership.pauses.some((pause) => holds(pause, day)) ? 'paused' : 'runs', period: last };
}
