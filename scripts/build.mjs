import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inTurn } from './locks.mjs';
import { PlainFault } from './plainFault.mjs';

/** Besides what lies in the folders: the packages, and how it is done. */
const alsoFrom = ['package-lock.json', 'scripts/build.mjs', 'scripts/bundleServer.mjs'];

/** Fingerprint of all files below the folders that something is built from, and of where they lie. */
function fingerprint(root, folders) {
  const hash = createHash('sha256').update(`${root}\n`);
  for (const folder of folders)
    for (const name of readdirSync(join(root, folder), { recursive: true }).map(String).sort()) {
      if (/(^|\/)(dist|node_modules)(\/|$)/.test(name)) continue;
      const { size, mtimeMs } = statSync(join(root, folder, name));
      hash.update(`${folder}/${name} ${size} ${mtimeMs}\n`);
    }
  for (const file of alsoFrom) hash.update(readFileSync(join(root, file)));
  return hash.digest('hex');
}

/** Builds a room into its `dist` where what it is made from has changed since; two that start at once build it once. */
function build(root, say, { room, words, from, command }) {
  const stamp = join(root, room, 'dist', '.built');
  const now = fingerprint(root, from);
  const isBuilt = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === now;
  if (isBuilt()) return;
  inTurn(root, room, say, () => {
    if (isBuilt()) return;
    say(`Building the ${words} …`);
    // A test runner's NODE_ENV would build React's development version, five times as slow.
    const env = { ...process.env, NODE_ENV: 'production' };
    // The house, which may run as somebody else, reads what is built.
    const mask = process.umask(0o022);
    const run = spawnSync(...command, { env, cwd: root, stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' });
    process.umask(mask);
    if (run.status !== 0) throw new PlainFault(`The ${words} could not be built:\n${run.stdout}${run.stderr}`);
    writeFileSync(stamp, now);
  });
}

/** Builds the web app where it has changed since it was last built. */
export const buildWeb = (root, say) =>
  build(root, say, {
    room: 'web',
    words: 'web app',
    from: ['web', 'core', 'contract'],
    command: ['npm', ['run', 'build', '--silent']],
  });

/** Writes the programs of the house, where they have changed, as JavaScript (docs/decisions/run-time-typescript.md). */
export const buildServer = (root, say) =>
  build(root, say, {
    room: 'server',
    words: 'server',
    from: ['server', 'core', 'contract', 'demo'],
    command: [process.execPath, [join(root, 'scripts', 'bundleServer.mjs')]],
  });

/** How Node runs a program of the house that was built: a file in TypeScript, named from the checkout's root. */
export const builtProgram = (root, file) => ['--enable-source-maps', join(root, 'server', 'dist', file.replace(/ts$/, 'mjs'))];
