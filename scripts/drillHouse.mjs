import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { freePort } from './freePort.mjs';
import { startHouse, stopHouse } from './house.mjs';

/** What drills share: a folder of their own, a house in it, and patience. */

export const folder = () => mkdtempSync(join(tmpdir(), 'lean-drill-'));

export const until = async (isSo, ms = 60_000) => {
  for (const end = Date.now() + ms; Date.now() < end;) {
    if (await isSo()) return true;
    await sleep(100);
  }
  return false;
};

/** A house of the demo in a folder; `work` is given it, and all of it is gone afterwards. */
export async function inHouse(dataDir, settings, work) {
  const running = [];
  const said = [];
  try {
    const house = await startHouse(
      { port: await freePort(), databasePort: await freePort(), dataDir, demo: true, demoClips: ['ilse-harbour-round'], ...settings },
      {
        say: (words) => said.push(words),
        running,
        patience: { firstWaitMs: 300, longestWaitMs: 2000, soundMs: 60_000, mostFailures: 100 },
      },
    );
    return await work(house, said);
  } finally {
    await stopHouse(running);
  }
}
