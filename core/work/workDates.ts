import type { DaySpan } from '../plans/index.ts';
import { daysAfter } from '../queue/index.ts';
import { clashOf, type Load, type Part } from '../care/index.ts';
import { datesAhead, endOf, type SpacedWork } from './spacing.ts';

/** Pain that was told, or something else that a part must be spared for, until the two have spoken. */
export interface Flag extends Part {
  fromOn: string;
  /** The first day on which it no longer stops anything; null: it still does. */
  untilOn: string | null;
}

/** Work with what decides on which days it is done. */
export interface DatedWork {
  fromOn: string;
  weeks: number;
  timesPerWeek: number;
  loads: readonly Load[];
  done: readonly string[];
  endedOn: string | null;
}

/** What of the client bears on all their work. */
export interface ClientDays {
  trainingDays: readonly number[];
  breaks: readonly DaySpan[];
  flags: readonly Flag[];
}

/** So many of the days ahead are told: later ones move with what is done before them. */
export const datesTold = 12;

/** A flag stops work from the day it was raised: what was to be done later that day is stopped as well. */
const stopOf = ({ fromOn, untilOn }: Flag): DaySpan[] => (untilOn !== null && untilOn <= fromOn ? [] : [{ fromOn, untilOn }]);

const spaced = (work: DatedWork, client: ClientDays): SpacedWork => ({
  ...work,
  trainingDays: client.trainingDays,
  pauses: [...client.breaks, ...clashOf(work.loads, client.flags).flatMap(stopOf)],
});

/** Days ahead on which work is to be done: none in a break, and none while a part that it loads is flagged. */
export const workDates = (work: DatedWork, client: ClientDays, today: string): string[] => datesAhead(spaced(work, client), today);

/** The first day that is no longer part of it; null while something stops it without an end. */
export const workEnd = (work: DatedWork, client: ClientDays): string | null => endOf(spaced(work, client));

export const workStates = ['stopped', 'paused', 'ended', 'ahead', 'missed', 'going'] as const;
/**
 * stopped: a part that it loads is flagged; paused: a break; ended: its weeks are over, or it was ended; ahead: it begins later; missed:
 * it was to be done and has not been for a week longer than meant; going: none of these.
 */
export type WorkState = (typeof workStates)[number];

const isIn = (day: string, { fromOn, untilOn }: DaySpan): boolean => fromOn <= day && (untilOn === null || day < untilOn);
const missedAfterDays = 7;

/** Where work stands on a day, and which flags stop it. */
export function workState(work: DatedWork, client: ClientDays, today: string): { state: WorkState; stoppedBy: Flag[] } {
  const stoppedBy = clashOf(work.loads, client.flags).filter((flag) => stopOf(flag).some((span) => isIn(today, span)));
  const end = workEnd(work, client);
  if (end !== null && end <= today) return { state: 'ended', stoppedBy: [] };
  if (stoppedBy.length > 0) return { state: 'stopped', stoppedBy };
  if (client.breaks.some((span) => isIn(today, span))) return { state: 'paused', stoppedBy };
  if (work.fromOn > today) return { state: 'ahead', stoppedBy };
  // When it was last due: the first day it would have lain on, asked from the day after it was done last.
  const last = [...work.done].sort().at(-1);
  const due = workDates(work, client, last ? daysAfter(last, 1) : work.fromOn)[0];
  return { state: due !== undefined && daysAfter(due, missedAfterDays) <= today ? 'missed' : 'going', stoppedBy };
}
