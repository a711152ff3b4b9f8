import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { firstFault, keepFiles, summedFiles } from './backupFiles.mjs';
import { portAnswers, startDatabase } from './database.mjs';
import { databaseClient } from './databaseClient.mjs';
import { lockHouse } from './locks.mjs';
import { PlainFault } from './plainFault.mjs';
import { houseIdentity } from './privileges.mjs';
import { databaseLogin, readSecrets, root } from './settings.mjs';
import { writeWhole } from './writeWhole.mjs';

const format = 'lean-mentor/backup@1';
const isEmpty = (folder) => !existsSync(folder) || readdirSync(folder).length === 0;
/** A full disk in a sentence; whatever else it is as it is. */
const plainly = (error, folder, left) =>
  error.code === 'ENOSPC' ? new PlainFault(`The disk under ${folder} is full. ${left}; make room, or name another disk.`) : error;

/**
 * Copies a running house into a folder: its database as of one instant, and every file that the database knew then. Files are looked
 * through before that instant and after it, so that none that came in between is lacking; what was removed after the first look is in the
 * backup all the same. The folder appears whole or not at all. Answers how many files it holds.
 */
export async function backupHouse(settings, target, { say }) {
  const { dataDir, databasePort, database } = settings;
  if (!existsSync(join(dataDir, 'secrets.json')) || (!database && !(await portAnswers(databasePort))))
    throw new PlainFault(
      'Lean Mentor is not running on this data folder. Start it with npm start; what does not run can be copied as it lies.',
    );
  if (!relative(dataDir, target).startsWith('..'))
    throw new PlainFault(`${target} lies in the data folder, which it shall be a copy of. Name a folder elsewhere.`);
  if (!isEmpty(target)) throw new PlainFault(`${target} is not empty. Name a new folder for each backup.`);
  const partial = `${target}.partial`;
  if (existsSync(partial))
    throw new PlainFault(`${partial} is what a backup that was cut off has left. Remove it, or name another folder.`);
  mkdirSync(join(partial, 'files'), { recursive: true, mode: 0o700 });
  try {
    keepFiles(dataDir, join(partial, 'files'));
    say('Reading the database …');
    const login = databaseLogin(settings);
    const whole = ['--single-transaction', '--skip-lock-tables', '--no-tablespaces', '--quick', '--hex-blob', '--skip-dump-date'];
    await databaseClient('mariadb-dump', login, [...whole, login.name], { to: join(partial, 'database.sql') });
    keepFiles(dataDir, join(partial, 'files'));
    say('Summing the files …');
    const files = await summedFiles(partial);
    writeWhole(join(partial, 'manifest.json'), JSON.stringify({ format, madeAt: new Date().toISOString(), files }, null, 1));
    rmSync(target, { recursive: true, force: true });
    renameSync(partial, target);
    return files.length;
  } catch (error) {
    rmSync(partial, { recursive: true, force: true });
    throw plainly(error, target, 'Nothing was kept');
  }
}

/** What a backup says of itself. Throws a PlainFault where it is none, or one of its files is not what was kept. */
async function readBackup(folder) {
  const file = join(folder, 'manifest.json');
  if (!existsSync(file)) throw new PlainFault(`${folder} is no backup: manifest.json is missing. A backup that was cut off is not used.`);
  let told;
  try {
    told = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    throw new PlainFault(`${file} cannot be read. Take another backup.`);
  }
  if (told?.format !== format) throw new PlainFault(`${file} says "${told?.format}"; this version reads ${format}.`);
  const outside = told.files.find(({ path }) => relative(folder, join(folder, path)).startsWith('..'));
  if (outside) throw new PlainFault(`${file} names ${outside.path}, which lies outside of the backup. Nothing was restored.`);
  const fault = await firstFault(folder, told.files);
  if (fault) throw new PlainFault(`The backup in ${folder} is damaged: ${fault}. Nothing was restored; take another backup.`);
  return told;
}

/** Makes a house out of a backup, in a data folder that has none yet. It is looked at whole before anything is written. */
export async function restoreHouse(folder, settings, { say }) {
  const { dataDir, databasePort, database: external } = settings;
  say('Checking the backup …');
  const { files, madeAt } = await readBackup(folder);
  if (existsSync(join(dataDir, 'db')) || existsSync(join(dataDir, 'secrets.json')))
    throw new PlainFault(`There is a house in ${dataDir} already. Set LEAN_DATA_DIR to a new folder.`);
  // What does not succeed is taken away again, which must not be anybody else's.
  if (!isEmpty(dataDir)) throw new PlainFault(`${dataDir} is not empty. Set LEAN_DATA_DIR to a new folder.`);
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const unlock = lockHouse(dataDir);
  try {
    say('Copying the files …');
    for (const { path } of files.filter((one) => one.path.startsWith('files/'))) {
      const to = join(dataDir, path.slice('files/'.length));
      mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
      copyFileSync(join(folder, path), to);
    }
    say('Writing the database …');
    const login = databaseLogin(settings);
    if (external && (await databaseClient('mariadb', login, ['-N', login.name, '-e', 'SHOW TABLES'])).trim() !== '')
      throw new PlainFault(`The database ${login.name} on ${login.host} is not empty. Name a new one in LEAN_DATABASE_URL.`);
    const identity = houseIdentity(root, dataDir);
    const own = external
      ? null
      : await startDatabase({ folder: dataDir, port: databasePort, password: readSecrets(dataDir).databasePassword, identity });
    try {
      await databaseClient('mariadb', login, [login.name], { from: join(folder, 'database.sql') });
    } finally {
      await own?.stop();
    }
  } catch (error) {
    // Half a house would be taken for one at the next start.
    for (const name of readdirSync(dataDir))
      if (!name.startsWith('house.lock')) rmSync(join(dataDir, name), { recursive: true, force: true });
    throw plainly(error, dataDir, 'Nothing was restored');
  } finally {
    unlock();
  }
  return madeAt;
}
