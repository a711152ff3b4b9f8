import type { Turnaround } from './stream.ts';
import { afterWorking, workingBetween, type TimeSpan, type WorkingHours } from './workingHours.ts';

const hour = 3_600_000;

/** The instant (epoch ms) at which so many ms of the calendar have passed, those of pauses not counted. */
function afterCalendar({ pauses = [] }: WorkingHours, fromAt: number, ms: number): number {
  let dueAt = fromAt + ms;
  for (const pause of [...pauses].sort((a, b) => a.fromAt - b.fromAt))
    if (pause.fromAt < dueAt) dueAt += Math.max(0, pause.toAt - Math.max(pause.fromAt, fromAt));
  return dueAt;
}

/**
 * By when a critique is promised for what is ready at an instant (epoch ms). Where nobody works, hours of the calendar count; while the
 * coach is away neither do.
 */
export const dueAfter = (hours: WorkingHours, turnaround: Turnaround, readyAt: number): number =>
  (turnaround.kind === 'working' ? afterWorking(hours, readyAt, turnaround.hours * hour) : null) ??
  afterCalendar(hours, readyAt, turnaround.hours * hour);

/**
 * A promise whose clock stood from `stoppedAt` to `goesOnAt`: as much time is left afterwards as was left before, working time or time of
 * the calendar. One that was late already is late by as much.
 */
export function movedOn(hours: WorkingHours, kind: Turnaround['kind'], dueAt: number, { fromAt, toAt }: TimeSpan): number {
  const stood = Math.max(0, toAt - fromAt);
  if (kind === 'calendar' || dueAt <= fromAt) return dueAt + stood;
  return afterWorking(hours, toAt, workingBetween(hours, fromAt, dueAt)) ?? dueAt + stood;
}

/** What was said about one request, epoch ms. */
export interface PromiseRecord {
  /** When eight of ten such critiques should have been there; null where nothing was foreseen. */
  saidByAt: number | null;
  dueAt: number;
  /** Moved by the coach or the client after it was said. */
  moved: boolean;
  /** When it was sent; null while it waits. */
  sentAt: number | null;
}

export interface PromisesKept {
  /** Of promises for eight in ten that were not moved and have come to their end: how many, and how many of them held. */
  said: number;
  held: number;
  /** Of the dates promised at the latest that have come to their end: how many, and how many of them held. */
  due: number;
  kept: number;
}

/** Counts promises that have come to their end by `nowAt`: sent, or past. */
export function promisesKept(records: readonly PromiseRecord[], nowAt: number): PromisesKept {
  const ended = (by: number, { sentAt }: PromiseRecord): boolean => sentAt !== null || by < nowAt;
  const held = (by: number, { sentAt }: PromiseRecord): boolean => sentAt !== null && sentAt <= by;
  const said = records.filter((r) => r.saidByAt !== null && !r.moved && ended(r.saidByAt, r));
  const due = records.filter((r) => ended(r.dueAt, r));
  return {
    said: said.length,
    held: said.filter((r) => held(r.saidByAt!, r)).length,
    due: due.length,
    kept: due.filter((r) => held(r.dueAt, r)).length,
  };
}
