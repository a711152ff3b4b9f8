import { createHash, randomBytes } from 'node:crypto';

/** A token of 256 bits for a link that opens something, and the digest that is kept of it: the token itself is in the link alone. */
export function oneTime(): { token: string; digest: string } {
  const token = randomBytes(32).toString('base64url');
  return { token, digest: digestOf(token) };
}

export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');
