import { createHmac, timingSafeEqual } from 'node:crypto';
import type { LettersBy } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { changeAccount, findAccountRow } from '../access/index.ts';

/** What only this house can have written beside an account's id: nobody stops the letters of another. */
const signatureOf = ({ config }: House, accountId: string): string =>
  createHmac('sha256', config.secret).update(`stop letters of ${accountId}`).digest('base64url');

/** The page on which letters to an account are stopped; it stands in every letter that can be. */
export const stopPage = (house: House, accountId: string): string => `/stop-letters/${accountId}/${signatureOf(house, accountId)}`;

/** Stops letters by the address that was in one of them. They stay in the app. */
export async function stopLetters(house: House, accountId: string, signature: string): Promise<void> {
  const rightly = timingSafeEqual(Buffer.from(signatureOf(house, accountId)), Buffer.from(signature));
  if (!rightly || !(await findAccountRow(house, accountId))) throw new ContractError('not-found');
  await setOwnLetters(house, accountId, 'app');
}

/** What somebody wants of letters to themselves. */
export const setOwnLetters = (house: House, accountId: string, by: LettersBy): Promise<void> =>
  changeAccount(house, accountId, { lettersBy: by, lettersStoppedAt: by === 'app' ? house.now() : null });

/** What a coach sets for somebody, unless they have stopped letters themselves. */
export async function setLettersBy(house: House, accountId: string, by: LettersBy): Promise<void> {
  const row = await findAccountRow(house, accountId);
  if (!row) throw new ContractError('not-found');
  if (by === 'letter' && row.lettersStoppedAt)
    throw new ContractError('not-now', { message: `${row.name} has stopped letters. Only they can have them sent again.` });
  await changeAccount(house, accountId, { lettersBy: by });
}
