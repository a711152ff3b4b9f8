import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from './database.mjs';
import { freePort } from './freePort.mjs';
import { houseIdentity } from './privileges.mjs';
import { root } from './settings.mjs';

/** Nothing here outlives the tests, so nothing waits for the disk. What is written to each table is counted, which the matrix asks for. */
const forTests = ['--innodb-flush-log-at-trx-commit=2', '--innodb-doublewrite=0', '--userstat=1'];

/** Vitest's global set-up: a MariaDB of the tests' own, gone with them. Every test file makes its own database in it. */
export default async function setup() {
  const folder = mkdtempSync(join(tmpdir(), 'lean-test-db-'));
  const port = await freePort();
  const password = 'only-for-tests';
  const identity = houseIdentity(root, folder);
  const database = await startDatabase({ folder, port, password, identity, databases: 'lean\\_%', more: forTests });
  process.env.LEAN_DB_PORT = String(port);
  process.env.LEAN_DB_PASSWORD = password;
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
