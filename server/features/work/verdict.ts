import type { WorkTerms } from '@lean-mentor/core/work';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { changeWork, findDone } from './repository.ts';
import { retestsOfWork } from './views.ts';

/** Keeps beside work what its retests say now. */
export async function keepVerdict(house: House, workId: string, terms: WorkTerms, transaction?: Transaction): Promise<void> {
  const done = await findDone(house, [workId], transaction);
  await changeWork(house, workId, { verdict: retestsOfWork(terms, done)[0]?.trend?.verdict ?? null }, transaction);
}
