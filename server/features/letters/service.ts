import type { Role } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { findAccountsOfClient } from '../access/index.ts';
import { postLetter } from './repository.ts';

/** Writes to everyone who is told about a client: themselves and guardians; nobody for whom `letterFor` answers null. */
export async function postLetters(
  house: House,
  clientId: string,
  letterFor: (person: { name: string; role: Role }) => { subject: string; body: string } | null,
  transaction: Transaction,
): Promise<void> {
  for (const person of await findAccountsOfClient(house, clientId)) {
    const letter = letterFor(person);
    if (letter)
      await postLetter(
        house,
        { id: house.newId(), toName: person.name, toAddress: person.email, writtenAt: house.now(), ...letter },
        transaction,
      );
  }
}
