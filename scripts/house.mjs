import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, chownSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { buildServer, builtProgram } from './build.mjs';
import { portAnswers, preparedStamp, startDatabase } from './database.mjs';
import { lockHouse } from './locks.mjs';
import { startProcess } from './houseProcess.mjs';
import { PlainFault } from './plainFault.mjs';
import { houseIdentity } from './privileges.mjs';
import { houseEnvironment, readSecrets, root } from './settings.mjs';
import { supervise } from './supervise.mjs';
import { writeWhole } from './writeWhole.mjs';

/** Runs a command of the house, as it was built, to its end. Rejects with what it said where it fails; `signal` ends it. */
async function runCommand([file, ...words], { env, identity, signal }) {
  // A session of its own: Ctrl-C reaches the start script first, which ends it. By the channel it notices that the script is gone.
  const child = spawn(process.execPath, [...builtProgram(root, file), ...words], {
    ...identity,
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    detached: true,
  });
  const end = () => child.kill('SIGTERM');
  signal?.addEventListener('abort', end, { once: true });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += piece));
  const status = await new Promise((resolve) => child.once('close', resolve).once('error', () => resolve(-1)));
  signal?.removeEventListener('abort', end);
  if (status !== 0 && !signal?.aborted) throw new PlainFault(`${file} failed:\n${said}`);
}

/**
 * Migrates the database and loads the practice, unless this very set of migrations was prepared here before: starting a
 * process only to find nothing to do would cost a third of the start.
 */
async function prepare(dataDir, practice, how, isOwn) {
  const migrations = readdirSync(join(root, 'server', 'db', 'migrations')).sort();
  const wanted = JSON.stringify({ migrations, practice });
  // What was done in a database elsewhere only that database knows.
  if (!isOwn) return runCommand(['server/commands/prepare.ts', ...practice], how);
  const stamp = join(dataDir, preparedStamp);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  await runCommand(['server/commands/prepare.ts', ...practice], how);
  if (!how.signal?.aborted) writeWhole(stamp, wanted);
}

export async function requireFreePort(port) {
  if (await portAnswers(port)) throw new PlainFault(`Port ${port} is in use. Stop what uses it, or set PORT to another one.`);
}

/**
 * Starts a house: its database, what has to be prepared in it, the jobs process and the web server, each kept running by a supervisor.
 * `settings` are those of readSettings; `demoClips` may name a few of the demo's clips, `databases` what the app's database user may
 * work in. `signal` says that somebody has asked meanwhile to stop; `running` takes what was started, in order, so that it can be stopped
 * whatever happens. Answers the address, the demo's accounts (null without the demo), and `givenUp`, which rejects with the reason when
 * a part could not be kept running; null where it was stopped before it was ready.
 */
export async function startHouse(settings, { say, running, signal, patience }) {
  const { port, databasePort, dataDir, databases, database: external = null, parts = ['server', 'jobs'] } = settings;
  if (parts.includes('server')) await requireFreePort(port);
  buildServer(root, say);
  // Everything that is made from now on is its owner's only.
  process.umask(0o077);
  const identity = houseIdentity(root, dataDir);
  const unlock = lockHouse(dataDir);
  running.push({ stop: () => Promise.resolve(unlock()) });
  const secrets = readSecrets(dataDir);
  const kept = (name, start, hint) => {
    const keeper = supervise(name, start, { say, hint, ...(patience && { patience }) });
    running.push(keeper);
    return keeper;
  };
  const logHint = (file) => `${join(dataDir, file)} says why.`;
  const database = external
    ? null
    : kept(
        'The database',
        () =>
          startDatabase({
            ...{ folder: dataDir, port: databasePort, password: secrets.databasePassword, identity },
            ...(databases && { databases }),
          }),
        logHint('db.log'),
      );
  await database?.ready;
  if (signal?.aborted) return null;

  const env = houseEnvironment(settings, secrets);
  const how = { env, identity, signal };
  const practiceFile = join(dataDir, 'demo', 'practice.json');
  if (settings.demo && !existsSync(practiceFile)) {
    say('Loading the demo practice …');
    mkdirSync(dirname(practiceFile), { recursive: true });
    if (identity) chownSync(dirname(practiceFile), identity.uid, identity.gid);
    await runCommand(['demo/writePractice.ts', practiceFile, ...(settings.demoClips ?? [])], how);
  }
  if (!signal?.aborted) await prepare(dataDir, settings.demo ? [practiceFile] : [], how, external === null);
  if (signal?.aborted) return null;

  const jobs =
    parts.includes('jobs') &&
    kept(
      'The jobs process',
      () => Promise.resolve(startProcess('jobs', 'server/jobsMain.ts', { root, dataDir, env, identity })),
      logHint('log/jobs.log'),
    );
  let listening;
  const server =
    parts.includes('server') &&
    kept(
      'The web server',
      async () => {
        const part = startProcess('server', 'server/main.ts', { root, dataDir, env, identity });
        const message = await part.firstMessage;
        if (!message && !signal?.aborted)
          throw new PlainFault(`The web server did not start; the last lines of ${join(dataDir, 'log', 'server.log')} say why.`);
        listening = message?.listening;
        return part;
      },
      logHint('log/server.log'),
    );
  const here = [database, jobs, server].filter(Boolean);
  await Promise.all(here.map((part) => part.ready));
  if (signal?.aborted) return null;
  const givenUp = Promise.race(here.map((part) => part.givenUp));
  // Who does not wait for it is not ended by it.
  givenUp.catch(() => undefined);
  return {
    url: settings.url ?? `http://${settings.host ?? '127.0.0.1'}:${listening}`,
    accounts: settings.demo ? JSON.parse(readFileSync(practiceFile, 'utf8')).accounts : null,
    /** For the tests and drills of what a failing machine does: its parts by name. */
    parts: { database, jobs, server },
    /** Runs a command of the house to its end. */
    run: (args) => runCommand(args, how),
    givenUp,
  };
}

/** Stops what runs, last started first. */
export async function stopHouse(running) {
  while (running.length > 0) await running.pop().stop();
}
