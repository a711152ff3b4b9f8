import { buildWeb } from './buildWeb.mjs';
import { requireFreePort, startHouse, stopHouse } from './house.mjs';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { readSettings, root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

const say = (words) => console.log(words);

const running = [];
const asked = new AbortController();
let stopping = null;
const stopAll = () => {
  asked.abort();
  return (stopping ??= stopHouse(running));
};
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stopAll().then(() => process.exit()));

const signIn = ({ role, name, email, password }) => `  ${role.padEnd(9)}  ${email.padEnd(26)} ${password}   ${name}`;

async function start() {
  const settings = readSettings();
  // Told before anything is installed or built, and again where it is used.
  await requireFreePort(settings.port);
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe', 'prlimit'], say);
  ensureNodeModules(root, say);
  buildWeb(root, say);
  const house = await startHouse(settings, { say, running, signal: asked.signal });
  if (!house) return;
  say(`Lean Mentor is ready: ${house.url}`);
  say(house.accounts ? house.accounts.map(signIn).join('\n') : '  No demo. Add a sign-in with: npm run account -- coach "NAME" ADDRESS');
  await house.givenUp;
}

try {
  await start();
} catch (error) {
  await stopAll();
  reportFault(error);
}
