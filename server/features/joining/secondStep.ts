import type { Account } from '@lean-mentor/contract';
import qrcode from 'qrcode';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import {
  beginSecond,
  confirmSecond,
  endSecond,
  findAccountRow,
  isPassword,
  requireSecond,
  secondFactorOf,
  type AccountRow,
  type Trying,
} from '../access/index.ts';
import { tellOf } from './tellOf.ts';

export type From = Pick<Trying, 'address' | 'cookie'>;

async function rowOf(house: House, { id }: Account): Promise<AccountRow> {
  const row = await findAccountRow(house, id);
  if (!row) throw new ContractError('not-found');
  return row;
}

/** Whose password it is is asked again for what changes how one comes in. */
export async function requirePassword(house: House, row: AccountRow, present: string, from: From): Promise<void> {
  if (await isPassword(house, row, present, from)) return;
  const why = 'This is not your present password.';
  throw new ContractError('not-valid', { message: why, fields: [{ field: 'present', why }] });
}

export const getSecondFactor = async (house: House, account: Account) => secondFactorOf(house, await rowOf(house, account));

export async function beginSecondFactor(house: House, account: Account, present: string, from: From) {
  const row = await rowOf(house, account);
  await requirePassword(house, row, present, from);
  const { secret, uri } = await beginSecond(house, row);
  return { secret, uri, picture: await qrcode.toString(uri, { type: 'svg', margin: 2 }) };
}

export async function confirmSecondFactor(house: House, account: Account, code: string): Promise<{ codes: string[] }> {
  const row = await rowOf(house, account);
  const codes = await confirmSecond(house, row, code);
  await house.db.sequelize.transaction((transaction) => tellOf(house, row, 'a second step is asked for when you sign in', transaction));
  return { codes };
}

export async function endSecondFactor(
  house: House,
  account: Account,
  { present, code }: { present: string; code: string },
  from: From,
): Promise<void> {
  const row = await rowOf(house, account);
  await requirePassword(house, row, present, from);
  await requireSecond(house, row, code);
  await endSecond(house, row.id);
  await house.db.sequelize.transaction((transaction) =>
    tellOf(house, row, 'no second step is asked for any more when you sign in', transaction),
  );
}
