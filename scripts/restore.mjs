import { resolve } from 'node:path';
import { restoreHouse } from './backupHouse.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { readSettings } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

/** `npm run restore -- FOLDER`: makes a house out of a backup, in an empty data folder. */
try {
  const [folder] = process.argv.slice(2);
  if (!folder) throw new PlainFault('Say from where: npm run restore -- FOLDER');
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'mariadb'], console.log);
  const settings = readSettings();
  const madeAt = await restoreHouse(resolve(folder), settings, { say: console.log });
  console.log(`As it was on ${madeAt}, in ${settings.dataDir}. Start it with npm start.`);
} catch (error) {
  reportFault(error);
}
