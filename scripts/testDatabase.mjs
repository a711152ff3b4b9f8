import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from './database.mjs';

/** A loopback port that was free a moment ago. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer().once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** Vitest's global set-up: a MariaDB of the tests' own, gone with them. Every test file makes its own database in it. */
export default async function setup() {
  const folder = mkdtempSync(join(tmpdir(), 'lean-test-db-'));
  const port = await freePort();
  const password = 'only-for-tests';
  const database = await startDatabase({ folder, port, password });
  process.env.LEAN_DB_PORT = String(port);
  process.env.LEAN_DB_PASSWORD = password;
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
