import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { reportFault } from './plainFault.mjs';
import { root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';
import { openTestHouse } from './testHouse.mjs';

/** `npm run screenshots`: takes docs/screenshots/ anew from the demo practice, in a house of its own. */
try {
  ensurePrograms(['chromium-headless-shell'], console.log);
  const house = await openTestHouse({ demoClips: [] });
  try {
    const env = { ...process.env, LEAN_E2E_URL: house.url };
    process.exitCode =
      spawnSync(process.execPath, ['--import', 'tsx', join('e2e', 'screenshots.ts')], { cwd: root, stdio: 'inherit', env }).status ?? 1;
  } finally {
    await house.close();
  }
} catch (error) {
  reportFault(error);
}
