import type * as contract from '@lean-mentor/contract';
import type { Footage, ResponseOf } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { countDeskByRequest } from '../desk/index.ts';
import {
  boutMinutesOf,
  currentPlans,
  lateClients,
  findPastReviews,
  findPlans,
  findSpentMinutes,
  pauseOf,
  practiceNow,
  reviewKindOf,
  standingInOrder,
} from '../practice/index.ts';
import { listOpenRequests } from '../requests/index.ts';

/** Whether a review can begin: something is ready, and nothing more is on its way. What failed does not hold up the rest. */
const canBegin = (footages: readonly Footage[]): boolean =>
  footages.some(({ state }) => state === 'ready') && footages.every(({ state }) => ['ready', 'failed', 'removed'].includes(state));

/** Requests that wait, promised first, and what their order is computed from. */
export async function getToday(house: House): Promise<ResponseOf<typeof contract.getToday>> {
  const [requests, plans, { practice, pauses }, past] = await Promise.all([
    listOpenRequests(house),
    findPlans(house),
    practiceNow(house),
    findPastReviews(house),
  ]);
  const ids = requests.map(({ id }) => id);
  const clientIds = [...new Set(requests.map(({ clientId }) => clientId))];
  const [counts, spent, current, late] = await Promise.all([
    countDeskByRequest(house, ids),
    findSpentMinutes(house, ids),
    currentPlans(house, clientIds),
    lateClients(house, clientIds),
  ]);
  const rows = requests.map((request) => {
    const plan = current.get(request.clientId)?.plan ?? null;
    return {
      ...request,
      ...(counts.get(request.id) ?? { marks: 0, notes: 0 }),
      reviewKind: reviewKindOf(request.kind),
      boutMinutes: boutMinutesOf(request.footages, request.lengthMinutes),
      spoken: plan?.includes.includes('spoken') ?? false,
      spentMinutes: spent.get(request.id) ?? 0,
      canBegin: canBegin(request.footages),
      planName: plan?.name ?? null,
      paymentLate: late.has(request.clientId),
      ...standingInOrder(plan, plans, late.has(request.clientId)),
    };
  });
  const { hours, policy } = practice;
  return { now: house.now().toISOString(), rows, hours, pauses: pauses.map(pauseOf), policy, past };
}
