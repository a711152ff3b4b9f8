import type { Account, Person } from '@lean-mentor/contract';
import { formatISO, subYears } from 'date-fns';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import {
  changeAccount,
  deleteAccount,
  findAccountByEmail,
  findAccountRow,
  findGuardiansOfGrown,
  findPeople,
  unlinkClient,
  type AccountRow,
} from '../access/index.ts';
import { ageOfConsent, findClient } from '../clients/index.ts';
import { letGoOn } from '../requests/index.ts';
import { postLetters, postLetterTo } from '../letters/index.ts';
import { endSessionsOf } from './ownSessions.ts';

export const listPeople = async (house: House): Promise<{ people: Person[] }> => ({
  people: (await findPeople(house)).map(({ row: { id, name, email, role, pausedAt, lettersBy, lettersStoppedAt }, clients }) => ({
    ...{ id, name, email, role, clients },
    letters: { by: lettersBy ?? 'letter', stopped: Boolean(lettersStoppedAt) },
    pausedAt: pausedAt?.toISOString() ?? null,
  })),
});

async function requireAccount(house: House, id: string): Promise<AccountRow> {
  const row = await findAccountRow(house, id);
  if (!row) throw new ContractError('not-found');
  return row;
}

/** Somebody else than who does it: nobody locks themselves out. */
async function anotherOne(house: House, account: Account, id: string): Promise<AccountRow> {
  if (id === account.id) throw new ContractError('not-valid', { message: 'This is your own sign-in. Another coach can do that.' });
  return requireAccount(house, id);
}

/** Changes name and address. Both addresses are told when it is another, so that nobody loses a sign-in unseen. */
export async function changePerson(house: House, id: string, wanted: { name: string; email: string }): Promise<void> {
  const row = await requireAccount(house, id);
  const email = wanted.email.toLowerCase();
  if (email !== row.email && (await findAccountByEmail(house, email)))
    throw new ContractError('not-valid', {
      message: `${email} signs in here already.`,
      fields: [{ field: 'email', why: 'Whoever has this address signs in here already.' }],
    });
  await house.db.sequelize.transaction(async (transaction) => {
    await changeAccount(house, id, { name: wanted.name, email }, transaction);
    if (email === row.email) return;
    for (const toAddress of [row.email, email])
      await postLetterTo(
        house,
        {
          ...{ toName: wanted.name, toAddress, link: null, subject: 'Your address here has changed' },
          body: `Hello ${wanted.name},\n\nFrom now on you sign in with ${email}, no longer with ${row.email}. Your password stays as it was. If you did not expect this, tell your coach.`,
        },
        transaction,
      );
  });
}

/** Lets somebody not sign in, or again. */
export async function pausePerson(house: House, account: Account, id: string, paused: boolean): Promise<void> {
  await anotherOne(house, account, id);
  await changeAccount(house, id, { pausedAt: paused ? house.now() : null });
  if (paused) await endSessionsOf(house, id, null);
}

/** Takes a sign-in away. What a client sent stays with the practice. */
export async function removePerson(house: House, account: Account, id: string): Promise<void> {
  await anotherOne(house, account, id);
  await endSessionsOf(house, id, null);
  await house.db.sequelize.transaction((transaction) => deleteAccount(house, id, transaction));
}

/**
 * Clients who have come of age: what is theirs is theirs alone from then on. Their guardians no longer see it, and all of them are told.
 * What waited for a guardian's yes goes on to the coach.
 */
export async function handOver(house: House): Promise<void> {
  const bornBy = formatISO(subYears(house.now(), ageOfConsent), { representation: 'date' });
  for (const { accountId, clientId } of await findGuardiansOfGrown(house, bornBy)) {
    const client = (await findClient(house, clientId))!;
    await house.db.sequelize.transaction(async (transaction) => {
      await postLetters(
        house,
        clientId,
        ({ name, role }) => ({
          kind: role === 'guardian' ? ('grown-guardian' as const) : ('grown' as const),
          values: { name, client: client.name },
        }),
        transaction,
      );
      await unlinkClient(house, accountId, clientId, transaction);
    });
    await letGoOn(house, clientId);
  }
}
