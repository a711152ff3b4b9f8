import { tzOffset } from '@date-fns/tz';

/** A calendar day of the proleptic Gregorian calendar; `month` runs from 1. */
export interface CalendarDay {
  year: number;
  month: number;
  day: number;
}

const minute = 60_000;
const dayMs = 24 * 60 * minute;

/** Whether the runtime's table of time zones knows this IANA name. */
export const isZone = (zone: string): boolean => !Number.isNaN(tzOffset(zone, new Date(0)));

/** How far a zone's wall clock is ahead of UTC at an instant (epoch ms), in ms. */
const offsetAt = (zone: string, at: number): number => tzOffset(zone, new Date(at)) * minute;

/** The calendar day on a zone's wall at an instant (epoch ms). */
export function dayAt(zone: string, at: number): CalendarDay {
  const wall = new Date(at + offsetAt(zone, at));
  return { year: wall.getUTCFullYear(), month: wall.getUTCMonth() + 1, day: wall.getUTCDate() };
}

export function addCalendarDays({ year, month, day }: CalendarDay, days: number): CalendarDay {
  const moved = new Date(Date.UTC(year, month - 1, day + days));
  return { year: moved.getUTCFullYear(), month: moved.getUTCMonth() + 1, day: moved.getUTCDate() };
}

/** Day of the week, Monday 1 to Sunday 7 (ISO 8601). */
export const weekdayOf = ({ year, month, day }: CalendarDay): number => new Date(Date.UTC(year, month - 1, day)).getUTCDay() || 7;

/** YYYY-MM-DD. */
export const dayText = ({ year, month, day }: CalendarDay): string => new Date(Date.UTC(year, month - 1, day)).toISOString().slice(0, 10);

/** A day so many days after one written as YYYY-MM-DD; before it where `days` is below 0. */
export const daysAfter = (text: string, days: number): string => {
  const [year, month, day] = text.split('-').map(Number);
  return dayText(addCalendarDays({ year: year!, month: month!, day: day! }, days));
};

/**
 * The instant (epoch ms) at which a zone's clock shows `minutes` past midnight on a day. Where the clock jumps over that time, the instant
 * as if it had not jumped (02:30 becomes 03:30); where it shows the time twice, the first or the last of the two.
 */
export function instantAt(zone: string, { year, month, day }: CalendarDay, minutes: number, twice: 'first' | 'last' = 'first'): number {
  const wall = Date.UTC(year, month - 1, day) + minutes * minute;
  const before = offsetAt(zone, wall - dayMs);
  const after = offsetAt(zone, wall + dayMs);
  const shown = [before, after].filter((offset) => offsetAt(zone, wall - offset) === offset).map((offset) => wall - offset);
  if (shown.length === 0) return wall - before;
  return twice === 'first' ? Math.min(...shown) : Math.max(...shown);
}

/** An instant (epoch ms) as ISO 8601 to the second, with the offset of the zone's wall clock: "2026-11-30T09:00:00+01:00". */
export function instantText(zone: string, at: number): string {
  const offset = offsetAt(zone, at);
  const two = (n: number): string => String(n).padStart(2, '0');
  const ahead = Math.abs(offset) / minute;
  const sign = offset < 0 ? '-' : '+';
  return `${new Date(at + offset).toISOString().slice(0, 19)}${sign}${two(Math.floor(ahead / 60))}:${two(Math.floor(ahead % 60))}`;
}
