import { differenceInCalendarDays, format } from 'date-fns';

/** A day as a person says it: today, tomorrow, yesterday, Friday (within the coming six days), 3 Nov otherwise. */
export function dayWords(at: string | number | Date, now: Date): string {
  const days = differenceInCalendarDays(at, now);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  return days > 0 && days < 7 ? format(at, 'EEEE') : format(at, 'd MMM');
}

/** Day and hour: "Friday 17:00". */
export const dayAndHour = (at: string | number | Date, now: Date): string => `${dayWords(at, now)} ${format(at, 'H:mm')}`;
