import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inTurn } from './locks.mjs';
import { PlainFault } from './plainFault.mjs';

/** Fingerprint of all files below the folders that the web app is built from. */
function fingerprint(root) {
  const hash = createHash('sha256');
  for (const folder of ['web', 'core', 'contract'])
    for (const name of readdirSync(join(root, folder), { recursive: true }).map(String).sort()) {
      if (/(^|\/)(dist|node_modules)(\/|$)/.test(name)) continue;
      const { size, mtimeMs } = statSync(join(root, folder, name));
      hash.update(`${folder}/${name} ${size} ${mtimeMs}\n`);
    }
  return hash.update(readFileSync(join(root, 'package-lock.json'))).digest('hex');
}

/** Builds the web app where it has changed since it was last built; two that start at once build it once. */
export function buildWeb(root, say) {
  const stamp = join(root, 'web', 'dist', '.built');
  const now = fingerprint(root);
  const isBuilt = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === now;
  if (isBuilt()) return;
  inTurn(root, 'web', say, () => {
    if (isBuilt()) return;
    say('Building the web app …');
    // A test runner's NODE_ENV would build React's development version, five times as slow.
    const env = { ...process.env, NODE_ENV: 'production' };
    // The web server, which may run as somebody else, reads what is built.
    const mask = process.umask(0o022);
    const run = spawnSync('npm', ['run', 'build', '--silent'], {
      env,
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      encoding: 'utf8',
    });
    process.umask(mask);
    if (run.status !== 0) throw new PlainFault(`The web app could not be built:\n${run.stdout}${run.stderr}`);
    writeFileSync(stamp, now);
  });
}
