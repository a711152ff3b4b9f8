import { createHmac, timingSafeEqual } from 'node:crypto';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';

/** How long an address may be used, in ms: longer than a long evening at the desk. */
export const viewingMs = 8 * 3600 * 1000;

/** Who may use an address: an account, for as long as the session lasts in which it asked for it. */
export const viewerOf = (accountId: string, sessionId: string): string => `${accountId} ${sessionId}`;

const signatureOf = (house: House, path: string, viewer: string, until: number): string =>
  createHmac('sha256', house.config.secret).update(`${path}\n${viewer}\n${until}`).digest('base64url');

/** The address of a file for one viewer until a time (ms): its path with a signature that holds for nobody else. */
export function signedAddress(house: House, path: string, viewer: string, until: number): string {
  const query = new URLSearchParams({ until: String(until), signature: signatureOf(house, path, viewer, until) });
  return `${path}?${query.toString()}`;
}

/** Whether an address was made for this viewer and has not expired. */
function isSignedFor(house: House, path: string, viewer: string, query: Record<string, unknown>): boolean {
  const until = Number(query['until']);
  if (!Number.isSafeInteger(until) || until < house.now().getTime()) return false;
  const given = Buffer.from(typeof query['signature'] === 'string' ? query['signature'] : '');
  const expected = Buffer.from(signatureOf(house, path, viewer, until));
  return given.length === expected.length && timingSafeEqual(given, expected);
}

/** Refuses an address that was not made for this viewer, or has expired. */
export function requireSigned(...asked: Parameters<typeof isSignedFor>): void {
  if (!isSignedFor(...asked)) throw new ContractError('address-expired');
}
