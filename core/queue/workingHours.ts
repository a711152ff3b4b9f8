import { addCalendarDays, dayAt, dayText, instantAt, weekdayOf, type CalendarDay } from './wallClock.ts';

/** A stretch of time, epoch ms; `toAt` is not part of it. */
export interface TimeSpan {
  fromAt: number;
  toAt: number;
}

/** Hours of a weekday (Monday 1 to Sunday 7), as the clock on the wall shows them: "09:00", "24:00" for the day's end. */
export interface WeeklyHours {
  day: number;
  from: string;
  to: string;
}

/** Another day than usual: off, or these hours in place of the weekly ones. Several entries of one day add up. */
export type HoursException = { date: string; off: true } | { date: string; from: string; to: string };

/** When a coach works. */
export interface WorkingHours {
  /** IANA name of the zone whose clock is meant. */
  zone: string;
  weekly: readonly WeeklyHours[];
  exceptions: readonly HoursException[];
  /** Days (first and last, YYYY-MM-DD) on which the clock of another zone is meant. */
  stays?: readonly { zone: string; from: string; to: string }[];
  /** Stretches in which nothing is done whatever the hours say: ill, away. */
  pauses?: readonly TimeSpan[];
}

/** Nothing is laid out further ahead than this. */
const mostDays = 3660;

/** Minutes past midnight of "H:MM" or "HH:MM", 0 to 1440; NaN when it is no time of day. */
export function minutesOfDay(text: string): number {
  const [, hours, minutes] = /^(\d{1,2}):([0-5]\d)$/.exec(text) ?? [];
  const total = hours === undefined ? NaN : Number(hours) * 60 + Number(minutes);
  return total <= 24 * 60 ? total : NaN;
}

/** What is left of a span when others are taken out. */
function without(span: TimeSpan, out: readonly TimeSpan[]): TimeSpan[] {
  let left = [span];
  for (const { fromAt, toAt } of out)
    left = left.flatMap((s) =>
      toAt <= s.fromAt || fromAt >= s.toAt
        ? [s]
        : [
            { fromAt: s.fromAt, toAt: fromAt },
            { fromAt: toAt, toAt: s.toAt },
          ].filter((part) => part.toAt > part.fromAt),
    );
  return left;
}

/** The working windows of one day of the calendar, pauses taken out, ascending, none overlapping another. */
function windowsOfDay(hours: WorkingHours, day: CalendarDay): TimeSpan[] {
  const date = dayText(day);
  const others = hours.exceptions.filter((exception) => exception.date === date);
  const said = others.length > 0 ? others.flatMap((e) => ('off' in e ? [] : [e])) : hours.weekly.filter((w) => w.day === weekdayOf(day));
  const zone = hours.stays?.find((stay) => stay.from <= date && date <= stay.to)?.zone ?? hours.zone;
  const spans = said
    .map(({ from, to }) => ({
      fromAt: instantAt(zone, day, minutesOfDay(from), 'first'),
      toAt: instantAt(zone, day, minutesOfDay(to), 'last'),
    }))
    .filter(({ fromAt, toAt }) => toAt > fromAt)
    .sort((a, b) => a.fromAt - b.fromAt);
  return joined(spans).flatMap((span) => without(span, hours.pauses ?? []));
}

/** Overlapping and touching spans as one; ascending in, ascending out. */
function joined(spans: readonly TimeSpan[]): TimeSpan[] {
  const out: TimeSpan[] = [];
  for (const span of spans) {
    const last = out.at(-1);
    if (last && span.fromAt <= last.toAt) last.toAt = Math.max(last.toAt, span.toAt);
    else out.push({ ...span });
  }
  return out;
}

/** The windows from an instant on, one at a time, for at most ten years; the one that is running begins at the instant. */
function* windowsFrom(hours: WorkingHours, fromAt: number): Generator<TimeSpan> {
  // A stay may be a day ahead of or behind the usual zone's calendar.
  const first = addCalendarDays(dayAt(hours.zone, fromAt), -1);
  let reached = fromAt;
  for (let i = 0; i < mostDays; i++)
    for (const window of windowsOfDay(hours, addCalendarDays(first, i))) {
      const begins = Math.max(window.fromAt, reached);
      if (window.toAt <= begins) continue;
      reached = window.toAt;
      yield { fromAt: begins, toAt: window.toAt };
    }
}

/** Working windows between two instants (epoch ms), ascending. Windows at the ends are cut there. */
export function workingWindows(hours: WorkingHours, fromAt: number, toAt: number): TimeSpan[] {
  const windows: TimeSpan[] = [];
  for (const window of windowsFrom(hours, fromAt)) {
    if (window.fromAt >= toAt) break;
    windows.push({ fromAt: window.fromAt, toAt: Math.min(window.toAt, toAt) });
  }
  return windows;
}

/** Windows from an instant on that together hold at least `work` ms; fewer when ten years hold less. */
export function windowsHolding(hours: WorkingHours, fromAt: number, work: number): TimeSpan[] {
  const windows: TimeSpan[] = [];
  let held = 0;
  for (const window of windowsFrom(hours, fromAt)) {
    windows.push(window);
    held += window.toAt - window.fromAt;
    if (held >= work) break;
  }
  return windows;
}

/** The instant at which `work` ms of working time have passed since `fromAt`; null when ten years do not hold them. */
export function afterWorking(hours: WorkingHours, fromAt: number, work: number): number | null {
  let left = work;
  if (left <= 0) return fromAt;
  for (const window of windowsFrom(hours, fromAt)) {
    const here = window.toAt - window.fromAt;
    if (here >= left) return window.fromAt + left;
    left -= here;
  }
  return null;
}

/** Working time between two instants, in ms; 0 when the second is not after the first. */
export const workingBetween = (hours: WorkingHours, fromAt: number, toAt: number): number =>
  workingWindows(hours, fromAt, toAt).reduce((sum, window) => sum + window.toAt - window.fromAt, 0);
