import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildServer, builtProgram } from './build.mjs';
import { portAnswers } from './database.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { ownerOf } from './privileges.mjs';
import { houseEnvironment, readSecrets, readSettings, root } from './settings.mjs';

/** `npm run account -- ROLE "NAME" ADDRESS`: adds a sign-in to the running house and prints its password once. */
try {
  const settings = readSettings();
  if (!existsSync(join(settings.dataDir, 'secrets.json')) || !(settings.database || (await portAnswers(settings.databasePort))))
    throw new PlainFault('Lean Mentor is not running. Start it with npm start, then run this in another terminal.');
  const env = { ...houseEnvironment(settings, readSecrets(settings.dataDir)), LEAN_LOG: 'silent' };
  // What is said here is the password alone: others read it.
  buildServer(root, () => undefined);
  const run = spawnSync(process.execPath, [...builtProgram(root, 'server/commands/addAccount.ts'), ...process.argv.slice(2)], {
    ...ownerOf(settings.dataDir),
    cwd: root,
    env,
    stdio: 'inherit',
  });
  process.exitCode = run.status ?? 1;
} catch (error) {
  reportFault(error);
}
