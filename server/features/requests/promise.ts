import { addBusinessDays, addDays, isWeekend } from 'date-fns';

/** Working days within which a critique is promised, until plans exist. */
const promisedWorkingDays = 3;

/** When a critique is promised for what reaches the coach at `now`. */
export const promisedBy = (now: Date): Date => addBusinessDays(now, promisedWorkingDays);

/** A promise moved on by as long as its clock stood; one that would fall on a weekend falls on the Monday after. */
export function promiseAfterPause(dueAt: Date, stoppedAt: Date, goesOnAt: Date): Date {
  let moved = new Date(dueAt.getTime() + Math.max(0, goesOnAt.getTime() - stoppedAt.getTime()));
  while (isWeekend(moved)) moved = addDays(moved, 1);
  return moved;
}
