import type { Account } from '@lean-mentor/contract';
import { addHours, subHours } from 'date-fns';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { changeAccount, findAccount, findAccountByEmail, findAccountRow } from '../access/index.ts';
import { linkUsed, postLetterTo } from '../letters/index.ts';
import { digestOf, oneTime } from '../../house/oneTime.ts';
import { hashNew } from './passwordRules.ts';
import { requirePassword, type From } from './secondStep.ts';
import { tellOf } from './tellOf.ts';
import { countForgotten, deleteForgottenOf, findForgotten, insertForgotten } from './repository.ts';

const changed = 'you sign in with another password, and everywhere else you are signed out';

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

/**
 * Sets a new password by a link: every other link of that account opens nothing then. The caller ends its sessions. `comesIn`: not where a
 * second step is asked for, which the link does not stand for.
 */
export async function setNewPassword(house: House, token: string, password: string): Promise<{ account: Account; comesIn: boolean }> {
  const expired = new ContractError('address-expired', { message: 'This link has been used, or is too old. Ask for another.' });
  const row = await house.db.sequelize.transaction(async (transaction) => {
    const asked = await findForgotten(house, digestOf(token), transaction);
    const found = asked && asked.expiresAt > house.now() ? await findAccountRow(house, asked.accountId) : null;
    if (!asked || !found) throw expired;
    await changeAccount(house, found.id, { passwordHash: await hashNew(password, found) }, transaction);
    await deleteForgottenOf(house, found.id, transaction);
    await tellOf(house, found, changed, transaction);
    if (asked.letterId) await linkUsed(house, asked.letterId, transaction);
    return found;
  });
  const account = await findAccount(house, row.id);
  if (!account) throw expired;
  return { account, comesIn: !row.secondSince };
}

/** Sets another password, for whoever knows the present one; who guesses is held up as at the door. */
export async function changePassword(
  house: House,
  account: Account,
  { present, password }: { present: string; password: string },
  from: From,
): Promise<void> {
  const row = await findAccountRow(house, account.id);
  if (!row) throw new ContractError('not-found');
  await requirePassword(house, row, present, from);
  const passwordHash = await hashNew(password, row);
  await house.db.sequelize.transaction(async (transaction) => {
    await changeAccount(house, row.id, { passwordHash }, transaction);
    await deleteForgottenOf(house, row.id, transaction);
    await tellOf(house, row, changed, transaction);
  });
}
