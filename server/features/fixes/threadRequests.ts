import type { ThreadRequest } from '@lean-mentor/core/followup';
import { addStats, boutStats } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { findClientBouts } from '../scoring/index.ts';
import { findReviewed } from './repository.ts';

/** Reviewed requests of a client before an instant, oldest first, with the time that was spent in each position. */
export async function findThreadRequests(
  house: House,
  clientId: string,
  before: Date,
  readers: 'coaching' | 'client' = 'coaching',
): Promise<ThreadRequest[]> {
  const [reviewed, bouts] = await Promise.all([findReviewed(house, clientId, before, readers), findClientBouts(house, clientId)]);
  return reviewed.map(({ footageSeconds, ...request }) => {
    const coded = bouts.filter(({ requestId }) => requestId === request.requestId).map(({ timed }) => timed);
    // Time by position needs no score.
    const stats = addStats(coded.map((timed) => boutStats(timed, { awards: [] })));
    return { ...request, time: stats.time, minutes: (coded.length > 0 ? stats.clockSeconds : footageSeconds) / 60 };
  });
}
