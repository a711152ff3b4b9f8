import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { indexWords } from '../search/index.ts';
import { findFootageRows, releaseFootages } from '../footage/index.ts';
import type { RequestRow } from './model.ts';
import { promiseAfterWait, promiseNow } from './promise.ts';
import { changeRequest, lockRequest } from './repository.ts';
import { isUnreadable, unreadableSaying } from './unreadableSaying.ts';

/**
 * Lets a request that client and guardian have let go reach the coach: at once when all its footage has arrived, otherwise
 * with the last of it. The promise is counted from then; one whose clock stood goes on where it stood. One of which it has turned out
 * meanwhile that nothing can be read goes back to its client instead.
 */
export async function reachCoach(house: House, row: RequestRow, transaction: Transaction): Promise<void> {
  // Released as late as can be: who listens for news of footage hears of it by the instant of its change, and must not have gone past that
  // instant before this transaction is through.
  const release = (): Promise<void> => releaseFootages(house, row.id, transaction);
  const footages = await findFootageRows(house, row.id, transaction);
  if (footages.some((footage) => footage.state === 'uploading')) {
    await release();
    // One that waits goes on waiting: the rest of it can be looked at while another file comes in the place of one.
    if (row.state !== 'waiting') await changeRequest(house, row.id, { state: 'uploading' }, transaction);
    return;
  }
  const present = footages.filter(({ state }) => state !== 'removed');
  if (present.length > 0 && present.every(isUnreadable)) {
    const saying = unreadableSaying(house, present[0]!.failure!);
    await release();
    await changeRequest(house, row.id, { state: 'need-first', exchange: [...row.exchange, saying] }, transaction);
    return;
  }
  if (row.state === 'waiting') return release();
  const promise = await (row.stoppedAt
    ? promiseAfterWait(house, row, row.stoppedAt, transaction)
    : promiseNow(house, row, footages, transaction));
  await release();
  await changeRequest(house, row.id, { state: 'waiting', stoppedAt: null, ...promise }, transaction);
  const { id, intake, sentAt } = row;
  await indexWords(
    house,
    { id, entry: 'request', requestId: id, words: intake.question ?? null, at: sentAt, also: hurtLines(intake) },
    transaction,
  );
}

/** What hurt on that day, as a search finds it. */
const hurtLines = ({ hurtsToday }: Pick<RequestRow['intake'], 'hurtsToday'>): string[] => (hurtsToday ? [`h ${hurtsToday}`] : []);

/** The last byte of one of its footages is in. */
export async function footageArrived(house: House, requestId: string, transaction: Transaction): Promise<void> {
  const row = await lockRequest(house, requestId, transaction);
  if (row?.state === 'uploading') await reachCoach(house, row, transaction);
}
