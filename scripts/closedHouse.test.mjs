import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { startDatabase } from './database.mjs';
import { freePort } from './freePort.mjs';
import { inTurn, lockHouse } from './locks.mjs';
import { PlainFault } from './plainFault.mjs';
import { houseIdentity, houseUser } from './privileges.mjs';
import { readSecrets, root } from './settings.mjs';
import { supervise } from './supervise.mjs';
import { findProgram } from './systemPackages.mjs';

const folders = [];
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'lean-test-closed-'));
  folders.push(made);
  return made;
};
const gone = () => {
  for (const made of folders.splice(0)) rmSync(made, { recursive: true, force: true });
};
const isRoot = process.getuid() === 0;
/** Some user of this machine who is neither root nor the house's. */
const stranger = { uid: 65534, gid: 65534 };

describe('the database', () => {
  const password = 'a password of the app';
  let at;
  let database;
  beforeAll(async () => {
    const made = mkdtempSync(join(tmpdir(), 'lean-test-closed-db-'));
    const identity = houseIdentity(root, made);
    at = { folder: made, port: await freePort(), password, identity };
    database = await startDatabase(at);
  });
  afterAll(async () => {
    await database.stop();
    rmSync(at.folder, { recursive: true, force: true });
  });

  /** What somebody gets who asks the database something. */
  const ask = (who, args, sql) => {
    const run = spawnSync('mariadb', ['--no-defaults', ...args, '-N', '-B', '-e', sql], { ...who, encoding: 'utf8', cwd: '/' });
    return run.status === 0 ? run.stdout.trim() : `refused: ${run.stderr.trim()}`;
  };
  const overNetwork = (user, word) => ['-h', '127.0.0.1', '-P', String(at.port), '-u', user, ...(word === null ? [] : [`-p${word}`])];
  const overSocket = (user) => ['-S', join(at.folder, 'db.sock'), '-u', user];

  it('lets nobody in as root over the network, and over the socket only root of this machine', () => {
    for (const word of ['', 'root', password]) expect(ask({}, overNetwork('root', word), 'SELECT 1')).toMatch(/^refused:/);
    for (const user of ['', 'root', 'lean', 'mysql']) expect(ask({}, overNetwork(user, null), 'SELECT 1')).toMatch(/^refused:/);
    if (!isRoot) return;
    for (const user of ['root', 'lean', '']) expect(ask(stranger, overSocket(user), 'SELECT 1')).toMatch(/^refused:/);
    expect(ask({}, overSocket('root'), 'SELECT 1')).toBe('1');
  });

  it('gives the app’s user its own database and nothing else: no files, no accounts, no other database', () => {
    const app = overNetwork('lean', password);
    expect(ask({}, app, 'CREATE TABLE lean_mentor.t (a INT); INSERT INTO lean_mentor.t VALUES (7); SELECT a FROM lean_mentor.t')).toBe('7');
    const target = join(at.folder, 'stolen');
    for (const sql of [
      `SELECT 'x' INTO OUTFILE '${target}'`,
      'SELECT * FROM mysql.global_priv',
      'CREATE DATABASE other',
      "CREATE USER 'x'@'%'",
      'GRANT ALL ON lean_mentor.* TO PUBLIC',
      'SHUTDOWN',
    ])
      expect(ask({}, app, sql), sql).toMatch(/^refused:/);
    expect(ask({}, app, "SELECT LOAD_FILE('/etc/passwd')")).toBe('NULL');
    expect(existsSync(target)).toBe(false);
  });

  it('puts an open root and nameless accounts of an earlier house right at its next start', async () => {
    if (!isRoot) return;
    const admin = overSocket('root');
    ask(
      {},
      admin,
      "CREATE USER 'root'@'127.0.0.1'; GRANT ALL ON *.* TO 'root'@'127.0.0.1'; CREATE USER ''@'localhost'; GRANT FILE ON *.* TO 'lean'@'127.0.0.1'; ALTER USER 'root'@'localhost' IDENTIFIED BY ''",
    );
    await database.stop();
    database = await startDatabase(at);
    expect(ask({}, overNetwork('root', null), 'SELECT 1')).toMatch(/^refused:/);
    expect(ask(stranger, overSocket('root'), 'SELECT 1')).toMatch(/^refused:/);
    expect(ask({}, overNetwork('lean', password), `SELECT 'x' INTO OUTFILE '${join(at.folder, 'stolen')}'`)).toMatch(/^refused:/);
  });

  it('and all that lies in its folder is its owner’s only, who is not root', () => {
    expect(statSync(at.folder).mode & 0o777).toBe(0o700);
    if (at.identity) expect(statSync(at.folder).uid).toBe(at.identity.uid);
    const open = readdirSync(at.folder, { recursive: true }).filter((name) => {
      const found = statSync(join(at.folder, String(name)));
      return !found.isSocket() && (found.mode & 0o077) !== 0;
    });
    expect(open).toEqual([]);
    if (!at.identity) return;
    const { stdout } = spawnSync('ps', ['-o', 'user:32=', '-p', String(database.pid)], { encoding: 'utf8' });
    expect(stdout.trim()).toBe(houseUser);
  });
});

