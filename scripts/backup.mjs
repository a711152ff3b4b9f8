import { resolve } from 'node:path';
import { backupHouse } from './backupHouse.mjs';
import { PlainFault, reportFault } from './plainFault.mjs';
import { readSettings } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';

/** `npm run backup -- FOLDER`: copies the running house into a new folder. */
try {
  const [folder] = process.argv.slice(2);
  if (!folder) throw new PlainFault('Say where to: npm run backup -- FOLDER');
  ensurePrograms(['mariadb-dump'], console.log);
  const target = resolve(folder);
  const count = await backupHouse(readSettings(), target, { say: console.log });
  console.log(`The backup is in ${target}: ${count} files. Bring it back with: npm run restore -- ${folder}`);
  if (process.env.LEAN_S3_BUCKET) console.log('Footage lies in your bucket and is not in it: back the bucket up by its own means.');
} catch (error) {
  reportFault(error);
}
