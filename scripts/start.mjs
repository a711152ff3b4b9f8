import { buildWeb } from './build.mjs';
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
  const serves = settings.parts.includes('server');
  if (serves) await requireFreePort(settings.port);
  const database = settings.database ? [] : ['mariadbd', 'mariadb-install-db'];
  ensurePrograms([...database, 'ffmpeg', 'ffprobe', 'prlimit'], say);
  ensureNodeModules(root, say);
  if (serves) buildWeb(root, say);
  const house = await startHouse(settings, { say, running, signal: asked.signal });
  if (!house) return;
  say(serves ? `Lean Mentor is ready: ${house.url}` : 'Lean Mentor’s jobs are being done here.');
  say(house.accounts ? house.accounts.map(signIn).join('\n') : '  No demo. Add a sign-in with: npm run account -- coach "NAME" ADDRESS');
  await house.givenUp;
}

try {
  await start();
} catch (error) {
  await stopAll();
  reportFault(error);
}
