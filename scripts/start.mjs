import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildWeb } from './buildWeb.mjs';
import { portAnswers, startDatabase } from './database.mjs';
import { startProcess } from './houseProcess.mjs';
import { ensureNodeModules } from './nodeModules.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { houseEnvironment, readSecrets, readSettings, root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

const say = (words) => console.log(words);

/** What runs, in the order it was started; stopped in the opposite order. */
const running = [];
let stopping = null;
const stopAll = () =>
  (stopping ??= (async () => {
    while (running.length > 0) await running.pop().stop();
  })());

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stopAll().then(() => process.exit()));

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

const signIns = (practiceFile) =>
  JSON.parse(readFileSync(practiceFile, 'utf8'))
    .accounts.map(({ role, name, email, password }) => `  ${role.padEnd(9)}  ${email.padEnd(26)} ${password}   ${name}`)
    .join('\n');

async function start() {
  const settings = readSettings();
  const { port, databasePort, dataDir } = settings;
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe'], say);
  ensureNodeModules(root, say);
  if (await portAnswers(port)) throw new PlainFault(`Port ${port} is in use. Stop what uses it, or set PORT to another one.`);
  buildWeb(root, say);

  mkdirSync(dataDir, { recursive: true });
  const secrets = readSecrets(dataDir);
  const database = await startDatabase({ folder: dataDir, port: databasePort, password: secrets.databasePassword });
  running.push(database);
  if (stopping) return stopAll();

  const env = houseEnvironment(settings, secrets);
  const practiceFile = join(dataDir, 'demo', 'practice.json');
  if (settings.demo && !existsSync(practiceFile)) {
    say('Loading the demo practice …');
    runCommand(['demo/writePractice.ts', practiceFile], env);
  }
  const demo = settings.demo && existsSync(practiceFile);
  runCommand(['server/commands/prepare.ts', ...(demo ? [practiceFile] : [])], env);

  const jobs = startProcess('jobs', 'server/jobs/main.ts', { root, dataDir, env });
  running.push(jobs);
  const server = startProcess('server', 'server/main.ts', { root, dataDir, env });
  running.push(server);
  const ready = await server.firstMessage;
  if (stopping) return stopAll();
  if (!ready) throw new PlainFault(`The web server did not start; the last lines of ${join(dataDir, 'log', 'server.log')} say why.`);

  say(`Lean Mentor is ready: http://127.0.0.1:${ready.listening}`);
  say(demo ? signIns(practiceFile) : '  No demo. Add a sign-in with: npm run account -- coach "NAME" ADDRESS');
  const ended = await Promise.race([
    database.exited.then(() => 'MariaDB'),
    jobs.exited.then(() => 'The jobs process'),
    server.exited.then(() => 'The web server'),
  ]);
  if (!stopping)
    throw new PlainFault(
      `${ended} ended by itself, so the rest is stopped too. ${join(dataDir, 'log')} and ${join(dataDir, 'db.log')} say why; then start again.`,
    );
}

try {
  await start();
} catch (error) {
  await stopAll();
  reportFault(error);
}
