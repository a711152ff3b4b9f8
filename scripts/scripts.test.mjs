import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { buildServer } from './build.mjs';
import { bufferPoolBytes, checkRoom, portAnswers, startDatabase } from './database.mjs';
import { temporaryFolder } from './databaseTemporary.mjs';
import { databaseLogin, readSecrets, readSettings, root } from './settings.mjs';
import { ensurePrograms, findProgram } from './systemPackages.mjs';
import { freePort } from './freePort.mjs';
import { testFolder } from './testFolder.mjs';

const folders = [];
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'lean-test-scripts-'));
  folders.push(made);
  return made;
};
afterEach(() => {
  for (const made of folders.splice(0)) rmSync(made, { recursive: true, force: true });
});

const listening = (port) =>
  new Promise((resolve) => (globalThis.taken = createServer().listen(port, '127.0.0.1', () => resolve(globalThis.taken))));

describe('the database of the house', () => {
  it('comes up, comes up again on the same data, and is gone after stopping', async () => {
    const settings = { folder: folder(), port: await freePort(), password: 'a password' };
    for (let time = 0; time < 2; time++) {
      const database = await startDatabase(settings);
      expect(await portAnswers(settings.port)).toBe(true);
      await database.stop();
      expect(await portAnswers(settings.port)).toBe(false);
    }
  });

  it('leaves the temporary tables of every other MariaDB of this machine alone', async () => {
    const others = join(tmpdir(), `#sql-temptable-${process.pid}-1-4.MAI`);
    writeFileSync(others, '');
    try {
      await (await startDatabase({ folder: folder(), port: await freePort(), password: 'a password' })).stop();
      expect(existsSync(others)).toBe(true);
    } finally {
      rmSync(others, { force: true });
    }
  });

  it('keeps in memory what a small machine can spare, and no more of a large one than a practice needs', () => {
    const [mb, gb] = [2 ** 20, 2 ** 30];
    expect([512 * mb, 4 * gb, 8 * gb, 64 * gb].map((memory) => bufferPoolBytes(memory) / mb)).toEqual([128, 256, 512, 1024]);
  });

  it('sorts in shared memory where there is enough of it and the place is its own, else beside its data', () => {
    const [at, shared] = [folder(), folder()];
    const own = temporaryFolder(at, null, shared);
    expect([own.startsWith(shared), statSync(own).mode & 0o777]).toEqual([true, 0o700]);
    expect(temporaryFolder(at, null, shared)).toBe(own);
    // Somebody else may have laid something of that name there.
    rmSync(own, { recursive: true });
    symlinkSync(at, own);
    expect(temporaryFolder(at, null, shared)).toBe(join(at, 'db.tmp'));
    rmSync(own);
    mkdirSync(own, { mode: 0o777 });
    chmodSync(own, 0o777);
    expect(temporaryFolder(at, null, shared)).toBe(join(at, 'db.tmp'));
    expect(temporaryFolder(at, null, join(shared, 'nowhere'))).toBe(join(at, 'db.tmp'));
  });

  it('says which port is in use and what to do', async () => {
    const port = await freePort();
    const server = await listening(port);
    await expect(startDatabase({ folder: folder(), port, password: 'x' })).rejects.toThrow(
      `Port ${port}, meant for the database, is in use. Stop what uses it, or set LEAN_DB_PORT to another one.`,
    );
    server.close();
  });

  it.runIf(process.getuid() === 0)('leaves nothing in shared memory where its data directory could not be made', async () => {
    // Whom it drops to may not enter the folder that it lies in.
    const at = join(folder(), 'house');
    mkdirSync(at);
    const identity = { uid: 65_534, gid: 65_534 };
    const temporary = temporaryFolder(at, identity);
    await expect(startDatabase({ folder: at, port: await freePort(), password: 'x', identity })).rejects.toThrow(
      `MariaDB could not make its data directory; ${join(at, 'db.log')} says why.`,
    );
    expect(existsSync(temporary)).toBe(false);
  });

  it('says in one sentence that it did not come up, and leaves nothing running', async () => {
    const settings = { folder: folder(), port: await freePort(), password: 'a password' };
    await (await startDatabase(settings)).stop();
    writeFileSync(join(settings.folder, 'db', 'ibdata1'), 'no longer a table space');
    await expect(startDatabase(settings)).rejects.toThrow(/^MariaDB did not come up; the last lines of .*db\.log say why\.$/);
    expect(await portAnswers(settings.port)).toBe(false);
  });

  it('is not begun on a disk without room for it', () => {
    expect(() => checkRoom('/data', 399 * 1024 ** 2)).toThrow(
      'The disk under /data has 399 MB free; at least 400 MB are needed. Make room, or set LEAN_DATA_DIR to another disk.',
    );
    expect(() => checkRoom('/data', 400 * 1024 ** 2)).not.toThrow();
  });

  it('takes over from one that a killed start left running on the same data', async () => {
    const settings = { folder: folder(), port: await freePort(), password: 'a password' };
    const orphan = await startDatabase(settings);
    const database = await startDatabase(settings);
    await orphan.exited;
    expect(await portAnswers(settings.port)).toBe(true);
    await database.stop();
  });
});

