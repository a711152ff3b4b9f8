import { mkdir, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { House } from './house.ts';

const workOf = ({ config }: House): string => join(config.dataDir, 'work');

/** Whether a process of this machine is running. */
function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Removes what processes of this machine left behind that died at their work; folders are named by subject and process. */
export async function clearScratchFolders(house: House): Promise<void> {
  const names = await readdir(workOf(house)).catch(() => []);
  for (const name of names) {
    const pid = Number(name.split('.')[1]);
    if (!(pid > 0) || !isAlive(pid)) await rm(join(workOf(house), name), { recursive: true, force: true });
  }
}

/** Gives `work` a folder of its own, gone when it is done, however it ends. */
export async function withScratchFolder<T>(house: House, subjectId: string, work: (folder: string) => Promise<T>): Promise<T> {
  await clearScratchFolders(house);
  const folder = join(workOf(house), `${subjectId}.${process.pid}.${house.newId().slice(0, 8)}`);
  await mkdir(folder, { recursive: true });
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
