import type { ThreadRequest } from '@lean-mentor/core/followup';
import { addStats, asMeant, boutStats, boutUsage } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { findClientBouts } from '../scoring/index.ts';
import { findReviewed } from './repository.ts';

/** How long it was meant to be makes no difference to the time in positions. */
const noLength = { boutSeconds: null };

/** Reviewed requests of a client before an instant, oldest first, with the time that was spent in each position. */
export async function findThreadRequests(
  house: House,
  clientId: string,
  before: Date,
  readers: 'coaching' | 'client' = 'coaching',
): Promise<ThreadRequest[]> {
  const [reviewed, bouts] = await Promise.all([findReviewed(house, clientId, before, readers), findClientBouts(house, clientId)]);
  return reviewed.map(({ footageSeconds, ...request }) => {
    const coded = bouts.filter(({ requestId }) => requestId === request.requestId);
    // Time by position needs no score.
    const stats = addStats(coded.map((bout) => boutStats(asMeant(bout.timed, bout, boutUsage(bout.said, noLength)), { awards: [] })));
    return { ...request, time: stats.time, minutes: (coded.length > 0 ? stats.clockSeconds : footageSeconds) / 60 };
  });
}
