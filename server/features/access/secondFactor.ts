import { createHash, randomInt } from 'node:crypto';
import { generateSecret, generateURI, verifySync } from 'otplib';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { seal, unseal } from '../../house/sealed.ts';
import type { AccountRow } from './model.ts';
import { changeAccount, countRecoveryCodes, putRecoveryCodes, takeRecoveryCode, takeStep } from './repository.ts';

/** A code is shown for so many seconds (RFC 6238), and taken for as long before and after: clocks differ. */
const stepSeconds = 30;
const purpose = 'second factor';
/** Codes for who lost the device: letters and digits that are not taken for one another, as many as 50 bits are. */
const [recoveryCodes, recoveryLetters, signs] = [10, 10, 'abcdefghjkmnpqrstuvwxyz23456789'] as const;

const digestOf = (accountId: string, code: string): string => createHash('sha256').update(`${accountId} ${code}`).digest('hex');
const plain = (code: string): string => code.toLowerCase().replace(/[^a-z0-9]/g, '');

type Factor = Pick<AccountRow, 'id' | 'secondSecret' | 'secondSince' | 'secondStep'>;

/** Null where the house got a new secret of its own since: a code for a lost device lets in, then it is set up anew. */
function readSecret(house: House, sealed: string): string | null {
  try {
    return unseal(house, purpose, sealed);
  } catch {
    return null;
  }
}

/** Whether a code is the one that is shown now; each is taken once. */
async function isShown(house: House, { id, secondSecret, secondStep }: Factor, code: string): Promise<boolean> {
  if (!secondSecret || !/^\d{6}$/.test(code)) return false;
  const epoch = Math.floor(house.now().getTime() / 1000);
  const secret = readSecret(house, secondSecret);
  if (!secret) return false;
  const found = verifySync({ secret, token: code, epoch, epochTolerance: stepSeconds, afterTimeStep: Number(secondStep ?? 0) });
  return found.valid && 'timeStep' in found && takeStep(house, id, found.timeStep);
}

/** Asks for the second step where an account has one: the code that its device shows, or one of those for who lost it, each once. */
export async function requireSecond(house: House, factor: Factor, code: string | undefined): Promise<void> {
  if (!factor.secondSince) return;
  if (!code) throw new ContractError('needs-code');
  const given = plain(code);
  if (await isShown(house, factor, given)) return;
  if (given.length === recoveryLetters && (await takeRecoveryCode(house, factor.id, digestOf(factor.id, given)))) return;
  throw new ContractError('wrong-code');
}

export const secondFactorOf = async (house: House, { id, secondSince }: Factor): Promise<{ since: string | null; codesLeft: number }> => ({
  since: secondSince?.toISOString() ?? null,
  codesLeft: secondSince ? await countRecoveryCodes(house, id) : 0,
});

/** A new secret, which is asked for once a code of it has been shown. */
export async function beginSecond(
  house: House,
  { id, email, secondSince }: Factor & { email: string },
): Promise<{ secret: string; uri: string }> {
  if (secondSince) throw new ContractError('not-now', { message: 'There is a second step already. End it first.' });
  const secret = generateSecret();
  await changeAccount(house, id, { secondSecret: seal(house, purpose, secret), secondStep: 0 });
  return { secret, uri: generateURI({ issuer: 'Lean Mentor', label: email, secret }) };
}

/** From now on it is asked for. Answers the codes for who loses the device: they are shown this once. */
export async function confirmSecond(house: House, factor: Factor, code: string): Promise<string[]> {
  if (factor.secondSince) throw new ContractError('not-now', { message: 'There is a second step already.' });
  if (!(await isShown(house, factor, plain(code)))) throw new ContractError('wrong-code');
  const codes = Array.from({ length: recoveryCodes }, () =>
    Array.from({ length: recoveryLetters }, () => signs[randomInt(signs.length)]).join(''),
  );
  await putRecoveryCodes(
    house,
    factor.id,
    codes.map((one) => digestOf(factor.id, one)),
  );
  await changeAccount(house, factor.id, { secondSince: house.now() });
  return codes.map((one) => `${one.slice(0, 5)}-${one.slice(5)}`);
}

export async function endSecond(house: House, accountId: string): Promise<void> {
  await putRecoveryCodes(house, accountId, []);
  await changeAccount(house, accountId, { secondSecret: null, secondSince: null, secondStep: 0 });
}
