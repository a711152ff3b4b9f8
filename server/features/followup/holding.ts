import { subDays } from 'date-fns';
import type { House } from '../../house/house.ts';
import { findSentToSince } from '../critique/index.ts';
import { changeWork, clientsNow, findOpenWork } from '../work/index.ts';
import { clientThreads } from './progress.ts';

/** A house that stood still for so long, in days, still sees what was sent before it did. */
const lookBackDays = 2;

/** Ends work whose fix holds: three requests in a row below half of the first, and none worse (docs/domain.md §7). */
export async function endWorkThatHolds(house: House): Promise<void> {
  // Only what was sent says that a fix holds, so only those who were sent something lately are looked at.
  const lately = new Set(await findSentToSince(house, subDays(house.now(), lookBackDays)));
  const rows = (await findOpenWork(house)).filter(({ principleId, clientId }) => principleId !== null && lately.has(clientId));
  const now = await clientsNow(house, [...new Set(rows.map(({ clientId }) => clientId))]);
  for (const [clientId, { today }] of now) {
    const holding = new Map((await clientThreads(house, clientId, 'coaching')).map((thread) => [thread.principleId, thread]));
    for (const row of rows) {
      const thread = row.clientId === clientId ? holding.get(row.principleId!) : undefined;
      // What was given after the request that showed it was given knowing that: it goes on.
      const since = thread?.points.at(-1)?.sentAt;
      if (thread?.state !== 'holding' || !since || since < row.givenAt.toISOString()) continue;
      await changeWork(house, row.id, { endedOn: today, endedWhy: 'holds', revision: row.revision + 1 });
    }
  }
}
