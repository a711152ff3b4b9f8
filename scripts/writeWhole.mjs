import { closeSync, fchownSync, fsyncSync, openSync, renameSync, rmSync, statSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';

/**
 * Writes a file whole or not at all, readable by its owner only, who is the folder's, also where root writes: a start that is cut off
 * leaves no half of it, and one by an ordinary user can read it later.
 */
export function writeWhole(file, text) {
  const beside = `${file}.${process.pid}.new`;
  try {
    const handle = openSync(beside, 'w', 0o600);
    try {
      writeSync(handle, text);
      if (process.getuid?.() === 0) {
        const { uid, gid } = statSync(dirname(file));
        fchownSync(handle, uid, gid);
      }
      fsyncSync(handle);
    } finally {
      closeSync(handle);
    }
    renameSync(beside, file);
  } finally {
    rmSync(beside, { force: true });
  }
}
