import type { House } from '../../house/house.ts';
import { changeFootage, findFootage, findFootageRows } from '../footage/index.ts';
import { postLetters } from '../letters/index.ts';
import { changeRequest, lockRequest } from './repository.ts';
import { unreadableLetter } from './requestLetters.ts';
import { unreadableSaying } from './unreadableSaying.ts';

/**
 * A footage will not become ready. Where the fault is the file's (`isFiles`) the client is told by letter and may replace it at once.
 * Where nothing else of the request can be looked at, its clock stands until they have; otherwise the rest is gone on with.
 */
export async function footageRested(house: House, footageId: string, failure: string, isFiles: boolean): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const found = await findFootage(house, footageId, transaction);
    const row = found && (await lockRequest(house, found.requestId, transaction));
    if (!found || !row) return;
    await changeFootage(
      house,
      footageId,
      { state: 'failed', step: 'Stopped', failure, secondsLeft: null, retryHelps: !isFiles },
      transaction,
    );
    if (!isFiles || found.state === 'removed' || row.state === 'draft') return;
    const others = (await findFootageRows(house, row.id, transaction)).filter(
      ({ id, state }) => id !== footageId && !['failed', 'removed'].includes(state),
    );
    if (others.length === 0 && ['waiting', 'uploading'].includes(row.state)) {
      const stoppedAt = row.stoppedAt ?? (row.state === 'waiting' ? house.now() : null);
      await changeRequest(
        house,
        row.id,
        { state: 'need-first', stoppedAt, exchange: [...row.exchange, unreadableSaying(house, failure)] },
        transaction,
      );
    }
    await postLetters(house, row.clientId, (person) => unreadableLetter(person, found.fileName, failure, others.length), transaction);
  });
}
