import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { postLetterTo } from '../letters/index.ts';

/** Whoever's way in was changed is told, wherever it was done. */
export const tellOf = (
  house: House,
  { name, email }: { name: string; email: string },
  what: string,
  transaction: Transaction,
): Promise<string> =>
  postLetterTo(
    house,
    {
      toName: name,
      toAddress: email,
      subject: 'Your sign-in was changed',
      body: `Hello ${name},\n\nfrom now on ${what}. If it was not you, have a new password set from the sign-in page, and tell your coach.`,
      link: null,
    },
    transaction,
  );
