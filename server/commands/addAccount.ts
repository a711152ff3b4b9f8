import { randomBytes } from 'node:crypto';
import { everyRole } from '@lean-mentor/contract';
import { z } from 'zod';
import { readConfig } from '../config/config.ts';
import { findAccountByEmail, hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import { openHouse } from '../openHouse.ts';

/** `node --import tsx server/commands/addAccount.ts ROLE NAME ADDRESS`: adds a sign-in; a client's also opens the client. */
const wanted = z
  .tuple([
    z.enum(everyRole, { error: `The role is one of ${everyRole.join(', ')}.` }),
    z.string().trim().min(1, 'Give a name.').max(120),
    z.email('The address is not one, such as name@example.org.'),
  ])
  .safeParse(process.argv.slice(2));

if (!wanted.success) {
  process.stderr.write(`${wanted.error.issues.map((issue) => issue.message).join(' ')}\nUsage: npm run account -- ROLE "NAME" ADDRESS\n`);
  process.exitCode = 2;
} else {
  const [role, name, email] = wanted.data;
  const house = openHouse(readConfig());
  try {
    if (await findAccountByEmail(house, email)) {
      process.stderr.write(`${email} has a sign-in already.\n`);
      process.exitCode = 1;
    } else {
      const password = randomBytes(9).toString('base64url');
      const clientId = house.newId();
      if (role === 'client')
        await insertClient(house, { id: clientId, name, level: 1, bornOn: null, about: '', hurts: [], agreements: [] });
      const account = {
        id: house.newId(),
        name,
        email: email.toLowerCase(),
        role,
        passwordHash: await hashPassword(password),
        demo: false,
      };
      await insertAccount(house, account, role === 'client' ? [clientId] : []);
      process.stdout.write(`${name} can sign in as ${email} with the password ${password}\n`);
    }
  } finally {
    await house.db.sequelize.close();
  }
}
