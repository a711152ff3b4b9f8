import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

/** `npm run bench`: one JSON line a figure on standard output; everything else goes to standard error. */
try {
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe', 'chromium'], console.error);
  ensureNodeModules(root, console.error);
  const { openTestHouse } = await import('./testHouse.mjs');
  const house = await openTestHouse({ demoClips: ['ilse-harbour-round'] });
  try {
    const run = spawnSync(process.execPath, ['--import', 'tsx', join('bench', 'run.ts')], {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, LEAN_BENCH_URL: house.url },
    });
    process.exitCode = run.status ?? 1;
  } finally {
    await house.close();
  }
} catch (error) {
  reportFault(error);
}
