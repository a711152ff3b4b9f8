import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { freemem } from 'node:os';
import { join } from 'node:path';
import { roomIn, sharedMemory } from './sharedMemory.mjs';

/** What the databases, houses and films of a run may take; with less the disk is the better place. */
const leastBytes = 6 * 1024 ** 3;
const prefix = 'lean-tests-';

/** What runs that were killed have left behind: the name says whose it was. */
function removeLeft(shared) {
  for (const name of readdirSync(shared).filter((one) => one.startsWith(prefix))) {
    const pid = Number(name.slice(prefix.length).split('-')[0]);
    if (!existsSync(`/proc/${pid}`)) rmSync(join(shared, name), { recursive: true, force: true });
  }
}

/**
 * Where the tests lay what they need for a while: in shared memory where the machine has plenty, since nothing there waits for a disk
 * (opening a house takes a third of the time). Null where it has not; then it is the system's folder, as ever.
 */
export function testFolder(shared = sharedMemory, least = leastBytes) {
  if (roomIn(shared) < least || freemem() < least) return null;
  removeLeft(shared);
  const folder = mkdtempSync(join(shared, `${prefix}${process.pid}-`));
  // As /tmp is: what runs as the house's own user makes its folders here too.
  chmodSync(folder, 0o1777);
  return folder;
}