describe('the settings', () => {
  const set = (env) => Object.assign(process.env, env);
  afterEach(() => {
    for (const name of ['PORT', 'LEAN_DEMO', 'LEAN_DATA_DIR', 'LEAN_DATABASE_URL', 'LEAN_DATABASE_CA', 'LEAN_PARTS'])
      delete process.env[name];
  });

  it('have defaults', () => {
    expect(readSettings()).toMatchObject({ port: 4170, dataDir: join(root, '.data'), demo: true });
  });

  it('quote what is wrong', () => {
    set({ PORT: 'eighty' });
    expect(() => readSettings()).toThrow('PORT is "eighty"; it must be a port number from 1 to 65535.');
    set({ PORT: '', LEAN_DEMO: 'yes' });
    expect(() => readSettings()).toThrow('LEAN_DEMO is "yes"; it must be 0 or 1.');
  });

  it('name a database that somebody else runs, and the parts that run here', () => {
    expect(readSettings()).toMatchObject({ database: null, parts: ['server', 'jobs'] });
    set({ LEAN_DATABASE_URL: 'mariadb://lean:p%40ss@[::1]/practice', LEAN_DATABASE_CA: '/ca.pem', LEAN_PARTS: 'jobs' });
    const login = { host: '::1', port: 3306, user: 'lean', password: 'p@ss', name: 'practice', ca: '/ca.pem' };
    expect(readSettings()).toMatchObject({ database: login, parts: ['jobs'] });
    expect(databaseLogin(readSettings())).toEqual(login);
    set({ LEAN_DATABASE_URL: 'db.example' });
    expect(() => readSettings()).toThrow('LEAN_DATABASE_URL must be an address such as mariadb://');
    set({ LEAN_DATABASE_URL: '', LEAN_PARTS: 'kitchen' });
    expect(() => readSettings()).toThrow('LEAN_PARTS names "kitchen"; it takes server, jobs or both with a comma between.');
  });

  it('keep the secrets that were made at the first start', () => {
    const dataDir = folder();
    expect(readSecrets(dataDir)).toEqual(readSecrets(dataDir));
    expect(readSecrets(folder())).not.toEqual(readSecrets(dataDir));
  });
});

describe('missing programs', () => {
  it('are found where an ordinary user’s path does not lead', () => {
    expect(findProgram('mariadbd', '/nowhere')).toMatch(/sbin\/mariadbd$/);
    expect(findProgram('no-such-program')).toBeNull();
  });

  it('are named with their packages where this user may not install them', () => {
    // As nobody, without sudo: the same check as on a machine of someone who is not its owner.
    const script = `import { ensurePrograms } from ${JSON.stringify(join(root, 'scripts/systemPackages.mjs'))}; process.getuid = () => 1000; process.env.PATH = '/nowhere'; try { ensurePrograms(['ffmpeg', 'chromium-headless-shell'], () => {}); console.log('there'); } catch (error) { console.log(error.message); }`;
    const { stdout } = spawnSync(process.execPath, ['--input-type=module', '-e', script], { encoding: 'utf8' });
    expect(stdout).toMatch(
      /^Needed and not installed: ffmpeg, chromium-headless-shell\. Install ffmpeg and chromium-headless-shell \(Debian: apt-get install ffmpeg chromium-headless-shell\), then run this again\./,
    );
    expect(() => ensurePrograms(['node'], () => undefined)).not.toThrow();
  });
});

describe('npm start', () => {
  it('says that the port is in use before it starts anything', async () => {
    const port = await freePort();
    const server = await listening(port);
    const run = await new Promise((resolve) => {
      const env = { ...process.env, PORT: String(port), LEAN_DB_PORT: String(port), LEAN_DATA_DIR: folder() };
      resolve(spawnSync(process.execPath, ['scripts/start.mjs'], { cwd: root, env, encoding: 'utf8' }));
    });
    server.close();
    expect(run.status).toBe(1);
    expect(run.stderr.trim()).toBe(`Port ${port} is in use. Stop what uses it, or set PORT to another one.`);
  });
});

describe('what the tests need for a while', () => {
  it('lies in shared memory where there is plenty, beside what other runs need; what a killed one left is taken away', () => {
    const shared = folder();
    const [other, left] = [join(shared, `lean-tests-${process.ppid}-other`), join(shared, 'lean-tests-999999999-left')];
    for (const made of [other, left]) mkdirSync(made);
    const own = testFolder(shared, 1);
    // The house's own user makes folders in it too.
    expect([own.startsWith(join(shared, 'lean-tests-')), statSync(own).mode & 0o7777]).toEqual([true, 0o1777]);
    expect([other, left].map(existsSync)).toEqual([true, false]);
    expect(testFolder(shared, Infinity)).toBeNull();
    expect(testFolder(join(shared, 'nowhere'), 1)).toBeNull();
  });
});

describe('the programs of the house', () => {
  it('are put together where a source, a package or the way of it has changed, and say in a sentence where that fails', () => {
    const checkout = folder();
    for (const room of ['server', 'core', 'contract', 'demo', 'scripts', 'server/dist']) mkdirSync(join(checkout, room));
    const way = join(checkout, 'scripts', 'bundleServer.mjs');
    writeFileSync(join(checkout, 'package-lock.json'), '{}');
    writeFileSync(join(checkout, 'scripts', 'build.mjs'), '');
    writeFileSync(way, '');
    const said = [];
    const times = () => {
      buildServer(checkout, (words) => said.push(words));
      return said.length;
    };
    expect([times(), times(), said[0]]).toEqual([1, 1, 'Building the server …']);
    writeFileSync(join(checkout, 'core', 'new.ts'), '');
    expect([times(), times()]).toEqual([2, 2]);
    writeFileSync(join(checkout, 'package-lock.json'), '{ }');
    expect([times(), times()]).toEqual([3, 3]);
    // What is built is nothing that it is built from.
    writeFileSync(join(checkout, 'server', 'dist', 'main.mjs'), '');
    expect(times()).toBe(3);
    writeFileSync(way, "console.log('no such source'); process.exit(1);");
    expect(times).toThrow('The server could not be built:\nno such source');
    writeFileSync(way, ' ');
    expect([times(), times()]).toEqual([5, 5]);
  });
});
