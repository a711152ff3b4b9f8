import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { PlainFault } from './plainFault.mjs';
import { findProgram } from './systemPackages.mjs';

/**
 * Runs a program of MariaDB's as a database user (`databaseLogin`), to its end: what it says goes to the file `to`, what it reads comes
 * from the file `from`. The password is never on its command line, which everybody on the machine can read. Answers what it said where no
 * file takes it; throws a PlainFault with its reason where it fails.
 */
export async function databaseClient(program, { host, port, user, password, ca }, args, { from = null, to = null } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'lean-client-'));
  try {
    const login = join(folder, 'login.cnf');
    const quoted = (text) => `"${text.replace(/[\\"]/g, '\\$&')}"`;
    const lines = [
      '[client]',
      'protocol=tcp',
      `user=${quoted(user)}`,
      `host=${quoted(host)}`,
      `port=${port}`,
      `password=${quoted(password)}`,
    ];
    if (ca) lines.push(`ssl-ca=${quoted(ca)}`, 'ssl-verify-server-cert');
    writeFileSync(login, `${lines.join('\n')}\n`, { mode: 0o600 });
    const child = spawn(findProgram(program) ?? program, [`--defaults-file=${login}`, '--default-character-set=utf8mb4', ...args], {
      stdio: [from ? 'pipe' : 'ignore', 'pipe', 'pipe'],
    });
    let [said, told] = ['', ''];
    child.stderr.on('data', (piece) => (told += piece));
    const ended = new Promise((resolve) => child.once('error', (error) => ((told += error.message), resolve(-1))).once('close', resolve));
    const moving = [];
    if (from) moving.push(pipeline(createReadStream(from), child.stdin));
    if (to) moving.push(pipeline(child.stdout, createWriteStream(to, { mode: 0o600 })));
    else child.stdout.on('data', (piece) => (said += piece));
    const broken = (await Promise.allSettled(moving)).find(({ status }) => status === 'rejected')?.reason;
    const status = await ended;
    // A full disk breaks the program too. Otherwise a program that fails closes its ends, and what it says of that is the better reason.
    if (broken?.code === 'ENOSPC') throw broken;
    if (status !== 0) throw new PlainFault(`${program} failed: ${told.trim().split('\n').at(-1) || 'it did not say why'}`);
    if (broken) throw broken;
    return said;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
