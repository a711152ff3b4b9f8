import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { backupHouse, restoreHouse } from './backupHouse.mjs';
import { startDatabase } from './database.mjs';
import { databaseClient } from './databaseClient.mjs';
import { freePort } from './freePort.mjs';

const password = 'only-for-tests';
const databaseName = 'lean_mentor';
const loginAt = (port) => ({ host: '127.0.0.1', port, user: 'lean', password, ca: null });
const folder = mkdtempSync(join(tmpdir(), 'lean-test-backup-'));
const dataDir = join(folder, 'house');
const restored = mkdtempSync(join(tmpdir(), 'lean-test-restored-'));
const quiet = { say: () => undefined };
let port;
let database;
const sql = (at, query) => databaseClient('mariadb', loginAt(at), ['-N', '-B', '-e', query, databaseName]);
const put = (path, text) => {
  mkdirSync(join(dataDir, path, '..'), { recursive: true });
  writeFileSync(join(dataDir, path), text);
};

beforeAll(async () => {
  port = await freePort();
  database = await startDatabase({ folder: dataDir, port, password });
  put('secrets.json', JSON.stringify({ databasePassword: password, sessionSecret: 'x'.repeat(32) }));
  await sql(port, `CREATE TABLE a (id INT PRIMARY KEY, words VARCHAR(200)); CREATE TABLE z LIKE a`);
  await sql(port, `INSERT INTO a SELECT seq, REPEAT('x', 200) FROM seq_1_to_150000; INSERT INTO z SELECT * FROM a`);
});
afterAll(async () => {
  await database?.stop();
  for (const one of [folder, restored]) rmSync(one, { recursive: true, force: true });
});

/** Writes to both tables in one transaction after another, until it is ended. */
async function writing() {
  const login = join(folder, 'login.cnf');
  writeFileSync(login, `[client]\nuser=lean\nhost=127.0.0.1\nport=${port}\npassword="${password}"\n`, { mode: 0o600 });
  const child = spawn('mariadb', [`--defaults-file=${login}`, databaseName], { stdio: ['pipe', 'ignore', 'ignore'] });
  child.stdin.on('error', () => undefined);
  const both = (id) => `BEGIN; INSERT INTO a VALUES (${id}, 'new'); INSERT INTO z VALUES (${id}, 'new'); COMMIT;\n`;
  child.stdin.end(Array.from({ length: 200_000 }, (_, i) => both(1_000_000 + i)).join(''));
  const rows = async () => Number(await sql(port, 'SELECT COUNT(*) FROM z'));
  const before = await rows();
  while ((await rows()) === before) await new Promise((resolve) => setTimeout(resolve, 20));
  return async () => {
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill();
    await ended;
  };
}

