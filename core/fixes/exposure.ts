import type { BookPrinciple } from '../book/index.ts';
import { isNeutral, type BoutStats } from '../scoring/index.ts';

/**
 * Minutes of the bout clock in which a principle could fail: the time in the positions and roles it names; where it names none, or
 * nothing of them came up, all of it. `time`: as `boutStats` gives it, added up over bouts.
 */
export function exposureMinutes({ where }: Pick<BookPrinciple, 'where'>, time: BoutStats['time'], allMinutes: number): number {
  const seconds = time
    .filter(({ position, holder }) =>
      where.some(
        (place) =>
          place.position === position &&
          (place.role === 'either' || isNeutral(position) || (place.role === 'holder') === (holder === 'client')),
      ),
    )
    .reduce((sum, one) => sum + one.seconds, 0);
  return seconds > 0 ? seconds / 60 : allMinutes;
}
