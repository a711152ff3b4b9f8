import { spawn } from 'node:child_process';
import { closeSync, mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';

const graceMs = 8000;

/**
 * A long-running process of the house. Its log goes to `<data>/log/<name>.log`. It runs in a session of its own, so that
 * Ctrl-C reaches only the start script, and ends by itself when that script dies (its channel closes).
 */
export function startProcess(name, file, { root, dataDir, env }) {
  mkdirSync(join(dataDir, 'log'), { recursive: true });
  const log = openSync(join(dataDir, 'log', `${name}.log`), 'a');
  const child = spawn(process.execPath, ['--import', 'tsx', file], { cwd: root, env, stdio: ['ignore', log, log, 'ipc'], detached: true });
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
  return { name, exited, firstMessage, stop, kill };
}
