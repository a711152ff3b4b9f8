import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, PainFlag } from '@lean-mentor/contract';
import { daysAfter } from '@lean-mentor/core/queue';
import type { Pain, WorkTerms } from '@lean-mentor/core/work';
import { partWords } from '@lean-mentor/core/care';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { postLetters } from '../letters/index.ts';
import { clientOr404 } from './give.ts';
import { painLetter, settledLetter } from './letters.ts';
import { painView } from './painView.ts';
import { deleteDone, findDoneRow, findPains, insertPain, lockWork, putDone, settlePainRow } from './repository.ts';
import { clientNow } from './training.ts';
import { keepVerdict } from './verdict.ts';

interface Named {
  clientId: string;
  workId: string;
  doneWorkId: string;
}
type Done = BodyOf<typeof contract.logWork>;

/** Refuses what cannot be of this work: another kind of thing counted, or a day before it was given or still to come. */
function requireOfWork(terms: WorkTerms, { rounds, doneOn }: Done, today: string): void {
  if (doneOn > daysAfter(today, 1)) throw new ContractError('not-valid', { message: `${doneOn} is still to come.` });
  const ways = new Set(terms.kind === 'round' ? terms.test.ways.map(({ id }) => id) : []);
  const strange = rounds.flatMap(({ presses }) => presses).find(({ wayId }) => !ways.has(wayId));
  if (strange || (terms.kind === 'drill' && rounds.length > 0))
    throw new ContractError('not-valid', {
      message: 'What was counted is not what this work counts any more. Your coach has changed it meanwhile.',
    });
}

/** Pains that were told and stand nowhere yet: the same part and side is one pain until it is settled. */
async function raisePains(
  house: House,
  { clientId, doneWorkId }: Named,
  pains: readonly Pain[],
  today: string,
  transaction: Transaction,
): Promise<number> {
  const there = await findPains(house, [clientId], transaction);
  const news = pains.filter(
    ({ part, side }) =>
      !there.some((one) => one.part === part && one.side === side && (one.settledAt === null || one.doneId === doneWorkId)),
  );
  for (const { part, side, words } of news)
    await insertPain(
      house,
      {
        ...{ id: house.newId(), clientId, doneId: doneWorkId, part, side, words, raisedOn: today },
        ...{ settledAt: null, settledOn: null, settledBy: null, settledWords: '' },
      },
      transaction,
    );
  return news.length;
}

/**
 * Keeps what was done, in the place of what was sent under the same id before. Pain is flagged at once, and everyone of the client told.
 */
export async function logWork(house: House, named: Named, done: Done): Promise<{ pains: PainFlag[] }> {
  const { clientId, workId, doneWorkId } = named;
  const [client, { today }] = await Promise.all([clientOr404(house, clientId), clientNow(house, clientId)]);
  const pains = await house.db.sequelize.transaction(async (transaction) => {
    const work = await lockWork(house, workId, transaction);
    if (!work || work.clientId !== clientId) throw new ContractError('not-found');
    requireOfWork(work.terms, done, today);
    const before = await findDoneRow(house, doneWorkId, transaction);
    if (before && before.workId !== workId) throw new ContractError('not-found');
    const { doneOn, ...entry } = done;
    const row = { id: doneWorkId, workId, clientId, doneOn, entry, enteredAt: before?.enteredAt ?? house.now() };
    await putDone(house, { ...row, seenAt: null, requestId: before?.requestId ?? null }, transaction);
    await keepVerdict(house, workId, work.terms, transaction);
    const raised = await raisePains(house, named, done.pains, today, transaction);
    if (raised > 0) await postLetters(house, clientId, (person) => painLetter(person, client.name), transaction);
    return findPains(house, [clientId], transaction);
  });
  return { pains: pains.map(painView) };
}

/** Takes back what was entered. */
export const removeDoneWork = (house: House, { clientId, workId, doneWorkId }: Named): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    const work = await lockWork(house, workId, transaction);
    const row = await findDoneRow(house, doneWorkId, transaction);
    if (!work || !row || row.workId !== workId || row.clientId !== clientId) throw new ContractError('not-found');
    await deleteDone(house, doneWorkId, transaction);
    await keepVerdict(house, workId, work.terms, transaction);
  });

/** Coach and client have spoken: what rested may be done again. */
export async function settlePain(house: House, account: Account, clientId: string, painId: string, words: string): Promise<void> {
  const { today } = await clientNow(house, clientId);
  await house.db.sequelize.transaction(async (transaction) => {
    const pain = (await findPains(house, [clientId], transaction)).find(({ id }) => id === painId);
    if (!pain) throw new ContractError('not-found');
    const settled = { settledAt: house.now(), settledOn: today, settledBy: account.name, settledWords: words };
    if (!(await settlePainRow(house, painId, settled, transaction)))
      throw new ContractError('not-now', { message: `You have spoken about the ${partWords(pain)} already.` });
    await postLetters(house, clientId, (person) => settledLetter(person, account.name, words), transaction);
  });
}
