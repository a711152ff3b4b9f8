import type { IntakeDraft, RequestKind } from '@lean-mentor/contract';
import {
  deskTimeFrom,
  dueAfter,
  promiseFor,
  type PastReview,
  type ReviewKind,
  type ScheduleInput,
  type WaitingReview,
} from '@lean-mentor/core/queue';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { practiceNow } from './hours.ts';
import { currentPlans, type Standing } from './memberships.ts';
import type { PlanRow, PracticeRow } from './model.ts';
import { lateClients } from './money/late.ts';
import { standingInOrder } from './plans.ts';
import { findPlans } from './repository.ts';
import { findPastRows, findSpentMinutes, findWaitingRows } from './waitingRepository.ts';

/** What a request is to the order of the day: a match, or sparring of whatever sort. */
export const reviewKindOf = (kind: RequestKind | undefined): ReviewKind => (kind === 'match' ? 'match' : 'sparring');

/** Minutes of a round nobody said the length of. */
const roundMinutes = 6;

/**
 * Minutes of bout to look at: all that is known, of several cameras one. What is still on its way is counted as long as the client said a
 * round is.
 */
export function boutMinutesOf(
  footages: readonly { seconds: number | null; alignment: unknown; state: string }[],
  lengthMinutes: number | null,
): number {
  const looked = footages.filter(({ alignment, state }) => !alignment && state !== 'failed' && state !== 'removed');
  return looked.reduce((sum, { seconds }) => sum + (seconds === null ? (lengthMinutes ?? roundMinutes) : seconds / 60), 0);
}

/** Everything that waits for the coach, as the schedule takes it. */
export async function findWaiting(house: House, plans: readonly PlanRow[], transaction?: Transaction): Promise<WaitingReview[]> {
  const rows = await findWaitingRows(house, transaction);
  const clientIds = [...new Set(rows.map(({ clientId }) => clientId))];
  const [current, late, spent] = await Promise.all([
    currentPlans(house, clientIds, transaction),
    lateClients(house, clientIds, transaction),
    findSpentMinutes(
      house,
      rows.map(({ id }) => id),
      transaction,
    ),
  ]);
  return rows.map((row) => {
    const plan = current.get(row.clientId)?.plan ?? null;
    return {
      id: row.id,
      client: row.clientId,
      readyAt: row.readyAt.getTime(),
      dueAt: row.dueAt.getTime(),
      ...standingInOrder(plan, plans, late.has(row.clientId)),
      kind: reviewKindOf(row.kind),
      boutMinutes: row.boutSeconds > 0 ? row.boutSeconds / 60 : (row.lengthMinutes ?? roundMinutes),
      spoken: plan?.includes.includes('spoken') ?? false,
      spentMinutes: spent.get(row.id) ?? 0,
      ...(row.place !== null && { place: row.place }),
    };
  });
}

/** Reviews that were sent and whose time at the desk was measured, oldest first; the last 300. */
export const findPastReviews = async (
  house: House,
  transaction?: Transaction,
): Promise<(PastReview & { requestId: string; spoken: boolean })[]> =>
  (await findPastRows(house, transaction)).map(({ kind, ...row }) => ({ ...row, kind: reviewKindOf(kind) }));

/** Draws of the days ahead for one promise: a P80 within a fiftieth. */
const promiseRuns = 2000;

/** What can be said about a request before it is sent. */
export interface Forecast {
  /** When its critique is there in eight of ten cases; null where no working window is left for it. */
  byAt: Date | null;
  /** By when it is promised at the latest. */
  dueAt: Date;
}

const quarterHour = 15 * 60_000;

/**
 * What can be promised to a request that is ready now, under the present policy and beside all that waits. Said to the quarter of an hour
 * after, since nobody's day is that exact. Within a transaction all is read on its own connection: others may wait for one meanwhile.
 */
export async function forecastFor(
  house: House,
  one: { id: string; clientId: string; intake: IntakeDraft; boutMinutes: number },
  standing: Pick<Standing, 'plan'> | null,
  transaction?: Transaction,
): Promise<Forecast> {
  const [{ practice, hours }, plans, past, late] = await Promise.all([
    practiceNow(house, transaction),
    findPlans(house, transaction),
    findPastReviews(house, transaction),
    lateClients(house, [one.clientId], transaction),
  ]);
  const nowAt = house.now().getTime();
  const dueAt = dueAfter(hours, turnaroundOf(practice, standing), nowAt);
  const review: WaitingReview = {
    id: one.id,
    client: one.clientId,
    readyAt: nowAt,
    dueAt,
    ...standingInOrder(standing?.plan ?? null, plans, late.has(one.clientId)),
    kind: reviewKindOf(one.intake.kind),
    boutMinutes: one.boutMinutes,
    spoken: standing?.plan.includes.includes('spoken') ?? false,
  };
  const others = (await findWaiting(house, plans, transaction)).filter(({ id }) => id !== one.id);
  const input: ScheduleInput = { reviews: others, hours, nowAt, deskTime: deskTimeFrom(past), seed: 1, runs: promiseRuns };
  const byAt = promiseFor(review, input, practice.policy);
  return { byAt: byAt === null ? null : new Date(Math.ceil(byAt / quarterHour) * quarterHour), dueAt: new Date(dueAt) };
}

export const turnaroundOf = (
  practice: Pick<PracticeRow, 'turnaround'>,
  standing: Pick<Standing, 'plan'> | null,
): PracticeRow['turnaround'] => standing?.plan.turnaround ?? practice.turnaround;
