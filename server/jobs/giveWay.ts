import { writeFile } from 'node:fs/promises';

/** How far this process stands back: 0 as everybody, 19 last of all. */
const standsBack = 15;

/**
 * Lets whoever reads a page go before the work of this process. Linux shares the processor out between sessions first (sched(7), "The
 * autogroup feature"), and every part of the house is a session of its own: without this the `nice` of an ffmpeg counts only within
 * ours. Elsewhere there is no such file, and nothing to do.
 */
export async function giveWay(file = '/proc/self/autogroup'): Promise<void> {
  await writeFile(file, String(standsBack)).catch(() => undefined);
}
