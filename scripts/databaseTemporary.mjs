import { createHash } from 'node:crypto';
import { chownSync, lstatSync, mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { roomIn, sharedMemory } from './sharedMemory.mjs';

/** With less than this in it, a small machine's or a container's, the disk is the better place. */
const leastSharedBytes = 512 * 1024 ** 2;

/** Makes a folder that only `owner` looks into, or finds it as it was made; false where something else is called so. */
function isOwn(path, owner) {
  try {
    mkdirSync(path, { mode: 0o700 });
    if (owner) chownSync(path, owner.uid, owner.gid);
  } catch (error) {
    if (error.code !== 'EEXIST') return false;
  }
  const found = lstatSync(path);
  return found.isDirectory() && found.uid === (owner?.uid ?? process.getuid?.()) && (found.mode & 0o077) === 0;
}

/**
 * Where a database in `folder` lays what it cannot sort in memory: in shared memory where there is enough of it, so that reading goes on
 * when the disk is full; else beside its data. A folder of its own: a MariaDB that starts takes the temporary tables of every other one in
 * the same folder for leftovers and removes them. `shared` is where shared memory is looked for.
 */
export function temporaryFolder(folder, owner, shared = sharedMemory) {
  const own = join(shared, `lean-mentor-${createHash('sha256').update(resolve(folder)).digest('hex').slice(0, 16)}`);
  if (roomIn(shared) >= leastSharedBytes && isOwn(own, owner)) return own;
  const beside = join(folder, 'db.tmp');
  mkdirSync(beside, { recursive: true, mode: 0o700 });
  if (owner) chownSync(beside, owner.uid, owner.gid);
  return beside;
}
