import type { Account } from '@lean-mentor/contract';
import { addHours, subHours } from 'date-fns';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { changeAccount, findAccount, findAccountByEmail, findAccountRow, isPassword, type Trying } from '../access/index.ts';
import { linkUsed, postLetterTo } from '../letters/index.ts';
import { digestOf, oneTime } from './oneTime.ts';
import { hashNew } from './passwordRules.ts';
import { countForgotten, deleteForgottenOf, findForgotten, insertForgotten } from './repository.ts';

/** Its link opens for so many hours, and so many are written to one account within as many. */
const [openHours, mostLetters] = [1, 3];

/** Writes to whoever signs in with an address. Where nobody does, or they were written to enough, nothing happens and nothing says so. */
export async function askNewPassword(house: House, address: string): Promise<void> {
  const row = await findAccountByEmail(house, address);
  const account = row && (await findAccount(house, row.id));
  if (!row || !account) return;
  const now = house.now();
  if ((await countForgotten(house, row.id, subHours(now, openHours))) >= mostLetters) return;
  const { token, digest } = oneTime();
  await house.db.sequelize.transaction(async (transaction) => {
    const letterId = await postLetterTo(
      house,
      {
        toName: row.name,
        toAddress: row.email,
        subject: 'A new password',
        body: `Hello ${row.name},\n\nsomebody, most likely you, asked for a new password. Choose one here; the link opens once, within an hour. If it was not you, nothing has changed and there is nothing to do.`,
        link: `/forgotten/${token}`,
      },
      transaction,
    );
    await insertForgotten(house, { digest, accountId: row.id, letterId, madeAt: now, expiresAt: addHours(now, openHours) }, transaction);
  });
}

/** Whoever's password was changed is told, wherever it was done. */
const tell = (house: House, { name, email }: { name: string; email: string }, transaction: Transaction): Promise<string> =>
  postLetterTo(
    house,
    {
      toName: name,
      toAddress: email,
      subject: 'Your password was changed',
      body: `Hello ${name},\n\nyour password was changed just now, and everywhere else you are signed out. If it was not you, have a new one set from the sign-in page, and tell your coach.`,
      link: null,
    },
    transaction,
  );

/** Sets a new password by a link: every other link of that account opens nothing then. The caller ends its sessions. */
export async function setNewPassword(house: House, token: string, password: string): Promise<Account> {
  const expired = new ContractError('address-expired', { message: 'This link has been used, or is too old. Ask for another.' });
  const accountId = await house.db.sequelize.transaction(async (transaction) => {
    const asked = await findForgotten(house, digestOf(token), transaction);
    const row = asked && asked.expiresAt > house.now() ? await findAccountRow(house, asked.accountId) : null;
    if (!asked || !row) throw expired;
    await changeAccount(house, row.id, { passwordHash: await hashNew(password, row) }, transaction);
    await deleteForgottenOf(house, row.id, transaction);
    await tell(house, row, transaction);
    if (asked.letterId) await linkUsed(house, asked.letterId, transaction);
    return row.id;
  });
  const account = await findAccount(house, accountId);
  if (!account) throw expired;
  return account;
}

/** Sets another password, for whoever knows the present one; who guesses is held up as at the door. */
export async function changePassword(
  house: House,
  account: Account,
  { present, password }: { present: string; password: string },
  from: Pick<Trying, 'address' | 'cookie'>,
): Promise<void> {
  const row = await findAccountRow(house, account.id);
  if (!row) throw new ContractError('not-found');
  if (!(await isPassword(house, row, present, from))) {
    const why = 'This is not your present password.';
    throw new ContractError('not-valid', { message: why, fields: [{ field: 'present', why }] });
  }
  const passwordHash = await hashNew(password, row);
  await house.db.sequelize.transaction(async (transaction) => {
    await changeAccount(house, row.id, { passwordHash }, transaction);
    await deleteForgottenOf(house, row.id, transaction);
    await tell(house, row, transaction);
  });
}
