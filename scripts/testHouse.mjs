import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildWeb } from './build.mjs';
import { freePort } from './freePort.mjs';
import { startHouse, stopHouse } from './house.mjs';
import { root } from './settings.mjs';

/** Making all clips ready would keep the browser tests waiting. */
const fewClips = ['ilse-harbour-round', 'bram-night-shift', 'odalys-first-week'];

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
    const { url, parts, run } = await startHouse(settings, { say: () => undefined, running });
    return { url, close, parts, run };
  } catch (error) {
    await close();
    throw error;
  }
}

/** Vitest's global set-up of the browser tests. */
export default async function setup() {
  const { url, close, parts } = await openTestHouse();
  // The tests run in processes of their own; this is how one of them has the web server fail. Its supervisor brings it back.
  const power = createServer((_, response) => {
    // One that is just being started again need not be ended.
    Promise.resolve(parts.server.current()?.kill()).then(
      () => response.end(),
      (error) => response.writeHead(500).end(String(error)),
    );
  }).listen(0, '127.0.0.1');
  await once(power, 'listening');
  process.env.LEAN_E2E_URL = url;
  process.env.LEAN_E2E_POWER = `http://127.0.0.1:${power.address().port}`;
  return async () => {
    power.close();
    await close();
  };
}
