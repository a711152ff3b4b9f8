import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildWeb } from './buildWeb.mjs';
import { freePort } from './freePort.mjs';
import { startHouse, stopHouse } from './house.mjs';
import { root } from './settings.mjs';

/** Making all four clips ready would keep the browser tests waiting. */
const fewClips = ['ilse-harbour-round', 'bram-night-shift'];

/** A whole house with (half) the demo practice, as `npm start` starts it, in a folder that goes with it. */
export async function openTestHouse({ demoClips = fewClips } = {}) {
  buildWeb(root, () => undefined);
  const dataDir = mkdtempSync(join(tmpdir(), 'lean-test-house-'));
  const running = [];
  const close = async () => {
    await stopHouse(running);
    rmSync(dataDir, { recursive: true, force: true });
  };
  try {
    const settings = { port: await freePort(), databasePort: await freePort(), dataDir, demo: true, demoClips };
    const { url } = await startHouse(settings, { say: () => undefined, running });
    return { url, close };
  } catch (error) {
    await close();
    throw error;
  }
}

/** Vitest's global set-up of the browser tests. */
export default async function setup() {
  const { url, close } = await openTestHouse();
  process.env.LEAN_E2E_URL = url;
  return close;
}
