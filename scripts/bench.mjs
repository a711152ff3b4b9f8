import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

/** `npm run bench`: one JSON line a figure on standard output; everything else goes to standard error. */
try {
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe', 'chromium-headless-shell', 'pocketsphinx_batch'], console.error);
  ensureNodeModules(root, console.error);
  const only = process.argv[2];
  const { openTestHouse } = await import('./testHouse.mjs');
  /** Runs a part of the benchmarks against a house of its own. */
  const bench = async (part, { fill = null, demoClips = ['ilse-harbour-round'] } = {}) => {
    const house = await openTestHouse({ demoClips });
    try {
      if (fill) await house.run(['server/commands/fillPractice.ts', ...fill]);
      const run = spawnSync(process.execPath, ['--import', 'tsx', join('bench', part), ...(only ? [only] : [])], {
        cwd: root,
        stdio: 'inherit',
        env: { ...process.env, LEAN_BENCH_URL: house.url },
      });
      if (run.status !== 0) process.exitCode = run.status ?? 1;
    } finally {
      await house.close();
    }
  };
  // Rates of wrong and right answers by simulation, which needs no house: `npm run bench -- followup`.
  if (!only || only === 'followup')
    spawnSync(process.execPath, ['--import', 'tsx', join('bench', 'followup.ts')], { cwd: root, stdio: 'inherit' });
  if (!['practice', 'takes', 'day', 'followup', 'coding'].includes(only)) await bench('run.ts');
  // `npm run bench -- takes`, and `-- film` within the part above.
  if (!only || only === 'takes') await bench('takes.ts', { demoClips: ['bram-night-shift'] });
  // Six minutes coded as they play: `npm run bench -- coding`.
  if (!only || only === 'coding') await bench('codingRound.ts');
  // 200 requests that wait: `npm run bench -- day`.
  if (!only || only === 'day') await bench('day.ts', { fill: ['200', '1200', '2400', '200'] });
  // 2,000 clients, 40,000 requests, 1,000,000 notes: `npm run bench -- practice` runs this part alone.
  if (!only || only === 'practice') await bench('practice.ts', { fill: ['2000', '40000', '1000000'] });
} catch (error) {
  reportFault(error);
}