describe('a data folder', () => {
  afterEach(gone);

  it('is one start’s at a time, and nobody’s after a start was killed', async () => {
    const at = folder();
    const script = `import { lockHouse } from ${JSON.stringify(join(root, 'scripts/locks.mjs'))}; lockHouse(${JSON.stringify(at)}); console.log('held'); setInterval(() => {}, 1000);`;
    const other = spawn(process.execPath, ['--input-type=module', '-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
    await new Promise((resolve) => other.stdout.once('data', resolve));
    expect(() => lockHouse(at)).toThrow(
      `Lean Mentor is already running on ${at} (process ${other.pid}). Stop it first, or set LEAN_DATA_DIR to another folder.`,
    );
    other.kill('SIGKILL');
    await new Promise((resolve) => other.once('exit', resolve));
    const unlock = lockHouse(at);
    unlock();
    expect(readdirSync(at)).toEqual([]);
  });

  it('is taken although the lock’s file is empty, or its process id is somebody else’s by now', () => {
    const at = folder();
    for (const left of ['', JSON.stringify({ pid: process.pid, began: '1' })]) {
      writeFileSync(join(at, 'house.lock'), left);
      lockHouse(at)();
    }
    expect(readdirSync(at)).toEqual([]);
  });

  it('gets new secrets where the file of the old ones was cut off', () => {
    const at = folder();
    for (const left of ['', '{"databasePassword": "abc', '{}']) {
      writeFileSync(join(at, 'secrets.json'), left);
      expect(readSecrets(at).sessionSecret).toHaveLength(43);
      expect(readSecrets(at)).toEqual(readSecrets(at));
      expect(statSync(join(at, 'secrets.json')).mode & 0o777).toBe(0o600);
    }
  });
});

describe('the unit for systemd', () => {
  it.skipIf(findProgram('systemd-analyze') === null)('is one that systemd understands', () => {
    const run = spawnSync('systemd-analyze', ['verify', join(root, 'docs/operations/lean-mentor.service')], { encoding: 'utf8' });
    expect([run.status, run.stderr.trim()]).toEqual([0, '']);
  });
});

describe('a part of the house that ends by itself', () => {
  const patience = { firstWaitMs: 10, longestWaitMs: 40, soundMs: 1000, mostFailures: 4 };
  /** A part whose end the test decides. */
  const partOf = (lives) => {
    let end;
    const exited = new Promise((resolve) => (end = resolve));
    lives.push({ end });
    return { exited, stop: () => Promise.resolve(end()) };
  };

  it('is started again, after a longer wait each time, and that is said', async () => {
    const [lives, said] = [[], []];
    const keeper = supervise('The web server', () => Promise.resolve(partOf(lives)), {
      say: (words) => said.push(words),
      patience,
      hint: 'The log says why.',
    });
    await keeper.ready;
    for (let life = 0; life < 2; life++) {
      lives[life].end();
      for (let i = 0; i < 100 && lives.length < life + 2; i++) await sleep(10);
    }
    expect(lives).toHaveLength(3);
    expect(said).toEqual([
      'The web server ended by itself. It is started again in 0.01 s. The log says why.',
      'The web server ended by itself. It is started again in 0.02 s. The log says why.',
    ]);
    await keeper.stop();
    await sleep(60);
    expect(lives).toHaveLength(3);
  });

  it('is given up with the reason when it fails over and over, also where it does not start any more', async () => {
    let starts = 0;
    const start = () => {
      if (++starts > 1) return Promise.reject(new PlainFault('The port is taken.'));
      return Promise.resolve({ exited: Promise.resolve(), stop: () => Promise.resolve() });
    };
    const keeper = supervise('The database', start, { say: () => undefined, patience, hint: 'db.log says why.' });
    await expect(keeper.givenUp).rejects.toThrow(
      'The database ended by itself 4 times in a row, so everything is stopped. db.log says why.',
    );
    expect(starts).toBe(4);
  });

  it('is not tried again where it does not start the first time', async () => {
    const keeper = supervise('The database', () => Promise.reject(new PlainFault('Port 1 is in use.')), {
      say: () => undefined,
      patience,
      hint: '',
    });
    await expect(keeper.ready).rejects.toThrow('Port 1 is in use.');
  });
});

describe('what a checkout needs to run', () => {
  afterEach(gone);

  it('is prepared by one start at a time: another waits, says for whom, and goes on when that one is done or killed', async () => {
    const at = folder();
    const script = `import { writeFileSync } from 'node:fs'; import { inTurn } from ${JSON.stringify(join(root, 'scripts/locks.mjs'))};
      inTurn(${JSON.stringify(at)}, 'web', () => {}, () => {
        console.log('held'); Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, Number(process.argv[1]));
        writeFileSync(${JSON.stringify(join(at, 'made'))}, ''); });`;
    const holds = async (ms) => {
      const other = spawn(process.execPath, ['--input-type=module', '-e', script, String(ms)], { stdio: ['ignore', 'pipe', 'inherit'] });
      await new Promise((resolve) => other.stdout.once('data', resolve));
      return other;
    };
    const said = [];
    const seen = () =>
      inTurn(
        at,
        'web',
        (words) => said.push(words),
        () => existsSync(join(at, 'made')),
      );
    const first = await holds(1000);
    expect(seen()).toBe(true);
    expect(said).toEqual([`Waiting for process ${first.pid}, which prepares the same …`]);
    rmSync(join(at, 'made'));
    const killed = await holds(600_000);
    killed.kill('SIGKILL');
    await new Promise((resolve) => killed.once('exit', resolve));
    expect(seen()).toBe(false);
    expect(readdirSync(join(at, '.tmp'))).toEqual([]);
  });
});
