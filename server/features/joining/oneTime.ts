import { createHash, randomBytes } from 'node:crypto';

/** A token for a one-time link, and what is kept of it. */
export function oneTime(): { token: string; digest: string } {
  const token = randomBytes(32).toString('base64url');
  return { token, digest: digestOf(token) };
}

export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');
