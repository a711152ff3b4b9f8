import { dictionary } from '@zxcvbn-ts/language-common';
import { ContractError } from '../../house/contractError.ts';
import { hashPassword } from '../access/index.ts';

/** The fifty thousand passwords that leaks hold most often. */
const common = new Set(dictionary['passwords-common'].map((one) => String(one).toLowerCase()));
/** A part of a name or an address this short is in many words. */
const leastPart = 4;

/** Why a password cannot be taken, in one sentence; null where it can. Its length is the contract's to see to. */
export function passwordFault(password: string, { name, email }: { name: string; email: string }): string | null {
  const plain = password.toLowerCase();
  if (common.has(plain)) return 'This is one of the passwords that are tried first. Take another: four plain words do well.';
  if (new Set(plain).size < 4) return 'This is the same few characters over and over. Take another: four plain words do well.';
  const own = [email.toLowerCase(), ...`${name} ${email}`.toLowerCase().split(/[^\p{L}\p{N}]+/u)].filter(
    ({ length }) => length >= leastPart,
  );
  // What is left of it without one's own name must be a password by itself.
  const rest = own.reduce((left, part) => left.replaceAll(part, ''), plain);
  if (rest.length < plain.length && rest.length < 8)
    return 'This is mostly your name or your address. Take another: four plain words do well.';
  return null;
}

/** What is kept of a new password; refused with the field where it cannot be taken. */
export async function hashNew(password: string, person: { name: string; email: string }): Promise<string> {
  const why = passwordFault(password, person);
  if (why) throw new ContractError('not-valid', { message: why, fields: [{ field: 'password', why }] });
  return hashPassword(password);
}
