import { setTimeout as sleep } from 'node:timers/promises';
import { removeOldExports } from '../features/critique/index.ts';
import { finishLeftUploads } from '../features/requests/index.ts';
import type { House } from '../house.ts';
import { clearScratchFolders } from '../scratchFolder.ts';

/** What is looked after again and again, each on its own: one that fails does not keep the others from their turn. */
const chores: Readonly<Record<string, (house: House) => Promise<unknown>>> = {
  'uploads that nobody finished': finishLeftUploads,
  'uploads that nobody went on with': async ({ storage }) => storage.uploads.deleteExpired(),
  'exports that were taken': removeOldExports,
  'what dead processes left': clearScratchFolders,
};

/** Does every chore once. */
export async function tidy(house: House): Promise<void> {
  for (const [what, chore] of Object.entries(chores))
    await chore(house).catch((error: unknown) => house.log.warn({ err: error, what }, 'a chore was not done'));
}

/** How long it rests between rounds, in ms. */
const restMs = 60_000;

/** Looks after what is left behind until `signal` aborts. */
export async function keepTidy(house: House, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    await tidy(house);
    await sleep(restMs, undefined, { signal }).catch(() => undefined);
  }
}
