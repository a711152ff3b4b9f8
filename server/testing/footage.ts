import { copyFile, readFile } from 'node:fs/promises';
import type { FrameTable } from '@lean-mentor/core/footage';
import { execa } from 'execa';
import type { House } from '../house.ts';
import { bringRequest, clientA } from './people.ts';

/** Footage with these bytes as its original, waiting to be made ready. */
export async function footageOf(house: House, file: string): Promise<string> {
  const { footageId } = await bringRequest(house, clientA, 'waiting');
  await copyFile(file, house.storage.original(footageId));
  return footageId;
}

export const tableOf = async (house: House, footageId: string): Promise<FrameTable> =>
  JSON.parse(await readFile(house.storage.frameTable(footageId), 'utf8')) as FrameTable;

export const ffmpeg = (...args: string[]) => execa('ffmpeg', ['-v', 'error', '-y', ...args]);

/** What ffprobe says of a file's streams (of the picture with `v`), entries as it names them, comma-separated. */
export async function probed(file: string, entries: string, streams: 'v' | 'all' = 'v'): Promise<string> {
  const select = streams === 'v' ? ['-select_streams', 'v'] : [];
  const { stdout } = await execa('ffprobe', ['-v', 'error', ...select, '-show_entries', entries, '-of', 'csv=p=0', file]);
  return stdout.trim();
}
