import { join } from 'node:path';
import { buildWeb } from './buildWeb.mjs';
import { requireFreePort, startHouse, stopHouse } from './house.mjs';
import { ensureNodeModules } from './nodeModules.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { readSettings, root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

const say = (words) => console.log(words);

const running = [];
let stopping = null;
const stopAll = () => (stopping ??= stopHouse(running));
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stopAll().then(() => process.exit()));

const signIn = ({ role, name, email, password }) => `  ${role.padEnd(9)}  ${email.padEnd(26)} ${password}   ${name}`;

async function start() {
  const settings = readSettings();
  // Told before anything is installed or built, and again where it is used.
  await requireFreePort(settings.port);
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe'], say);
  ensureNodeModules(root, say);
  buildWeb(root, say);
  const house = await startHouse(settings, { say, running, stopping: () => stopping !== null });
  if (!house) return;
  say(`Lean Mentor is ready: ${house.url}`);
  say(house.accounts ? house.accounts.map(signIn).join('\n') : '  No demo. Add a sign-in with: npm run account -- coach "NAME" ADDRESS');
  const ended = await house.ended;
  if (!stopping)
    throw new PlainFault(
      `${ended} ended by itself, so the rest is stopped too. The files in ${join(settings.dataDir, 'log')} and ${join(settings.dataDir, 'db.log')} say why; then start again.`,
    );
}

try {
  await start();
} catch (error) {
  await stopAll();
  reportFault(error);
}
