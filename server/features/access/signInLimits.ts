import { createHmac, timingSafeEqual } from 'node:crypto';
import { addMinutes, subMinutes } from 'date-fns';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { addTries, findOldTries, findTries, forgetTries, type TriesWindow } from './repository.ts';

/** Failed tries are counted over so many minutes. */
export const windowMinutes = 15;
/**
 * So many may fail in that time: for one account from browsers that never signed in to it, from one such browser that did, and from
 * one address of the network for all accounts together. A whole gym may share an address, hence its number. A guesser so uses up the
 * account's tries for unknown browsers; whoever has signed in before keeps their own (OWASP: device cookies), and other accounts theirs.
 */
export const mostTries = { account: 10, browser: 10, address: 100 } as const;

const countingAt = (now: Date): TriesWindow => ({ from: subMinutes(now, windowMinutes), until: addMinutes(now, 1) });

const macOf = ({ config }: House, text: string): string => createHmac('sha256', config.secret).update(text).digest('hex');

/** What a browser keeps that has signed in to an account: it says so, and nobody else can make one. */
export const knownBrowser = (house: House, accountId: string): string => `${accountId}.${macOf(house, `known browser of ${accountId}`)}`;

const isKnownBrowser = (house: House, accountId: string | null, cookie: string | null): boolean => {
  if (!accountId || !cookie) return false;
  const [given, expected] = [Buffer.from(cookie), Buffer.from(knownBrowser(house, accountId))];
  return given.length === expected.length && timingSafeEqual(given, expected);
};

/** Who tries. `address`: of the network; `cookie`: what the browser keeps, if anything. */
export interface Trying {
  email: string;
  accountId: string | null;
  address: string;
  cookie: string | null;
}

/**
 * Counts a try before the password is looked at, so that many at once are counted too. Throws where there were too many; otherwise
 * answers what to call when the password was right. Kept are only digests: nobody reads an address or a mail address out of them.
 */
export async function countTry(house: House, { email, accountId, address, cookie }: Trying): Promise<() => Promise<void>> {
  const now = house.now();
  const known = isKnownBrowser(house, accountId, cookie);
  const counted: [subject: string, most: number][] = known
    ? [[macOf(house, `browser ${cookie!}`), mostTries.browser]]
    : [
        [macOf(house, `account ${email.toLowerCase()}`), mostTries.account],
        [macOf(house, `address ${address}`), mostTries.address],
      ];
  const subjects = counted.map(([subject]) => subject);
  const tries = await addTries(house, subjects, now, countingAt(now));
  if (counted.some(([, most], i) => tries[i]!.count > most)) throw new ContractError('too-many-sign-ins');
  return async () => {
    // The account's or the browser's tries begin anew; of the address's only this one was right.
    const ofTheAddress = tries.slice(1).map(({ id }) => id);
    await forgetTries(house, [...(await findTries(house, subjects[0]!)), ...ofTheAddress]);
  };
}

/** Removes the tries that no longer count. */
export const forgetOldTries = async (house: House): Promise<void> => forgetTries(house, await findOldTries(house, countingAt(house.now())));