describe('a backup', () => {
  it('is of one instant while rows are written, with what came in after the files were looked through first', async () => {
    const target = join(folder, 'one');
    put('clips/early/review.mp4', 'early');
    put('uploads/half', 'half');
    put('log/server.log', 'not kept');
    const end = await writing();
    await backupHouse({ dataDir, databasePort: port }, target, {
      say: (words) => words.startsWith('Reading') && put('clips/late/review.mp4', 'late'),
    });
    await end();
    expect(readFileSync(join(target, 'files/clips/late/review.mp4'), 'utf8')).toBe('late');
    const { files } = JSON.parse(readFileSync(join(target, 'manifest.json'), 'utf8'));
    expect(files.map(({ path }) => path)).toEqual([
      'database.sql',
      'files/clips/early/review.mp4',
      'files/clips/late/review.mp4',
      'files/secrets.json',
      'files/uploads/half',
    ]);
    // A second name for what is never written again; a copy of what grows.
    const place = (path) => statSync(path).ino;
    expect(place(join(target, 'files/clips/early/review.mp4'))).toBe(place(join(dataDir, 'clips/early/review.mp4')));
    expect(place(join(target, 'files/uploads/half'))).not.toBe(place(join(dataDir, 'uploads/half')));

    // Not within the folder of who runs the tests: a house may run as somebody else.
    const other = { dataDir: restored, databasePort: await freePort() };
    await restoreHouse(target, other, quiet);
    const again = await startDatabase({ folder: other.dataDir, port: other.databasePort, password });
    const [rows, odd] = [
      await sql(other.databasePort, 'SELECT COUNT(*) FROM a'),
      await sql(
        other.databasePort,
        'SELECT COUNT(*) FROM a LEFT JOIN z USING (id) WHERE z.id IS NULL UNION ALL SELECT COUNT(*) FROM z LEFT JOIN a USING (id) WHERE a.id IS NULL',
      ),
    ];
    await again.stop();
    expect(Number(rows)).toBeGreaterThan(150_000);
    expect(odd.trim().split('\n')).toEqual(['0', '0']);
  });

  it('needs a house that runs and a new folder, and leaves nothing where it fails', async () => {
    await expect(backupHouse({ dataDir, databasePort: port }, join(folder, 'one'), quiet)).rejects.toThrow(
      /one is not empty\. Name a new folder/,
    );
    await expect(backupHouse({ dataDir, databasePort: port }, join(dataDir, 'copy'), quiet)).rejects.toThrow(/lies in the data folder/);
    const nobody = { dataDir, databasePort: await freePort() };
    await expect(backupHouse(nobody, join(folder, 'two'), quiet)).rejects.toThrow('Lean Mentor is not running on this data folder.');
    put('secrets.json', JSON.stringify({ databasePassword: 'another password', sessionSecret: 'x'.repeat(32) }));
    await expect(backupHouse({ dataDir, databasePort: port }, join(folder, 'two'), quiet)).rejects.toThrow(
      /mariadb-dump failed: .*Access denied/,
    );
    expect(() => statSync(join(folder, 'two.partial'))).toThrow(/ENOENT/);
    expect(() => statSync(join(folder, 'two'))).toThrow(/ENOENT/);
  });

  it('that finds no room says so as the full disk it is, not as a program that failed', async () => {
    const login = loginAt(port);
    await expect(databaseClient('mariadb-dump', login, [databaseName], { to: '/dev/full' })).rejects.toMatchObject({ code: 'ENOSPC' });
  });

  it('is not restored where a byte is amiss, it was cut off, or it is none', async () => {
    const target = join(folder, 'one');
    const other = { dataDir: join(folder, 'none'), databasePort: await freePort() };
    const late = join(target, 'files/uploads/half');
    writeFileSync(late, 'hAlf');
    await expect(restoreHouse(target, other, quiet)).rejects.toThrow(
      /damaged: files\/uploads\/half is not what was kept\. Nothing was restored/,
    );
    rmSync(late);
    await expect(restoreHouse(target, other, quiet)).rejects.toThrow(/files\/uploads\/half is missing/);
    writeFileSync(join(target, 'manifest.json'), '{"format": "lean-men');
    await expect(restoreHouse(target, other, quiet)).rejects.toThrow(/manifest\.json cannot be read/);
    await expect(restoreHouse(folder, other, quiet)).rejects.toThrow(/is no backup: manifest\.json is missing/);
    expect(() => statSync(other.dataDir)).toThrow(/ENOENT/);
  });

  it('writes nowhere but into a new folder: neither over what lies in one, nor outside of it', async () => {
    const target = join(folder, 'one');
    const taken = { dataDir: mkdtempSync(join(folder, 'taken-')), databasePort: await freePort() };
    writeFileSync(join(taken.dataDir, 'letter.txt'), 'mine');
    const list = (path) => JSON.stringify({ format: 'lean-mentor/backup@1', madeAt: '', files: path ? [{ path }] : [] });
    writeFileSync(join(target, 'manifest.json'), list());
    await expect(restoreHouse(target, taken, quiet)).rejects.toThrow(/taken-\S+ is not empty/);
    expect(readFileSync(join(taken.dataDir, 'letter.txt'), 'utf8')).toBe('mine');
    writeFileSync(join(target, 'manifest.json'), list('files/../../../letter.txt'));
    await expect(restoreHouse(target, taken, quiet)).rejects.toThrow(/lies outside of the backup/);
    mkdirSync(join(folder, 'three.partial'));
    put('secrets.json', JSON.stringify({ databasePassword: password, sessionSecret: 'x'.repeat(32) }));
    await expect(backupHouse({ dataDir, databasePort: port }, join(folder, 'three'), quiet)).rejects.toThrow(
      /three\.partial is what a backup/,
    );
  });
});
