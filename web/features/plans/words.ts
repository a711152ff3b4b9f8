import type * as contract from '@lean-mentor/contract';
import type { MembershipView, Plan, ResponseOf } from '@lean-mentor/contract';
import { format, parseISO } from 'date-fns';

export type Practice = ResponseOf<typeof contract.getPractice>;

/** How long a plan's period is, and what its price is for. */
export const periodWords: Record<Plan['period'], string> = {
  week: 'a week',
  month: 'a month',
  quarter: 'every three months',
  year: 'a year',
};
export const wayWords: Record<Plan['includes'][number], string> = { written: 'written', spoken: 'spoken', live: 'live question' };

/** A day as a person says it: "14 December", with the year where it is another. */
export const dayName = (day: string, now = new Date()): string =>
  format(parseISO(day), parseISO(day).getFullYear() === now.getFullYear() ? 'd MMMM' : 'd MMMM yyyy');

export const turnaroundWords = ({ hours, kind }: Plan['turnaround']): string => {
  if (kind === 'working') return `${hours} working hours`;
  return hours % 24 === 0 && hours >= 48 ? `${hours / 24} days` : `${hours} hours`;
};

export const priceWords = (price: string, currency: string): string => `${price} ${currency}`;

/** What is left of a plan today. */
export function leftWords({
  state,
  period,
  plan,
  untilOn,
  fromOn,
}: Pick<MembershipView, 'state' | 'period' | 'plan' | 'untilOn' | 'fromOn'>): string {
  if (state === 'not-yet') return `begins on ${dayName(fromOn)}`;
  if (state === 'over') return `ended on ${dayName(untilOn!)}`;
  if (state === 'paused') return 'paused';
  const all = plan.requestsPerPeriod + period!.extras;
  const until = period!.untilOn ? ` until ${dayName(period!.untilOn)}` : '';
  return `${period!.left} of ${all} left${until}`;
}
