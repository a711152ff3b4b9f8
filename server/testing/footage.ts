import { mkdirSync } from 'node:fs';
import { copyFile, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { FrameTable } from '@lean-mentor/core/footage';
import { execa } from 'execa';
import type { House } from '../house/house.ts';
import { frameTableKey, originalKey } from '../storage/index.ts';
import { bringRequest, clientA } from './people.ts';

/** Keeps a copy of a file under a key. */
export async function store(house: House, key: string, file: string): Promise<void> {
  const copy = join(await mkdtemp(join(tmpdir(), 'lean-test-copy-')), 'file');
  await copyFile(file, copy);
  await house.storage.putFile(key, copy);
  await rm(dirname(copy), { recursive: true });
}

/** Footage with these bytes as its original, waiting to be made ready. */
export async function footageOf(house: House, file: string): Promise<string> {
  const { footageId } = await bringRequest(house, clientA, 'waiting');
  await store(house, originalKey(footageId), file);
  return footageId;
}

export const tableOf = async (house: House, footageId: string): Promise<FrameTable> =>
  JSON.parse((await house.storage.read(frameTableKey(footageId))).toString()) as FrameTable;

/** Where a test house keeps an object on disk; its folder is there. */
export function pathOf(house: House, key: string): string {
  const path = join(house.config.dataDir, key);
  mkdirSync(dirname(path), { recursive: true });
  return path;
}

export const ffmpeg = (...args: string[]) => execa('ffmpeg', ['-v', 'error', '-y', ...args]);

/** What ffprobe says of a file's streams (of the picture with `v`), entries as it names them, comma-separated. */
export async function probed(file: string, entries: string, streams: 'v' | 'all' = 'v'): Promise<string> {
  const select = streams === 'v' ? ['-select_streams', 'v'] : [];
  const { stdout } = await execa('ffprobe', ['-v', 'error', ...select, '-show_entries', entries, '-of', 'csv=p=0', file]);
  return stdout.trim();
}
