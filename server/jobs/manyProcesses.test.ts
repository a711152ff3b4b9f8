import { spawn, type ChildProcess } from 'node:child_process';
import { readdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { afterAll, describe, expect, it } from 'vitest';
import { footageOf } from '../testing/footage.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { program } from '../testing/program.ts';
import { enqueueJob } from './repository.ts';

const processes = 3;
const footages = 40;
const killEveryMs = 2500;
/** A process that is killed is started again, and this often one is killed. */
const kills = 4;

const { house } = peopledHouse();
const running: ChildProcess[] = [];
afterAll(async () => {
  for (const child of running) child.kill('SIGKILL');
});

const main = program('server/jobsMain.ts');

function startProcess(at: number): void {
  const env = {
    ...process.env,
    LEAN_DB_NAME: house.config.database.name,
    LEAN_DATA_DIR: house.config.dataDir,
    LEAN_SECRET: house.config.secret,
    LEAN_LOG: 'silent',
  };
  running[at] = spawn(process.execPath, main, { env, stdio: 'ignore' });
}

const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

describe('three jobs processes on one database and one storage, one of them killed every few seconds', () => {
  it('make every one of forty footages ready exactly once and leave nothing behind', async () => {
    const clip = join(tmpdir(), `lean-many-${process.pid}.mp4`);
    await writeBarcodeClip(clip, { frames: 24, width: 160, height: 120, sound: true });
    const ids: string[] = [];
    for (let i = 0; i < footages; i++) ids.push(await footageOf(house, clip));
    for (const id of ids) await enqueueJob(house, 'make-ready', id);
    for (let at = 0; at < processes; at++) startProcess(at);

    const ready = (): Promise<number> => house.db.footages.count({ where: { state: 'ready' } });
    for (let kill = 0; kill < kills; kill++) {
      await sleep(killEveryMs);
      const at = kill % processes;
      running[at]!.kill('SIGKILL');
      startProcess(at);
    }
    for (const end = Date.now() + 200_000; (await ready()) < footages && Date.now() < end;) await sleep(300);

    expect(await ready()).toBe(footages);
    expect(await house.db.jobs.count({ where: { state: 'done' } })).toBe(footages);
    // Whoever entered a footage's findings entered its one bout; nobody entered it twice.
    expect(await house.db.bouts.count()).toBe(footages);
    for (const id of ids)
      expect((await readdir(join(house.config.dataDir, 'footage', id))).sort(), id).toEqual([
        'findings.json',
        'frames.json',
        'motion.json',
        'original',
        'poster.jpg',
        'review.mp4',
        'sound.json',
        'strip.jpg',
      ]);
    const ended = running.map((child) => new Promise((resolve) => child.once('exit', resolve)));
    for (const child of running) child.kill('SIGTERM');
    await Promise.all(ended);
    // Folders of killed processes are cleared by whoever works next.
    expect(await readdir(join(house.config.dataDir, 'work'))).toEqual([]);
    // On a slow machine minutes.
  }, 280_000);
});
