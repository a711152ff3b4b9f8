import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { join, relative } from 'node:path';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { canDropRoot } from './privileges.mjs';
import { root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';
import { testFolder } from './testFolder.mjs';

const rooms = ['core', 'contract', 'server', 'web', 'demo', 'e2e', 'bench'];
const programs = [
  'mariadbd',
  'mariadb-install-db',
  'mariadb-dump',
  'ffmpeg',
  'ffprobe',
  'chromium-headless-shell',
  'pocketsphinx_batch',
  'nginx',
  'openssl',
];

const totals = { passed: 0, failed: 0, skipped: 0 };
/** What failed, each in one line: said once more at the end, where it is found without scrolling back. */
const failures = [];

/**
 * Runs a tool of node_modules under a heading and says how long it took; answers whether it ended well. What it says is shown as it
 * comes, or, where another runs beside it, when it ends. One with `leftovers` takes what processor time the others leave.
 */
function run(words, command, args, { beside = false, leftovers = false } = {}) {
  return new Promise((resolve) => {
    if (!beside) console.log(`\n== ${words}`);
    const begun = Date.now();
    const child = spawn(join(root, 'node_modules', '.bin', command), args, {
      cwd: root,
      stdio: beside ? 'pipe' : 'inherit',
      env: { ...process.env, LEAN_LOG: 'silent' },
    });
    if (leftovers && child.pid) setPriority(child.pid, constants.priority.PRIORITY_LOW);
    let said = '';
    for (const stream of beside ? [child.stdout, child.stderr] : []) stream.on('data', (piece) => (said += piece));
    child.on('error', (error) => (said += error.message));
    child.on('close', (code) => {
      console.log(`\n== ${words}: ${Math.round((Date.now() - begun) / 1000)} s\n${said}`);
      resolve(code === 0);
    });
  });
}

/** A check that passes or fails as a whole. */
async function check(words, command, args) {
  const passed = await run(words, command, args, { beside: true, leftovers: true });
  totals[passed ? 'passed' : 'failed'] += 1;
  if (!passed) failures.push(words);
}

/** Everything that is read and not run. */
const checks = () =>
  Promise.all([
    check('Lint', 'eslint', ['.', '--max-warnings=0']),
    check('Format', 'prettier', ['--check', '--log-level=warn', '.']),
    check('Who imports whom', 'depcruise', ['--config', '.dependency-cruiser.cjs', ...rooms]),
    check('Circles between rooms', 'depcruise', ['--config', '.dependency-circles.cjs', 'server', 'web']),
    check('Nothing unused', 'knip', ['--no-progress']),
    // Of the two of that name the one that is twice as quick; the linter still needs the other.
    check('Types', '../typescript-7/bin/tsc', ['-p', 'tsconfig.json']),
  ]);

/** Some kinds of tests; each test counts. A run that ends without its report counts as one failure. */
async function tests(words, projects, how) {
  const report = join(root, '.tmp', `${projects[0]}.json`);
  rmSync(report, { force: true });
  // Vitest leaves one processor free: of two it would use one.
  const workers = '--maxWorkers=100%';
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${report}`];
  const ended = await run(words, 'vitest', ['run', ...projects.flatMap((name) => ['--project', name]), workers, ...reporters], how);
  if (!existsSync(report)) {
    totals.failed += 1;
    failures.push(`${words}: ended without a report`);
    return;
  }
  const { numPassedTests, numFailedTests, numPendingTests, numTodoTests, success, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  totals.passed += numPassedTests;
  totals.skipped += numPendingTests + numTodoTests;
  failures.push(...testResults.flatMap(failuresOfFile));
  // A file that does not load has no tests to fail, and yet the run has failed.
  totals.failed += numFailedTests > 0 || (ended && success) ? numFailedTests : 1;
}

/** A file's failed tests with the first words of what went wrong, or the file itself where it could not be loaded. */
function failuresOfFile({ name, status, message, assertionResults }) {
  const file = relative(root, name);
  const failed = assertionResults.filter((test) => test.status === 'failed');
  if (failed.length === 0) return status === 'failed' ? [`${file}: ${firstWords(message)}`] : [];
  return failed.map((test) => `${file}: ${test.fullName}: ${firstWords(test.failureMessages[0])}`);
}

/** In one line: the sentence that a started process said often stands below the first one. */
const firstWords = (text = '') => text.replace(/\s+/g, ' ').slice(0, 400);

/** So far do the house's jobs processes stand back (`server/jobs/giveWay.ts`). */
const asJobs = 15;

/**
 * How far this whole session stands back behind the others of this machine (sched(7), "The autogroup feature"); elsewhere there is no such
 * file. Tests that keep every processor busy would leave nothing to the jobs processes of houses that are started beside them.
 */
function standBack(nice) {
  try {
    writeFileSync('/proc/self/autogroup', String(nice));
  } catch {
    // Then all are equal.
  }
}

const folder = testFolder();
if (folder) process.env.TMPDIR = folder;
try {
  ensurePrograms(programs, console.log);
  ensureNodeModules(root, console.log);
  mkdirSync(join(root, '.tmp'), { recursive: true });
  // A clone that only root can read cannot be run by anybody else.
  if (!canDropRoot(root)) process.env.LEAN_AS_ROOT = '1';
  // Starting and stopping is mostly waiting: it needs no turn of its own.
  standBack(asJobs);
  const starting = tests('Starting and stopping', ['start'], { beside: true });
  await tests('Unit and page tests', ['unit', 'web']);
  await tests('Server tests', ['server']);
  await starting;
  // A browser and its pages wait for each other, and leave half a processor of two.
  const checking = checks();
  await tests('Browser tests', ['e2e']);
  await checking;
} catch (error) {
  totals.failed += 1;
  reportFault(error);
} finally {
  if (folder) rmSync(folder, { recursive: true, force: true });
}
for (const failure of failures) console.log(`failed: ${failure}`);
const skipped = totals.skipped > 0 ? `, ${totals.skipped} skipped` : '';
console.log(`${totals.passed} passed, ${totals.failed} failed${skipped}`);
process.exitCode = totals.failed > 0 ? 1 : 0;
