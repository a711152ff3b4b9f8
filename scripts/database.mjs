import { spawn, spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { PlainFault } from './plainFault.mjs';
import { findProgram } from './systemPackages.mjs';

/** Name of the file, beside the data directory, that tells what has been prepared in it. */
export const preparedStamp = 'db.prepared';

const readySeconds = 40;
const stopSeconds = 20;
const leastFreeBytes = 400 * 1024 ** 2;

const isRoot = () => process.getuid?.() === 0;

/** Connects to a port on loopback and waits for `event`; false when it does not come within a second. */
const heardFrom = (port, event) =>
  new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const end = (answer) => {
      socket.destroy();
      resolve(answer);
    };
    socket.setTimeout(1000, () => end(false));
    socket.once(event, () => end(true)).once('error', () => end(false));
  });

/** Whether something on loopback takes connections at a port. */
export const portAnswers = (port) => heardFrom(port, 'connect');

/**
 * Whether a MariaDB greets whoever connects. The kernel takes connections before the server does: told to end in between,
 * it would hang (seen on a busy machine).
 */
const databaseGreets = (port) => heardFrom(port, 'data');

const freeBytesOf = (folder) => {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
};

/** Throws where the disk behind a folder has too little room for a database and footage. */
export function checkRoom(folder, freeBytes = freeBytesOf(folder)) {
  if (freeBytes >= leastFreeBytes) return;
  const [free, least] = [freeBytes, leastFreeBytes].map((bytes) => Math.floor(bytes / 1024 ** 2));
  throw new PlainFault(
    `The disk under ${folder} has ${free} MB free; at least ${least} MB are needed. Make room, or set LEAN_DATA_DIR to another disk.`,
  );
}

/** Makes the data directory under another name first, so that a broken attempt is never taken for a database. */
function installDataDirectory(dataDir, logFile) {
  const partial = `${dataDir}.partial`;
  rmSync(partial, { recursive: true, force: true });
  const args = ['--no-defaults', `--datadir=${partial}`, '--auth-root-authentication-method=normal', '--skip-test-db'];
  if (isRoot()) args.push('--user=root');
  const log = openSync(logFile, 'a');
  const run = spawnSync(findProgram('mariadb-install-db'), args, { stdio: ['ignore', log, log] });
  closeSync(log);
  if (run.status !== 0) {
    rmSync(partial, { recursive: true, force: true });
    throw new PlainFault(`MariaDB could not make its data directory; ${logFile} says why.`);
  }
  renameSync(partial, dataDir);
}

/** Process id of a MariaDB that an earlier, killed start left running on this data directory, or null. */
function leftOver(dataDir, pidFile) {
  try {
    const pid = Number(readFileSync(pidFile, 'utf8'));
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${dataDir}\0`) ? pid : null;
  } catch {
    return null;
  }
}

const alive = (pid) => existsSync(`/proc/${pid}`);

/**
 * Starts a private MariaDB on loopback. The user `lean` may do anything in databases whose names begin with `lean_`.
 * Answers when it takes connections; `stop` ends it and waits. Throws a PlainFault when it does not come up.
 */
export async function startDatabase({ folder, port, password }) {
  const dataDir = join(folder, 'db');
  const pidFile = join(folder, 'db.pid');
  const logFile = join(folder, 'db.log');
  mkdirSync(folder, { recursive: true });
  checkRoom(folder);
  const old = leftOver(dataDir, pidFile);
  if (old) {
    process.kill(old, 'SIGTERM');
    for (let i = 0; i < 200 && alive(old); i++) await sleep(50);
  }
  if (await portAnswers(port))
    throw new PlainFault(`Port ${port}, meant for the database, is in use. Stop what uses it, or set LEAN_DB_PORT to another one.`);
  rmSync(pidFile, { force: true });
  if (!existsSync(dataDir)) {
    rmSync(join(folder, preparedStamp), { force: true });
    installDataDirectory(dataDir, logFile);
  }
  // The grants are made at every start, so a changed password takes effect.
  const grants = ['localhost', '127.0.0.1'].flatMap((host) => [
    `CREATE USER IF NOT EXISTS 'lean'@'${host}';`,
    `ALTER USER 'lean'@'${host}' IDENTIFIED BY '${password}';`,
    `GRANT ALL ON \`lean\\_%\`.* TO 'lean'@'${host}';`,
  ]);
  const initFile = join(folder, 'db.init.sql');
  writeFileSync(initFile, `${grants.join('\n')}\nCREATE DATABASE IF NOT EXISTS lean_mentor CHARACTER SET utf8mb4;\n`, { mode: 0o600 });
  const log = openSync(logFile, 'a');
  const args = [
    '--no-defaults',
    `--datadir=${dataDir}`,
    `--socket=${join(folder, 'db.sock')}`,
    `--pid-file=${pidFile}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--character-set-server=utf8mb4',
    '--skip-name-resolve',
    '--skip-log-bin',
    `--init-file=${initFile}`,
    '--innodb-buffer-pool-size=128M',
  ];
  if (isRoot()) args.push('--user=root');
  // A session of its own: Ctrl-C reaches this process first, which then stops things in order.
  const child = spawn(findProgram('mariadbd'), args, { stdio: ['ignore', log, log], detached: true });
  closeSync(log);
  let ended = false;
  const end = new Promise((resolve) => child.once('exit', resolve).once('error', resolve)).then(() => (ended = true));
  const stop = async () => {
    if (!ended) child.kill('SIGTERM');
    // InnoDB recovers from a killed server; a start script that never ends does not.
    const late = setTimeout(() => child.kill('SIGKILL'), stopSeconds * 1000);
    await end;
    clearTimeout(late);
    rmSync(initFile, { force: true });
  };
  for (let i = 0; i < readySeconds * 20 && !ended; i++) {
    if (existsSync(pidFile) && (await databaseGreets(port))) return { stop, exited: end };
    await sleep(50);
  }
  await stop();
  throw new PlainFault(`MariaDB did not come up; the last lines of ${logFile} say why.`);
}
