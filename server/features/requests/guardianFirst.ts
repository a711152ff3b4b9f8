import type { Account } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findClient, isMinor } from '../clients/index.ts';
import { postLetters } from '../letters/index.ts';
import { reachCoach } from './arrival.ts';
import type { RequestRow } from './model.ts';
import { changeRequest } from './repository.ts';
import { guardianLetter } from './requestLetters.ts';

/**
 * Lets what an account sends go to the coach: a minor's to their guardian first, unless the guardian sends it, whether it is a new
 * request or an answer with more footage. Nothing of it is shown to the coaching side before the yes.
 */
export async function passOn(house: House, account: Account, row: RequestRow, transaction: Transaction): Promise<void> {
  const client = (await findClient(house, row.clientId))!;
  const minor = isMinor(client);
  if (minor && !client.guardianName) throw new ContractError('no-guardian');
  if (!minor || account.role === 'guardian') return reachCoach(house, row, transaction);
  // The clock of one that had reached the coach stands while the guardian decides.
  const stoppedAt = row.stoppedAt ?? (row.state === 'waiting' ? house.now() : null);
  await changeRequest(house, row.id, { state: 'guardian', stoppedAt }, transaction);
  await postLetters(
    house,
    row.clientId,
    (person) => (person.role === 'guardian' ? guardianLetter(person, client.name) : null),
    transaction,
  );
}
