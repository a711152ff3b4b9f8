import type * as contract from '@lean-mentor/contract';
import type { Footage, ResponseOf } from '@lean-mentor/contract';
import { estimateDeskMinutes, layOutDay } from '@lean-mentor/core/queue';
import { addDays, isWeekend, set, startOfDay } from 'date-fns';
import type { House } from '../../house/house.ts';
import { findClients } from '../clients/index.ts';
import { countDeskByRequest } from '../desk/index.ts';
import { listOpenRequests } from '../requests/index.ts';

/** The coach's working hours until they can be set: weekdays, two windows, in the server's time zone. */
const workingHours = [
  { from: 9, to: 12 },
  { from: 13, to: 17 },
];
const daysAhead = 10;

/** Working windows from `now` on; the one that is running starts now. */
export function workingWindows(now: Date): { fromAt: number; toAt: number }[] {
  return Array.from({ length: daysAhead }, (_, day) => addDays(startOfDay(now), day))
    .filter((day) => !isWeekend(day))
    .flatMap((day) =>
      workingHours.map(({ from, to }) => ({ fromAt: Math.max(+set(day, { hours: from }), +now), toAt: +set(day, { hours: to }) })),
    )
    .filter(({ fromAt, toAt }) => toAt > fromAt);
}

/** Seconds of footage to be looked at: a second camera shows the same bouts again and is not counted. */
const secondsToReview = (footages: readonly Footage[]): number =>
  footages.reduce((sum, { alignment, seconds }) => sum + (alignment ? 0 : (seconds ?? 0)), 0);

/** Whether a review can begin: something is ready, and nothing more is on its way. What failed does not hold up the rest. */
const canBegin = (footages: readonly Footage[]): boolean =>
  footages.some(({ state }) => state === 'ready') && footages.every(({ state }) => ['ready', 'failed', 'removed'].includes(state));

/** Open requests, due first, each with its estimate, and the plan of the days ahead. */
export async function getToday(house: House): Promise<ResponseOf<typeof contract.getToday>> {
  const requests = await listOpenRequests(house);
  const [clients, counts] = await Promise.all([
    findClients(house),
    countDeskByRequest(
      house,
      requests.map((r) => r.id),
    ),
  ]);
  const levelOf = new Map(clients.map((c) => [c.id, c.level]));
  const rows = requests.map((request) => ({
    ...request,
    clientLevel: levelOf.get(request.clientId) ?? 1,
    // Desk time is not measured yet, so the estimate is the belief before any review: three times the footage.
    estimatedDeskMinutes: estimateDeskMinutes(secondsToReview(request.footages) / 60, []),
    ...(counts.get(request.id) ?? { marks: 0, notes: 0 }),
  }));
  const windows = workingWindows(house.now());
  const plan = layOutDay(
    rows
      .filter((r) => r.state === 'waiting' && canBegin(r.footages))
      .map((r) => ({ id: r.id, deskMinutes: Math.max(r.estimatedDeskMinutes, 1), dueAt: Date.parse(r.dueAt) })),
    windows,
  );
  const iso = (at: number): string => new Date(at).toISOString();
  return {
    rows,
    windows: windows.map((w) => ({ fromAt: iso(w.fromAt), toAt: iso(w.toAt) })),
    plan: plan.map(({ id, startAt, endAt, late }) => ({ requestId: id, startAt: iso(startAt), endAt: iso(endAt), late })),
  };
}
