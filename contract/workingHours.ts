import { isZone, minutesOfDay } from '@lean-mentor/core/queue';
import { z } from 'zod';

/** An IANA zone the runtime knows. */
export const zone = z.string().max(60).refine(isZone, 'This time zone is not known; write one like “Europe/Berlin”.');
const timeOfDay = z
  .string()
  .max(5)
  .refine((text) => !Number.isNaN(minutesOfDay(text)), 'Write the time of day like “09:00”.');
const openFor = { from: timeOfDay, to: timeOfDay };
const inOrder = ({ from, to }: { from: string; to: string }): boolean => minutesOfDay(from) < minutesOfDay(to);
const notInOrder = { error: 'It ends before it begins.', path: ['to'] };

/** Hours of a weekday, Monday 1 to Sunday 7. */
export const weeklyHours = z.object({ day: z.int().min(1).max(7), ...openFor }).refine(inOrder, notInOrder);
/** A day off, or other hours than usual. */
export const hoursException = z.union([
  z.object({ date: z.iso.date(), off: z.literal(true) }),
  z.object({ date: z.iso.date(), ...openFor }).refine(inOrder, notInOrder),
]);
export const workingWindows = {
  weekly: z.array(weeklyHours).max(100),
  exceptions: z.array(hoursException).max(1000).default([]),
};
