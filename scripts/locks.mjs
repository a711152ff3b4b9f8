import { linkSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PlainFault } from './plainFault.mjs';
import { writeWhole } from './writeWhole.mjs';

/** When a process began, in ticks since the machine started; null where there is none. A pid alone may be somebody else's by now. */
function beganAt(pid) {
  try {
    // The name of the program, in brackets, may hold spaces: the fields are counted from behind it.
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').pop().split(' ')[19];
  } catch {
    return null;
  }
}

/** The start that holds a lock, as it was written down; null where it is gone or the file says nothing. */
function holderOf(file) {
  try {
    const { pid, began } = JSON.parse(readFileSync(file, 'utf8'));
    return beganAt(pid) === began ? pid : null;
  } catch {
    return null;
  }
}

/** Takes a lock, a file, for this process: answers how to let it go, or else who holds it. One that was killed holds it no longer. */
function takeLock(file) {
  const own = `${file}.${process.pid}`;
  writeWhole(own, JSON.stringify({ pid: process.pid, began: beganAt(process.pid) }));
  try {
    for (let tries = 0; ; tries++) {
      try {
        linkSync(own, file);
        break;
      } catch (error) {
        if (error.code !== 'EEXIST' || tries > 20) throw error;
        const holder = holderOf(file);
        if (holder !== null) return { holder, letGo: null };
        // Moved away and not removed: of two starts only one moves it, and the other looks again.
        try {
          renameSync(file, `${own}.stale`);
        } catch {
          continue;
        }
      }
    }
  } finally {
    rmSync(own, { force: true });
    rmSync(`${own}.stale`, { force: true });
  }
  const letGo = () => {
    if (holderOf(file) === process.pid) rmSync(file, { force: true });
  };
  return { holder: null, letGo };
}

/**
 * Takes a data folder for this start, so that a second one does not stop the first one's database. Answers how to let it go. Throws a
 * PlainFault where another one runs.
 */
export function lockHouse(dataDir) {
  const { holder, letGo } = takeLock(join(dataDir, 'house.lock'));
  if (letGo) return letGo;
  throw new PlainFault(
    `Lean Mentor is already running on ${dataDir} (process ${holder}). Stop it first, or set LEAN_DATA_DIR to another folder.`,
  );
}

const askAgainMs = 200;

/** Does what only one process at a time may do to a checkout, once whoever is at it is done; nothing else happens here meanwhile. */
export function inTurn(root, name, say, work) {
  const folder = join(root, '.tmp');
  mkdirSync(folder, { recursive: true });
  for (let waits = 0; ; waits++) {
    const { holder, letGo } = takeLock(join(folder, `${name}.lock`));
    if (letGo)
      try {
        return work();
      } finally {
        letGo();
      }
    if (waits === 0) say(`Waiting for process ${holder}, which prepares the same …`);
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, askAgainMs);
  }
}
