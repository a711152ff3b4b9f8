import { randomBytes } from 'node:crypto';
import { everyRole } from '@lean-mentor/contract';
import { z } from 'zod';
import { readConfig } from '../config/config.ts';
import { changeAccount, endSecond, findAccountByEmail, hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import type { House } from '../house/house.ts';
import { openHouse } from '../openHouse.ts';

/**
 * `node --import tsx server/commands/addAccount.ts ROLE NAME ADDRESS`: adds a sign-in; a client's also opens the client. With `password
 * ADDRESS` whoever signs in with that address gets a new password and no second step, which is the way back for a coach.
 */
const email = z.email('The address is not one, such as name@example.org.');
const wanted = z
  .union([
    z.tuple([z.literal('password'), email]),
    z.tuple([
      z.enum(everyRole, { error: `The role is one of ${everyRole.join(', ')}.` }),
      z.string().trim().min(1, 'Give a name.').max(120),
      email,
    ]),
  ])
  .safeParse(process.argv.slice(2));

const made = (): string => randomBytes(9).toString('base64url');

async function givePassword(house: House, address: string): Promise<string> {
  const row = await findAccountByEmail(house, address);
  if (!row) throw new Error(`Nobody signs in with ${address}.`);
  const password = made();
  await changeAccount(house, row.id, { passwordHash: await hashPassword(password) });
  // Whoever is at the machine may be there because they lost the device.
  await endSecond(house, row.id);
  return `${row.name} can sign in as ${row.email} with the password ${password}`;
}

async function addAccount(house: House, role: (typeof everyRole)[number], name: string, address: string): Promise<string> {
  if (await findAccountByEmail(house, address)) throw new Error(`${address} has a sign-in already.`);
  const [password, clientId] = [made(), house.newId()];
  if (role === 'client') await insertClient(house, { id: clientId, name, level: 1, bornOn: null, about: '', hurts: [], agreements: [] });
  const account = { id: house.newId(), name, email: address.toLowerCase(), role, passwordHash: await hashPassword(password), demo: false };
  await insertAccount(house, account, role === 'client' ? [clientId] : []);
  return `${name} can sign in as ${address} with the password ${password}`;
}

if (!wanted.success) {
  const said = new Set(
    wanted.error.issues.flatMap((issue) =>
      issue.code === 'invalid_union' ? issue.errors.at(-1)!.map(({ message }) => message) : issue.message,
    ),
  );
  process.stderr.write(`${[...said].join(' ')}\nUsage: npm run account -- ROLE "NAME" ADDRESS, or npm run account -- password ADDRESS\n`);
  process.exitCode = 2;
} else {
  const house = openHouse(readConfig());
  try {
    const given = wanted.data;
    process.stdout.write(`${given.length === 2 ? await givePassword(house, given[1]) : await addAccount(house, ...given)}\n`);
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`);
    process.exitCode = 1;
  } finally {
    await house.db.sequelize.close();
  }
}
