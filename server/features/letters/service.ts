import type { Account, Letter, Role } from '@lean-mentor/contract';
import type { LetterToWord } from '@lean-mentor/core/letters';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { findAccountsOfClient, findCoachAddresses } from '../access/index.ts';
import type { LetterRow } from './model.ts';
import { changeLetter, findLetter, insertLetter, listLetters } from './repository.ts';
import { worded } from './words.ts';

/** Keeps a letter, and where the house has a mail server and its reader wants it has it sent. */
async function postLetter(house: House, row: LetterRow, transaction: Transaction): Promise<void> {
  await insertLetter(house, row, transaction);
  if (house.config.mail && !row.inApp) await enqueueJob(house, 'send-letter', row.id, { transaction });
}

/** Writes to everyone who is told about a client: themselves and guardians; nobody for whom `letterFor` answers null. */
export async function postLetters(
  house: House,
  clientId: string,
  letterFor: (person: { name: string; role: Role }) => LetterToWord | null,
  transaction: Transaction,
): Promise<void> {
  for (const { id: accountId, name, email, role, lettersBy } of await findAccountsOfClient(house, clientId)) {
    const letter = letterFor({ name, role });
    if (!letter) continue;
    const row: LetterRow = {
      ...{ id: house.newId(), toName: name, toAddress: email, writtenAt: house.now(), link: null },
      ...{ accountId, kind: letter.kind, inApp: lettersBy === 'app', ...(await worded(house, letter, transaction)) },
    };
    await postLetter(house, row, transaction);
  }
}

/**
 * Writes to one address what opens a way in or says that one was changed; answers the letter's id. Such letters are not worded and not
 * stopped.
 */
export async function postLetterTo(house: House, letter: Omit<LetterRow, 'id' | 'writtenAt'>, transaction: Transaction): Promise<string> {
  const id = house.newId();
  await postLetter(house, { id, writtenAt: house.now(), ...letter }, transaction);
  return id;
}

/**
 * What was written to whom. Where no letter leaves this machine, a coach passes one-time links on by hand: those that make nobody a
 * coach. An assistant sees none, or they could come in as somebody else.
 */
export async function lettersFor(house: House, account: Account): Promise<Letter[]> {
  const coaches = new Set(await findCoachAddresses(house));
  return listLetters(house, (address) => house.config.mail === null && account.role === 'coach' && !coaches.has(address));
}

/** Sends a letter again that could not be sent. */
export async function sendLetterAgain(house: House, letterId: string): Promise<void> {
  const letter = await findLetter(house, letterId);
  if (!letter) throw new ContractError('not-found');
  if (!house.config.mail || !letter.failure) throw new ContractError('not-now', { message: 'There is nothing to send again here.' });
  await changeLetter(house, letterId, { failure: null });
  await enqueueJob(house, 'send-letter', letterId);
}
