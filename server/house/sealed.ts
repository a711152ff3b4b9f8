import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import type { House } from './house.ts';

const keyOf = ({ config }: House, purpose: string): Buffer => Buffer.from(hkdfSync('sha256', config.secret, '', `sealed ${purpose}`, 32));
const [nonceBytes, tagBytes] = [12, 16];

/** A secret as it may lie in the database: readable with the house's own secret alone (AES-256-GCM). `purpose`: what it is for. */
export function seal(house: House, purpose: string, secret: string): string {
  const nonce = randomBytes(nonceBytes);
  const cipher = createCipheriv('aes-256-gcm', keyOf(house, purpose), nonce);
  const sealed = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64url');
}

/** What was sealed. Throws where it was sealed for something else, by another house, or was changed. */
export function unseal(house: House, purpose: string, sealed: string): string {
  const bytes = Buffer.from(sealed, 'base64url');
  const decipher = createDecipheriv('aes-256-gcm', keyOf(house, purpose), bytes.subarray(0, nonceBytes));
  decipher.setAuthTag(bytes.subarray(nonceBytes, nonceBytes + tagBytes));
  return Buffer.concat([decipher.update(bytes.subarray(nonceBytes + tagBytes)), decipher.final()]).toString('utf8');
}
