import type { DaySpan } from '../plans/index.ts';
import { daysAfter } from '../queue/index.ts';

/** Work that is to be done on days, as far as its dates go. Days are YYYY-MM-DD. */
export interface SpacedWork {
  /** The first day it may be done on. */
  fromOn: string;
  /** For so many weeks, days of pauses not counted. */
  weeks: number;
  /** How often in the first week. */
  timesPerWeek: number;
  /** Weekdays on which the client trains, 1 Monday to 7 Sunday; none said: any day. */
  trainingDays: readonly number[];
  /** Ill, injured, away: nothing is asked for on these days. */
  pauses: readonly DaySpan[];
  /** Days on which it was done. */
  done: readonly string[];
  /** The day on which it ended before its weeks were over: the fix holds, or the coach has ended it. */
  endedOn: string | null;
}

const weekDays = 7;
/** Each time it is done, the next is further away by this much. */
const widening = 1.3;
/** No gap is wider, in days: over a month of the mat is forgotten. */
const widestGap = 28;
/** Nobody is asked for more dates. */
const mostDates = 400;

/** 1 Monday to 7 Sunday. */
const weekdayOf = (day: string): number => new Date(`${day}T12:00:00Z`).getUTCDay() || weekDays;

const holds = ({ fromOn, untilOn }: DaySpan, day: string): boolean => fromOn <= day && (untilOn === null || day < untilOn);

/** Whether it can be done on a day: one of training, in no pause. */
const isOpen = ({ trainingDays, pauses }: SpacedWork, day: string): boolean =>
  (trainingDays.length === 0 || trainingDays.includes(weekdayOf(day))) && !pauses.some((pause) => holds(pause, day));

/** The first day from one on on which it can be done; null where a pause without an end keeps all of them. */
function openFrom(work: SpacedWork, day: string): string | null {
  const endless = work.pauses.find(({ untilOn }) => untilOn === null);
  let at = day;
  while (!isOpen(work, at)) {
    if (endless && at >= endless.fromOn) return null;
    const pause = work.pauses.find((one) => holds(one, at));
    at = pause?.untilOn ?? daysAfter(at, 1);
  }
  return at;
}

/** The first day that is no longer part of it: its weeks are over, days of pauses added. Null while a pause has no end. */
export function endOf(work: SpacedWork): string | null {
  if (work.endedOn !== null) return work.endedOn;
  let left = work.weeks * weekDays;
  let at = work.fromOn;
  while (left > 0) {
    const pause = work.pauses.find((one) => holds(one, at));
    if (pause && pause.untilOn === null) return null;
    if (pause) at = pause.untilOn!;
    else {
      at = daysAfter(at, 1);
      left -= 1;
    }
  }
  return at;
}

/**
 * The days ahead on which work is to be done, soonest first, from `today` on. At first as often as was asked for; each time it is done the
 * next is further away, since what is called up after a longer gap stays longer, and what was just done teaches little when done again at
 * once (expanding gaps: Landauer and Bjork 1978; spacing: Cepeda et al. 2006). A day that passes without it moves it to the next day of
 * training; the gap stays as it was. Every date after the first is told as if those before it were kept.
 */
export function datesAhead(work: SpacedWork, today: string): string[] {
  const end = endOf(work);
  const done = [...new Set(work.done)].sort();
  const gapAfter = (times: number): number => Math.min(widestGap, (weekDays / work.timesPerWeek) * widening ** Math.max(0, times - 1));
  const dates: string[] = [];
  let times = done.length;
  let wanted = times === 0 ? work.fromOn : daysAfter(done.at(-1)!, Math.max(1, Math.round(gapAfter(times))));
  while (dates.length < mostDates) {
    const next = openFrom(work, [wanted, today, work.fromOn].sort().at(-1)!);
    if (next === null || (end !== null && next >= end)) break;
    dates.push(next);
    times += 1;
    wanted = daysAfter(next, Math.max(1, Math.round(gapAfter(times))));
  }
  return dates;
}
