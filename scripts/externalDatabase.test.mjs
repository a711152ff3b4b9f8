import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from '../server/db/connect.ts';
import { startDatabase } from './database.mjs';
import { databaseClient } from './databaseClient.mjs';
import { freePort } from './freePort.mjs';
import { houseIdentity } from './privileges.mjs';
import { root } from './settings.mjs';

const folder = mkdtempSync(join(tmpdir(), 'lean-test-tls-'));
const [key, ca, another] = ['key.pem', 'ca.pem', 'another.pem'].map((name) => join(folder, name));
let settings;
let database;
let login;
beforeAll(async () => {
  for (const [keyOut, out] of [
    [key, ca],
    [join(folder, 'another-key.pem'), another],
  ]) {
    const ends = ['-keyout', keyOut, '-out', out, '-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost,IP:127.0.0.1'];
    const made = spawnSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', ...ends]);
    expect(made.status).toBe(0);
  }
  // The database runs as another user than this test.
  for (const file of [key, ca]) chmodSync(file, 0o644);
  const port = await freePort();
  const identity = houseIdentity(root, folder);
  const more = [`--ssl-cert=${ca}`, `--ssl-key=${key}`, '--require-secure-transport=1', '--log-bin=binlog', '--server-id=1'];
  settings = { folder, port, password: 'only-for-tests', identity, more };
  database = await startDatabase(settings);
  login = { host: '127.0.0.1', port, user: 'lean', password: 'only-for-tests', name: 'lean_mentor' };
});
afterAll(async () => {
  await database?.stop();
  rmSync(folder, { recursive: true, force: true });
});

describe('a database elsewhere', () => {
  const ask = async (by) => {
    const sequelize = connect({ ...login, ca: by, readHosts: [], hosts: [{ host: 'localhost', port: login.port }] });
    try {
      const [[row]] = await sequelize.query("SHOW STATUS LIKE 'Ssl_version'");
      return row.Value;
    } finally {
      await sequelize.close();
    }
  };

  it('is talked to over TLS, where a certificate is named, by the house and by backup', async () => {
    expect(await ask(ca)).toMatch(/^TLSv1\.[23]$/);
    const said = await databaseClient('mariadb', { ...login, host: 'localhost', ca }, ['-N', '-e', "SHOW STATUS LIKE 'Ssl_version'"]);
    expect(said).toMatch(/TLSv1\.[23]/);
  });

  it('is not believed where its certificate is another one', async () => {
    await expect(ask(another)).rejects.toThrow(/certificate/);
    await expect(databaseClient('mariadb', { ...login, host: 'localhost', ca: another }, ['-e', 'SELECT 1'])).rejects.toThrow(
      /certificate|TLS|SSL/,
    );
  });

  it('that wants TLS is not reached in the clear', async () => {
    await expect(ask(null)).rejects.toThrow('Access denied');
  });

  it('that others copy is made ready once it trusts its user with triggers, and says so before', async () => {
    const { user, password, host, port, name } = login;
    const address = `mariadb://${user}:${password}@${host}:${port}/${name}`;
    const given = { LEAN_DATABASE_URL: address, LEAN_DATABASE_CA: ca, LEAN_DB_PASSWORD: password, LEAN_SECRET: password.repeat(2) };
    const prepare = () =>
      spawnSync(process.execPath, ['--import', 'tsx', 'server/commands/prepare.ts'], {
        ...{ cwd: root, encoding: 'utf8' },
        env: { ...process.env, ...given, LEAN_DATA_DIR: join(folder, 'house') },
      });
    const refused = prepare();
    expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('Set log_bin_trust_function_creators=ON in it')]);
    await database.stop();
    database = await startDatabase({ ...settings, more: [...settings.more, '--log-bin-trust-function-creators=1'] });
    expect(prepare()).toMatchObject({ status: 0 });
  });
});
