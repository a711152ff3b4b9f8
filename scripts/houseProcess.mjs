import { spawn } from 'node:child_process';
import { closeSync, fchownSync, mkdirSync, chownSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { builtProgram } from './build.mjs';

const graceMs = 8000;

/**
 * A long-running process of the house, as `identity` where root starts it. Its log goes to `<data>/log/<name>.log`. It runs in a session
 * of its own, so that Ctrl-C reaches only the start script, and ends by itself when that script dies (its channel closes).
 */
export function startProcess(name, file, { root, dataDir, env, identity }) {
  const folder = join(dataDir, 'log');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const log = openSync(join(folder, `${name}.log`), 'a', 0o600);
  if (identity) {
    chownSync(folder, identity.uid, identity.gid);
    fchownSync(log, identity.uid, identity.gid);
  }
  const child = spawn(process.execPath, builtProgram(root, file), {
    ...identity,
    cwd: root,
    env,
    stdio: ['ignore', log, log, 'ipc'],
    detached: true,
  });
  closeSync(log);
  const exited = new Promise((resolve) => child.once('exit', resolve).once('error', resolve));
  /** Resolves with the first message of the process; null when it ends without one. */
  const firstMessage = Promise.race([new Promise((resolve) => child.once('message', resolve)), exited.then(() => null)]);
  const stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    const late = setTimeout(() => child.kill('SIGKILL'), graceMs);
    await exited;
    clearTimeout(late);
  };
  /** Ends it at once, as a machine that fails does. */
  const kill = async () => {
    child.kill('SIGKILL');
    await exited;
  };
  return { name, pid: child.pid, exited, firstMessage, stop, kill };
}
