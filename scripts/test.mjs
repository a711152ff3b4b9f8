import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { canDropRoot } from './privileges.mjs';
import { root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

const totals = { passed: 0, failed: 0, skipped: 0 };

/** Runs a tool of node_modules under a heading; says how long it took. */
function run(words, command, args) {
  console.log(`\n== ${words}`);
  const begun = Date.now();
  const { status } = spawnSync(join(root, 'node_modules', '.bin', command), args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, LEAN_LOG: 'silent' },
  });
  console.log(`== ${words}: ${Math.round((Date.now() - begun) / 1000)} s`);
  return status === 0;
}

/** Checks that pass or fail as a whole, all at once; what each said is shown when it ends. */
async function checks(list) {
  await Promise.all(
    list.map(
      ([words, command, args]) =>
        new Promise((resolve) => {
          const begun = Date.now();
          const child = spawn(join(root, 'node_modules', '.bin', command), args, {
            cwd: root,
            env: { ...process.env, LEAN_LOG: 'silent' },
          });
          let said = '';
          for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += piece));
          child.on('error', (error) => (said += error.message));
          child.on('close', (code) => {
            console.log(`\n== ${words}: ${Math.round((Date.now() - begun) / 1000)} s\n${said}`);
            totals[code === 0 ? 'passed' : 'failed'] += 1;
            resolve();
          });
        }),
    ),
  );
}

/** One kind of tests; each test counts. A run that ends without its report counts as one failure. */
function tests(words, project) {
  const report = join(root, '.tmp', `${project}.json`);
  rmSync(report, { force: true });
  // Vitest leaves one processor free: of two it would use one.
  const workers = '--maxWorkers=100%';
  const ended = run(words, 'vitest', [
    'run',
    '--project',
    project,
    workers,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  if (!existsSync(report)) {
    totals.failed += 1;
    return;
  }
  const { numPassedTests, numFailedTests, numPendingTests, numTodoTests, success } = JSON.parse(readFileSync(report, 'utf8'));
  totals.passed += numPassedTests;
  totals.skipped += numPendingTests + numTodoTests;
  // A file that does not load has no tests to fail, and yet the run has failed.
  totals.failed += numFailedTests > 0 || (ended && success) ? numFailedTests : 1;
}

try {
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe', 'chromium'], console.log);
  ensureNodeModules(root, console.log);
  mkdirSync(join(root, '.tmp'), { recursive: true });
  // A clone that only root can read cannot be run by anybody else.
  if (!canDropRoot(root)) process.env.LEAN_AS_ROOT = '1';
  const rooms = ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench'];
  await checks([
    ['Lint', 'eslint', ['.', '--max-warnings=0']],
    ['Format', 'prettier', ['--check', '--log-level=warn', '.']],
    ['Who imports whom', 'depcruise', ['--config', '.dependency-cruiser.cjs', ...rooms]],
    ['Types', 'tsc', ['-p', 'tsconfig.json']],
  ]);
  tests('Unit tests', 'unit');
  tests('Server tests', 'server');
  tests('Starting and stopping', 'start');
  tests('Browser tests', 'e2e');
} catch (error) {
  totals.failed += 1;
  reportFault(error);
}
const skipped = totals.skipped > 0 ? `, ${totals.skipped} skipped` : '';
console.log(`${totals.passed} passed, ${totals.failed} failed${skipped}`);
process.exitCode = totals.failed > 0 ? 1 : 0;
