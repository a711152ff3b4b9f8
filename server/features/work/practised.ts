import type { Practised } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { findDone, findWork } from './repository.ts';
import { retestsOfWork } from './views.ts';

/** What a client counted in practice, by the principle it was for: each start apart, never added to what is counted in footage. */
export async function practiceByPrinciple(house: House, clientId: string): Promise<Map<string, Practised[]>> {
  const work = (await findWork(house, [clientId])).filter(({ principleId }) => principleId !== null);
  const done = await findDone(
    house,
    work.map(({ id }) => id),
  );
  const found = new Map<string, Practised[]>();
  for (const { id, principleId, terms } of work) {
    const retests = retestsOfWork(
      terms,
      done.filter(({ workId }) => workId === id),
    );
    const own = retests.filter(({ place }) => place === 'own').map((one) => ({ workId: id, name: terms.name, ...one }));
    if (own.length > 0) found.set(principleId!, [...(found.get(principleId!) ?? []), ...own]);
  }
  return found;
}
