import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ownHouse, type OwnHouse } from './ownHouse.ts';

const house = await ownHouse();
const folder = mkdtempSync(join(tmpdir(), 'lean-e2e-backup-'));
const rhea = { email: 'rhea@harbour.example', password: '' };
let ask: Ask;
let video: Buffer;

/** Houses that were started, to be ended. */
const ends: (() => Promise<unknown>)[] = [];
async function startHouse(own: OwnHouse): Promise<void> {
  const { child } = await own.start();
  const ended = new Promise((resolve) => child.once('exit', resolve));
  ends.push(() => (child.kill('SIGINT'), ended));
}

type Ask = (method: string, path: string, body?: object | Buffer) => Promise<Response>;
/** Signs in, without a browser. */
async function signedIn(base: string): Promise<Ask> {
  let [cookie, token] = ['', ''];
  const asked: Ask = async (method, path, body) => {
    const type = Buffer.isBuffer(body) ? 'application/octet-stream' : 'application/json';
    const answer = await fetch(base + path, {
      method,
      headers: { cookie, 'x-lean-token': token, ...(body && { 'content-type': type }) },
      ...(body && { body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body) }),
    });
    const given = answer.headers.getSetCookie().find((one) => one.startsWith('lean.sid='));
    cookie = given?.split(';')[0] ?? cookie;
    return answer;
  };
  token = (await (await asked('GET', '/api/session')).json()).token;
  const session = await (await asked('POST', '/api/session', rhea)).json();
  token = session.token;
  return asked;
}

