import { spawn } from 'node:child_process';
import {
  chmodSync,
  chownSync,
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { totalmem } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { temporaryFolder } from './databaseTemporary.mjs';
import { PlainFault } from './plainFault.mjs';
import { findProgram } from './systemPackages.mjs';

/** Name of the file, beside the data directory, that tells what has been prepared in it. */
export const preparedStamp = 'db.prepared';

const readySeconds = 40;
const stopSeconds = 20;
const leastFreeBytes = 400 * 1024 ** 2;

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

/**
 * Bytes of memory for what MariaDB has read: a sixteenth of what there is, from 128 MB to 1 GB. A practice of years has some gigabytes of
 * rows, and each look at one that is not in memory waits for the disk. A container's limit counts, where there is one.
 */
export const bufferPoolBytes = (memory = Math.min(totalmem(), process.constrainedMemory() || Infinity)) =>
  Math.min(2 ** 30, Math.max(2 ** 27, Math.floor(memory / 16 / 2 ** 20) * 2 ** 20));

/** What mariadbd and its helpers run with: files and folders that they make are their owner's only. */
const databaseEnvironment = { ...process.env, UMASK: '0600', UMASK_DIR: '0700' };

/** Makes the data directory under another name first, so that a broken attempt is never taken for a database. */
async function installDataDirectory(dataDir, temporary, logFile, identity) {
  const partial = `${dataDir}.partial`;
  rmSync(partial, { recursive: true, force: true });
  // Its root account is for root of this machine over the socket, and for nobody else.
  const args = ['--no-defaults', `--datadir=${partial}`, temporary, '--auth-root-authentication-method=socket', '--skip-test-db'];
  const log = openSync(logFile, 'a', 0o600);
  const mask = process.umask(0o077);
  // A session of its own: Ctrl-C reaches the start script first, which waits for the little that is left.
  const child = spawn(findProgram('mariadb-install-db'), args, {
    ...identity,
    env: databaseEnvironment,
    stdio: ['ignore', log, log],
    detached: true,
  });
  process.umask(mask);
  const status = await new Promise((resolve) => child.once('exit', resolve).once('error', () => resolve(-1)));
  closeSync(log);
  if (status !== 0) {
    rmSync(partial, { recursive: true, force: true });
    throw new PlainFault(`MariaDB could not make its data directory; ${logFile} says why.`);
  }
  renameSync(partial, dataDir);
}

const alive = (pid) => {
  try {
    // A zombie has ended; whoever started it has not looked yet.
    return !/^\S+ \(.*\) Z /s.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return false;
  }
};

/** Process ids of what an earlier, killed start left running on a data directory: MariaDB, or what makes one. */
function leftOvers(dataDir) {
  const ours = [`--datadir=${dataDir}\0`, `--datadir=${dataDir}.partial\0`];
  return readdirSync('/proc').filter((name) => {
    if (!/^\d+$/.test(name)) return false;
    try {
      const command = readFileSync(`/proc/${name}/cmdline`, 'utf8');
      return ours.some((one) => command.includes(one)) && alive(name);
    } catch {
      return false;
    }
  });
}

/** Ends what an earlier start left running. Only with the folder's lock in hand: otherwise it may be another start's own. */
async function endLeftOvers(dataDir) {
  const pids = leftOvers(dataDir).map(Number);
  for (const signal of ['SIGTERM', 'SIGKILL']) {
    for (const pid of pids.filter(alive)) {
      try {
        process.kill(pid, signal);
      } catch {
        // It has ended meanwhile.
      }
    }
    for (let i = 0; i < stopSeconds * 20 && pids.some(alive); i++) await sleep(50);
  }
}

/**
 * What is said to the database at every start: nobody but root of this machine is its root, nobody is without a name, and the app's
 * user has the rights of the app in its own databases (`databases`, a name or a pattern) and nothing else: no files, no other users.
 */
function startingWords({ password, databases = 'lean\\_mentor', words = [] }) {
  const rights = 'SELECT, INSERT, UPDATE, DELETE, CREATE, ALTER, DROP, INDEX, REFERENCES, TRIGGER, CREATE TEMPORARY TABLES, LOCK TABLES';
  return [
    "DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost') OR (User = 'lean' AND Host <> '127.0.0.1');",
    "DELETE FROM mysql.db WHERE User IN ('', 'lean') OR Db IN ('test', 'test\\\\_%');",
    'FLUSH PRIVILEGES;',
    "ALTER USER IF EXISTS 'root'@'localhost' IDENTIFIED VIA unix_socket;",
    "CREATE USER IF NOT EXISTS 'lean'@'127.0.0.1' IDENTIFIED BY 'none';",
    // Said at every start, so that a changed password takes effect.
    `ALTER USER 'lean'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    "REVOKE ALL PRIVILEGES, GRANT OPTION FROM 'lean'@'127.0.0.1';",
    `GRANT ${rights} ON \`${databases}\`.* TO 'lean'@'127.0.0.1';`,
    'CREATE DATABASE IF NOT EXISTS lean_mentor CHARACTER SET utf8mb4;',
    ...words,
    '',
  ].join('\n');
}

/**
 * Starts a private MariaDB on loopback. The user `lean` may work in `databases` (a name, or a pattern of GRANT's). Answers when it takes
 * connections; `stop` ends it and waits. Run by root, it drops to `identity`; `more` are further settings of mariadbd, `words` further
 * statements at its start. One that `joins` a cluster has users and rights from the others, and may
 * need more patience while it copies all they have. Throws a PlainFault when it does not come up.
 */
export async function startDatabase(settings) {
  const { folder, port, identity = null, more = [], joins = false, patienceSeconds = readySeconds } = settings;
  const dataDir = join(folder, 'db');
  const pidFile = join(folder, 'db.pid');
  const logFile = join(folder, 'db.log');
  const filesDir = join(folder, 'db.files');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  checkRoom(folder);
  await endLeftOvers(dataDir);
  if (await portAnswers(port))
    throw new PlainFault(`Port ${port}, meant for the database, is in use. Stop what uses it, or set LEAN_DB_PORT to another one.`);
  rmSync(pidFile, { force: true });
  // Where files may be read and written from within the database: an empty folder that it cannot write.
  mkdirSync(filesDir, { recursive: true });
  chmodSync(filesDir, 0o500);
  if (identity) for (const path of [folder, filesDir]) chownSync(path, identity.uid, identity.gid);
  const temporaryDir = temporaryFolder(folder, identity);
  const temporary = `--tmpdir=${temporaryDir}`;
  if (!existsSync(dataDir)) {
    rmSync(join(folder, preparedStamp), { force: true });
    await installDataDirectory(dataDir, temporary, logFile, identity).catch((error) => {
      rmSync(temporaryDir, { recursive: true, force: true });
      throw error;
    });
  }
  const initFile = join(folder, 'db.init.sql');
  rmSync(initFile, { force: true });
  writeFileSync(initFile, startingWords(settings), { mode: 0o600 });
  if (identity) chownSync(initFile, identity.uid, identity.gid);
  const log = openSync(logFile, 'a', 0o600);
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
    '--local-infile=0',
    '--skip-symbolic-links',
    `--secure-file-priv=${filesDir}`,
    temporary,
    ...(joins ? [] : [`--init-file=${initFile}`]),
    `--innodb-buffer-pool-size=${bufferPoolBytes()}`,
    // What is deleted is overwritten on the disk too: who is forgotten is not in the table files any more.
    '--innodb-immediate-scrub-data-uncompressed=1',
    ...more,
  ];
  // It refuses to run as root unless it is told to: only where there is no other user to be (a container without useradd).
  if (!identity && process.getuid?.() === 0) args.push('--user=root');
  // A session of its own: Ctrl-C reaches this process first, which then stops things in order.
  const child = spawn(findProgram('mariadbd'), args, {
    ...identity,
    env: databaseEnvironment,
    stdio: ['ignore', log, log],
    detached: true,
  });
  closeSync(log);
  let ended = false;
  const end = new Promise((resolve) => child.once('exit', resolve).once('error', resolve)).then(() => (ended = true));
  const stop = async () => {
    if (!ended) child.kill('SIGTERM');
    // InnoDB recovers from a killed server; a start script that never ends does not.
    const late = setTimeout(() => child.kill('SIGKILL'), stopSeconds * 1000);
    await end;
    clearTimeout(late);
    for (const path of [initFile, temporaryDir]) rmSync(path, { recursive: true, force: true });
  };
  for (let i = 0; i < patienceSeconds * 20 && !ended; i++) {
    if (existsSync(pidFile) && (await databaseGreets(port))) {
      rmSync(initFile, { force: true });
      return { pid: child.pid, stop, exited: end };
    }
    await sleep(50);
  }
  await stop();
  throw new PlainFault(`MariaDB did not come up; the last lines of ${logFile} say why.`);
}
