import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inTurn } from './locks.mjs';
import { PlainFault } from './plainFault.mjs';

/** Runs `npm ci` where node_modules is missing or was made from another lock file. */
export function ensureNodeModules(root, say) {
  const [major, minor] = process.versions.node.split('.').map(Number);
  // What the packages in use say of themselves: 20 from 20.19 on, and the even versions after it.
  if (!(major === 20 ? minor >= 19 : major >= 22))
    throw new PlainFault(`Node ${process.versions.node} is running; Lean Mentor needs Node 20.19 or a later 20, or 22 and later.`);
  const stamp = join(root, 'node_modules', '.lean-lock');
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const areThere = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === hash;
  if (areThere()) return;
  // Two at once would each remove what the other has put there.
  inTurn(root, 'packages', say, () => {
    if (areThere()) return;
    say('Installing packages (npm ci) …');
    const run = spawnSync('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    if (run.status !== 0)
      throw new PlainFault('npm ci failed; what it said stands above. Check the registry setting and the disk, then run this again.');
    writeFileSync(stamp, hash);
  });
}
