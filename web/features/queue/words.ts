import type { TodayRow } from '@lean-mentor/contract';
import { durationText } from '@lean-mentor/core/footage';
import {
  atRiskFrom,
  type DayInShort,
  type HandOverPart,
  type OrderPolicy,
  type PolicyForecast,
  type ReviewForecast,
} from '@lean-mentor/core/queue';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { dayAndHour, dayWords } from '../../shared/time/dayWords.ts';

export const policyWords: Record<OrderPolicy, { name: string; what: string }> = {
  'due-first': { name: 'Promised first', what: 'Whoever was promised the earliest.' },
  'plan-rank': { name: 'By plan', what: 'Higher plans first, within a plan whoever was promised the earliest.' },
  'shortest-first': { name: 'Shortest first', what: 'Whatever takes the least time.' },
  'fair-share': { name: 'In turn', what: 'One of each client in turn, whoever waits longest first.' },
  'least-weighted-lateness': { name: 'Least late', what: 'Whatever costs the least lateness, higher plans weighing more.' },
};

export const partWords: Record<HandOverPart, string> = { review: 'The whole review', code: 'Coding', notes: 'Drafting notes' };

/** Until which day something is asked for (YYYY-MM-DD). */
export function byDayWords(day: string, now: Date): string {
  const at = parseISO(day);
  return differenceInCalendarDays(at, now) < 0 ? `was asked for by ${dayWords(at, now)}` : `by ${dayWords(at, now)}`;
}

const hour = 3_600_000;

/** A length of time a person can take in: minutes, hours up to two days, then days. */
export function spanWords(ms: number): string {
  const hours = Math.abs(ms) / hour;
  if (hours < 1) return durationText(Math.max(60, Math.round(Math.abs(ms) / 60_000) * 60));
  if (hours < 48) return `${Math.round(hours)} h`;
  return `${Math.round(hours / 24)} days`;
}

/** Minutes at the desk, as a person says them. */
export const minutesWords = (minutes: number): string => (minutes < 1.5 ? '1 min' : durationText(Math.round(minutes) * 60));

/** A number of reviews that is a mean over many draws. */
export const manyWords = (many: number): string =>
  many < 0.05 ? 'none' : many < 9.95 ? many.toFixed(1).replace('.0', '') : String(Math.round(many));

/** The day in one sentence. */
export function dayLine({ reviewsToday, minutesToday, lateNow, firstLateAt }: DayInShort, now: Date, pausedUntil: string | null): string {
  const late =
    lateNow > 0
      ? `${lateNow === 1 ? 'one is' : `${lateNow} are`} late already`
      : firstLateAt === null
        ? 'nothing late'
        : `nothing late until ${dayWords(firstLateAt, now)}`;
  if (pausedUntil) return `You are away until ${dayAndHour(pausedUntil, now)}, ${late}.`;
  if (reviewsToday === 0) return `Nothing to review today, ${late}.`;
  return `${reviewsToday} ${reviewsToday === 1 ? 'review' : 'reviews'} today, ${minutesWords(minutesToday)}, ${late}.`;
}

/** How likely a promise is missed. */
export const missedWords = (share: number): string =>
  share >= 0.95 ? 'will be missed' : `missed in ${Math.round(share * 10)} of 10 cases`;

/** How a promise stands: broken, at risk, or how much slack it has. */
export function slackOf(
  { dueAt }: TodayRow,
  forecast: ReviewForecast | undefined,
  now: Date,
): { words: string; state: 'broken' | 'risk' | 'kept' } {
  const due = Date.parse(dueAt);
  if (due < now.getTime()) return { words: `late by ${spanWords(now.getTime() - due)}`, state: 'broken' };
  if (!forecast) return { words: '', state: 'kept' };
  if (forecast.finishP80At === null) return { words: 'no working hours left for it', state: 'risk' };
  if (forecast.lateShare >= atRiskFrom) return { words: missedWords(forecast.lateShare), state: 'risk' };
  return { words: `${spanWords(due - forecast.finishP80At)} to spare`, state: 'kept' };
}

/**
 * What another order does to a review: how much sooner or later it ends in the middle of cases. Null where that is under a quarter of an
 * hour.
 */
export function shiftWords(kept: ReviewForecast | undefined, looked: ReviewForecast | undefined): string | null {
  if (!kept?.finishP50At || !looked?.finishP50At) return null;
  const shift = looked.finishP50At - kept.finishP50At;
  if (Math.abs(shift) < hour / 4) return null;
  return shift < 0 ? `${spanWords(shift)} sooner` : `waits ${spanWords(shift)} longer`;
}

/** What moving by hand costs, beside the same order without it. */
export function handWords(byHand: PolicyForecast, without: PolicyForecast): string {
  const late = byHand.numberLate - without.numberLate;
  const lateness = byHand.weightedLatenessHours - without.weightedLatenessHours;
  if (Math.abs(late) < 0.05 && Math.abs(lateness) < 0.1) return 'What was moved by hand costs nothing.';
  const more = (value: number): string => (value > 0 ? 'more' : 'fewer');
  return `What was moved by hand: ${manyWords(Math.abs(late))} ${more(late)} late, ${Math.abs(lateness).toFixed(1)} h ${lateness > 0 ? 'more' : 'less'} lateness.`;
}