/** What a house's own database answers, as lines. */
function lines({ dataDir, env }: OwnHouse, query: string): string[] {
  const { databasePassword } = JSON.parse(readFileSync(join(dataDir, 'secrets.json'), 'utf8')) as { databasePassword: string };
  const args = ['-h127.0.0.1', `-P${env['LEAN_DB_PORT']}`, '-ulean', '-N', '-B', '-e', query, 'lean_mentor'];
  const run = spawnSync('mariadb', ['--no-defaults', ...args], { encoding: 'utf8', env: { ...process.env, MYSQL_PWD: databasePassword } });
  expect(run.stderr).toBe('');
  return run.stdout.trim().split('\n');
}
/** Sums of all tables but those that a house writes to by itself as soon as it runs. */
function tableSums(own: OwnHouse): string[] {
  const names = lines(own, 'SHOW TABLES').filter((name) => !['sessions', 'sign_in_tries', 'jobs'].includes(name));
  return lines(own, `CHECKSUM TABLE ${names.join(', ')}`);
}
/** Every file that the storage of a house holds, with its sum. */
const fileSums = ({ dataDir }: OwnHouse): string[] =>
  readdirSync(join(dataDir, 'clips'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((file) => `${file.slice(dataDir.length)} ${createHash('sha256').update(readFileSync(file)).digest('hex')}`)
    .sort();

const script = (name: string, ...args: string[]) => [join(house.root, 'scripts', name), ...args];
const restore = (from: string, { env }: OwnHouse) =>
  spawnSync(process.execPath, script('restore.mjs', from), { cwd: house.root, env, encoding: 'utf8' });
const backup = (to: string): Promise<number | null> =>
  new Promise((resolve) =>
    spawn(process.execPath, script('backup.mjs', to), { cwd: house.root, env: house.env, stdio: 'ignore' }).once('exit', resolve),
  );

/** At least so many edits are made while at least so many backups are taken, one after another; the last of these is looked at. */
const atLeast = { edits: 40, backups: 4 };

/**
 * Invites people one after another, and puts a clip into the book with every tenth, until there are enough. As busy as twenty coaches, and
 * no busier: each clip is then made ready.
 */
async function keepEditing(isEnough: () => boolean): Promise<void> {
  for (let made = 0; made < atLeast.edits || !isEnough(); made++) {
    const email = `guest${made}@harbour.example`;
    const answer = await ask('POST', '/api/invitations', { role: 'client', name: `Guest ${made}`, email, level: 1, bornOn: null });
    expect(answer.status).toBe(200);
    if (made % 10 === 0) await addClip(`Clip ${made}`);
    await sleep(50);
  }
}
async function addClip(title: string): Promise<void> {
  const id = randomUUID();
  expect((await ask('POST', '/api/clips', { id, title })).status).toBe(200);
  expect((await ask('PUT', `/api/clips/${id}/video`, video)).status).toBe(200);
}
const clipStates = async (): Promise<string[]> => {
  const { clips } = (await (await ask('GET', '/api/clips')).json()) as { clips: { state: string }[] };
  return clips.map(({ state }) => state);
};

beforeAll(async () => {
  await writeBarcodeClip(join(folder, 'clip.mp4'), { frames: 30, width: 160, height: 120 });
  video = readFileSync(join(folder, 'clip.mp4'));
  await startHouse(house);
  rhea.password = house.account('coach', 'Rhea Moss', rhea.email).stdout.trim().split(' ').at(-1)!;
  ask = await signedIn(house.base);
});
afterAll(async () => {
  for (const end of ends) await end();
  for (const one of [folder, house.dataDir, ...restored.map(({ dataDir }) => dataDir)]) rmSync(one, { recursive: true, force: true });
});

const restored: OwnHouse[] = [];
async function restoredFrom(from: string): Promise<OwnHouse> {
  const other = await ownHouse();
  restored.push(other);
  const run = restore(from, other);
  expect([run.status, run.stderr]).toEqual([0, '']);
  await startHouse(other);
  return other;
}

describe('a backup of a house that runs', () => {
  it('is of one instant while edits go on: whole transactions, none lacking of what was saved before, and each with its files', async () => {
    await addClip('Before');
    const before = Number(lines(house, 'SELECT COUNT(*) FROM invitations')[0]);
    const taken: string[] = [];
    let going = true;
    const editing = keepEditing(() => taken.length >= atLeast.backups).finally(() => (going = false));
    while (going) {
      const to = join(folder, `during-${taken.length}`);
      expect(await backup(to)).toBe(0);
      // One that edits ended under may be of an instant after all of them.
      if (going) taken.push(to);
    }
    await editing;
    const other = await restoredFrom(taken.at(-1)!);
    const names = lines(other, 'SELECT name FROM invitations ORDER BY CAST(SUBSTRING(name, 7) AS INT)').filter(Boolean);
    // What is there of them are the first ones, without a gap.
    expect(names).toEqual(names.map((_, i) => `Guest ${i}`));
    expect(names.length).toBeGreaterThanOrEqual(before);
    expect(lines(other, 'SELECT COUNT(*) FROM invitations i LEFT JOIN letters l ON l.id = i.letter_id WHERE l.id IS NULL')).toEqual(['0']);
    const ready = lines(other, "SELECT id FROM clips WHERE state = 'ready'").filter(Boolean);
    const files = fileSums(other).join('\n');
    for (const id of ready) expect(files).toContain(id);
  });

  it('holds every row and byte, and is a house in which one signs in as before', async () => {
    await expect.poll(clipStates, { timeout: 240_000 }).toSatisfy((states: string[]) => states.every((state) => state !== 'working'));
    const to = join(folder, 'after');
    expect(await backup(to)).toBe(0);
    const [rows, files] = [tableSums(house), fileSums(house)];
    const other = await restoredFrom(to);
    expect(tableSums(other)).toEqual(rows);
    expect(fileSums(other)).toEqual(files);
    expect(files.length).toBeGreaterThan(4);
    // The same address and password open it.
    expect((await (await signedIn(other.base))('GET', '/api/clips')).status).toBe(200);
    // Where there is a house, nothing is restored over it.
    const again = restore(to, other);
    expect([again.status, again.stderr]).toEqual([1, `There is a house in ${other.dataDir} already. Set LEAN_DATA_DIR to a new folder.\n`]);
  });

  it('that is damaged is refused in a sentence, and nothing of it is left', async () => {
    const from = join(folder, 'after');
    const { files } = JSON.parse(readFileSync(join(from, 'manifest.json'), 'utf8')) as { files: { path: string; bytes: number }[] };
    const { path, bytes } = files.find((one) => one.path === 'database.sql')!;
    truncateSync(join(from, path), bytes - 10);
    const other = await ownHouse();
    restored.push(other);
    const run = restore(from, other);
    expect(run.stderr).toBe(
      `The backup in ${from} is damaged: database.sql has ${bytes - 10} bytes where ${bytes} were kept. Nothing was restored; take another backup.\n`,
    );
    expect(readdirSync(other.dataDir)).toEqual([]);
  });
});
