import type * as contract from '@lean-mentor/contract';
import type { ClientThread, ResponseOf } from '@lean-mentor/contract';
import { fixThreads, knowingByPrinciple, nothingAsked, type FixThread } from '@lean-mentor/core/followup';
import type { House } from '../../house/house.ts';
import { findPrinciples } from '../book/index.ts';
import { findForksChosen } from '../critique/index.ts';
import { findThreadRequests } from '../fixes/index.ts';
import { clientsNow, practiceByPrinciple } from '../work/index.ts';
import { findClosedThreads } from './repository.ts';

/** An open end is no number on the wire. */
const ends = (interval: readonly [number, number] | null): ClientThread['interval'] =>
  interval && [interval[0], Number.isFinite(interval[1]) ? interval[1] : null];

/** Every fix that was sent to a client, followed over their reviewed requests. */
export async function clientThreads(house: House, clientId: string, readers: 'coaching' | 'client'): Promise<FixThread[]> {
  const [requests, principles] = await Promise.all([findThreadRequests(house, clientId, house.now(), readers), findPrinciples(house)]);
  return fixThreads(principles, requests);
}

/**
 * Every fix that was sent to a client, followed over their reviewed requests; and their time in each position. What only the coaching
 * side may read is not counted for the client.
 */
export async function clientProgress(
  house: House,
  clientId: string,
  readers: 'coaching' | 'client',
): Promise<ResponseOf<typeof contract.getClientProgress>> {
  const [requests, principles, closed, practice, now] = await Promise.all([
    findThreadRequests(house, clientId, house.now(), readers),
    findPrinciples(house),
    findClosedThreads(house, clientId),
    practiceByPrinciple(house, clientId),
    clientsNow(house, [clientId]),
  ]);
  const chosen = await findForksChosen(
    house,
    requests.map(({ requestId }) => requestId),
  );
  const known = knowingByPrinciple(chosen);
  const byId = new Map(principles.map((principle) => [principle.id, principle]));
  return {
    breaks: now.get(clientId)!.training.breaks,
    threads: fixThreads(principles, requests).map(({ principleId, counts, points, progress, state }) => {
      const { name, cue, chances } = byId.get(principleId)!;
      const { verdict, ratio, interval, neededMinutes, neededChances } = progress;
      return {
        principleId,
        name,
        cue,
        counts,
        chances,
        state,
        closedAt: closed.get(principleId)?.toISOString() ?? null,
        points: points.map((point) => ({ ...point, interval: ends(point.interval) })),
        verdict,
        ratio: ratio !== null && Number.isFinite(ratio) ? ratio : null,
        interval: ends(interval),
        neededMinutes,
        neededChances,
        practice: practice.get(principleId) ?? [],
        knowing: known.get(principleId) ?? nothingAsked,
      };
    }),
    positions: requests.map(({ requestId, sentAt, minutes, time }) => ({
      requestId,
      sentAt,
      minutes,
      time: time.map(({ position, holder, seconds }) => ({ position, holder, seconds })),
    })),
  };
}
