import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { freePort, ownHouse } from './ownHouse.ts';

const house = await ownHouse();
const { root, dataDir, env, base, start } = house;

/** Processes of this house that run, by what their command line or environment names. */
function running(): string[] {
  const { stdout } = spawnSync('ps', ['eww', '-A', '-o', 'stat=,pid=,args='], { encoding: 'utf8', maxBuffer: 1e8 });
  const ours = ['mariadbd', 'server/main.mjs', 'server/jobsMain.mjs'];
  return stdout.split('\n').filter((line) => line.includes(dataDir) && !line.startsWith('Z') && ours.some((name) => line.includes(name)));
}
// Long: other tests run beside it, and what is waited for comes or never comes.
/** These tests run beside others, on machines that at times are four times slower than usual. */
const patience = { timeout: 160_000, interval: 100 };

afterAll(async () => {
  // Whatever a failed test left: its MariaDB is told by the pid it wrote.
  try {
    process.kill(Number(readFileSync(join(dataDir, 'db.pid'), 'utf8')));
  } catch {
    // It has ended.
  }
  await vi.waitUntil(() => running().length === 0, patience);
  rmSync(dataDir, { recursive: true, force: true });
});

describe('npm start', () => {
  it('says where it is ready, lets a coach be added, and Ctrl-C ends everything it started, and only that', async () => {
    const { child, said } = await start();
    expect(said()).toContain(`Lean Mentor is ready: ${base}\n`);
    expect(running()).toHaveLength(3);
    const added = house.account('coach', 'Rhea Moss', 'rhea@test.example');
    expect(added.stdout).toMatch(/^Rhea Moss can sign in as rhea@test\.example with the password \S{12}\n$/);
    const again = house.account('coach', 'Rhea Moss', 'rhea@test.example');
    expect([again.status, again.stderr]).toEqual([1, 'rhea@test.example has a sign-in already.\n']);
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGINT');
    await ended;
    expect(running()).toEqual([]);
  });

  it('starts again on the same data after it was killed without warning, and leaves nothing of the killed one', async () => {
    const first = await start();
    first.child.removeAllListeners('exit');
    first.child.kill('SIGKILL');
    // The server and the jobs process notice; the database is taken over at the next start.
    await vi.waitUntil(() => running().every((line) => line.includes('mariadbd')), patience);
    const second = await start();
    expect(running()).toHaveLength(3);
    const ended = new Promise((resolve) => second.child.once('exit', resolve));
    second.child.kill('SIGTERM');
    await ended;
    expect(running()).toEqual([]);
  });

  it('starts a part that ends by itself again, says so, and goes on: database, web server and jobs process', async () => {
    const { child, said } = await start();
    const pids = (name: string): number[] =>
      running()
        .filter((line) => line.includes(name))
        .map((line) => Number(line.trim().split(/\s+/)[1]));
    for (const [part, words] of [
      ['mariadbd', 'The database'],
      ['server/main.mjs', 'The web server'],
      ['server/jobsMain.mjs', 'The jobs process'],
    ] as const) {
      const [before] = pids(part);
      process.kill(before!, 'SIGKILL');
      await vi.waitFor(() => expect(said()).toContain(`${words} ended by itself.`), patience);
      await vi.waitFor(() => expect(pids(part)).toSatisfy((now: number[]) => now.some((pid) => pid !== before)), patience);
      const ready = async (): Promise<boolean> => (await fetch(`${base}/api/ready`).catch(() => null))?.status === 200;
      await vi.waitFor(async () => expect(await ready(), words).toBe(true), patience);
    }
    // A second start on the same folder leaves all of it alone.
    const again = spawnSync(process.execPath, ['scripts/start.mjs'], {
      cwd: root,
      env: { ...env, PORT: String(await freePort()), LEAN_DB_PORT: String(await freePort()) },
      encoding: 'utf8',
    });
    expect([again.status, again.stderr]).toEqual([
      1,
      `Lean Mentor is already running on ${dataDir} (process ${child.pid}). Stop it first, or set LEAN_DATA_DIR to another folder.\n`,
    ]);
    expect(running()).toHaveLength(3);
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGINT');
    await ended;
    expect(running()).toEqual([]);
  });

  it('starts again after it was interrupted anywhere in its first seconds', async () => {
    const fresh = mkdtempSync(join(tmpdir(), 'lean-e2e-first-'));
    const own = { ...env, LEAN_DATA_DIR: fresh };
    try {
      for (const [i, signal] of (['SIGINT', 'SIGKILL', 'SIGINT', 'SIGKILL', 'SIGINT', 'SIGKILL'] as const).entries()) {
        const child = spawn(process.execPath, ['scripts/start.mjs'], { cwd: root, env: own, stdio: 'ignore' });
        const ended = new Promise((resolve) => child.once('exit', resolve));
        await new Promise((resolve) => setTimeout(resolve, 500 + i * 450));
        child.kill(signal);
        await ended;
      }
      const whole = await start(own);
      expect((await fetch(`${base}/api/ready`)).status).toBe(200);
      const ended = new Promise((resolve) => whole.child.once('exit', resolve));
      whole.child.kill('SIGINT');
      await ended;
    } finally {
      rmSync(fresh, { recursive: true, force: true });
    }
  });
});
