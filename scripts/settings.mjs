import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PlainFault } from './plainFault.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

function portOf(name, fallback) {
  const text = process.env[name] || String(fallback);
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new PlainFault(`${name} is "${text}"; it must be a port number from 1 to 65535.`);
  return port;
}

/** What the environment sets; README's table documents every name. */
export function readSettings() {
  const demo = process.env.LEAN_DEMO || '1';
  if (demo !== '0' && demo !== '1') throw new PlainFault(`LEAN_DEMO is "${demo}"; it must be 0 or 1.`);
  return {
    port: portOf('PORT', 4170),
    databasePort: portOf('LEAN_DB_PORT', 4171),
    dataDir: resolve(root, process.env.LEAN_DATA_DIR || '.data'),
    demo: demo === '1',
  };
}

/** Passwords of this house, made at the first start and kept in its data folder for its owner only. */
export function readSecrets(dataDir) {
  const file = join(dataDir, 'secrets.json');
  if (!existsSync(file)) {
    mkdirSync(dataDir, { recursive: true });
    const made = { databasePassword: randomBytes(18).toString('base64url'), sessionSecret: randomBytes(32).toString('base64url') };
    writeFileSync(file, JSON.stringify(made), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}

/** Environment of the server's and the jobs' processes. */
export const houseEnvironment = ({ port, databasePort, dataDir }, secrets) => ({
  ...process.env,
  PORT: String(port),
  LEAN_DB_PORT: String(databasePort),
  LEAN_DATA_DIR: dataDir,
  LEAN_DB_PASSWORD: secrets.databasePassword,
  LEAN_SECRET: secrets.sessionSecret,
});
