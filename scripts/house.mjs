import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { portAnswers, preparedStamp, startDatabase } from './database.mjs';
import { startProcess } from './houseProcess.mjs';
import { PlainFault } from './plainFault.mjs';
import { houseEnvironment, readSecrets, root } from './settings.mjs';

/** Runs a TypeScript command of the house to its end. */
function runCommand(args, env) {
  const run = spawnSync(process.execPath, ['--import', 'tsx', ...args], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
    encoding: 'utf8',
  });
  if (run.status !== 0) throw new PlainFault(`${args[0]} failed:\n${run.stderr || run.stdout}`);
}

/**
 * Migrates the database and loads the practice, unless this very set of migrations was prepared here before: starting a
 * process only to find nothing to do would cost a third of the start.
 */
function prepare(dataDir, practice, env) {
  const migrations = readdirSync(join(root, 'server', 'db', 'migrations')).sort();
  const wanted = JSON.stringify({ migrations, practice });
  const stamp = join(dataDir, preparedStamp);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  runCommand(['server/commands/prepare.ts', ...practice], env);
  writeFileSync(stamp, wanted);
}

export async function requireFreePort(port) {
  if (await portAnswers(port)) throw new PlainFault(`Port ${port} is in use. Stop what uses it, or set PORT to another one.`);
}

/**
 * Starts a house: its database, what has to be prepared in it, the jobs process and the web server. `settings` are those of
 * readSettings; `demoClips` may name a few of the demo's clips. `stopping` tells whether somebody has asked meanwhile to
 * stop; `running` takes what was started, in order, so that it can be stopped whatever happens. Answers the address, the
 * demo's accounts (null without the demo), and who ended first, once one does.
 */
export async function startHouse(settings, { say, running, stopping = () => false }) {
  const { port, databasePort, dataDir } = settings;
  await requireFreePort(port);
  mkdirSync(dataDir, { recursive: true });
  const secrets = readSecrets(dataDir);
  const database = await startDatabase({ folder: dataDir, port: databasePort, password: secrets.databasePassword });
  running.push(database);
  if (stopping()) return null;

  const env = houseEnvironment(settings, secrets);
  const practiceFile = join(dataDir, 'demo', 'practice.json');
  if (settings.demo && !existsSync(practiceFile)) {
    say('Loading the demo practice …');
    runCommand(['demo/writePractice.ts', practiceFile, ...(settings.demoClips ?? [])], env);
  }
  prepare(dataDir, settings.demo ? [practiceFile] : [], env);

  const jobs = startProcess('jobs', 'server/jobs/main.ts', { root, dataDir, env });
  running.push(jobs);
  let server;
  const startServer = async () => {
    server = startProcess('server', 'server/main.ts', { root, dataDir, env });
    running.push(server);
    const ready = await server.firstMessage;
    if (stopping()) return null;
    if (!ready) throw new PlainFault(`The web server did not start; the last lines of ${join(dataDir, 'log', 'server.log')} say why.`);
    return ready;
  };
  const ready = await startServer();
  if (!ready) return null;
  return {
    url: `http://127.0.0.1:${ready.listening}`,
    accounts: settings.demo ? JSON.parse(readFileSync(practiceFile, 'utf8')).accounts : null,
    /** For the tests of what a failing machine does: the web server ends without a word, and starts again. */
    killServer: () => running.splice(running.indexOf(server), 1)[0].kill(),
    startServer,
    /** Runs a command of the house to its end. */
    run: (args) => runCommand(args, env),
    ended: Promise.race([
      database.exited.then(() => 'MariaDB'),
      jobs.exited.then(() => 'The jobs process'),
      server.exited.then(() => 'The web server'),
    ]),
  };
}

/** Stops what runs, last started first. */
export async function stopHouse(running) {
  while (running.length > 0) await running.pop().stop();
}
