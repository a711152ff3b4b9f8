import { readFile } from 'node:fs/promises';
import { readConfig } from '../config/config.ts';
import { putStarterBookOnce } from '../features/book/index.ts';
import { alone } from '../db/alone.ts';
import { migrate } from '../db/migrate.ts';
import { onStop } from '../house/onStop.ts';
import { closeDatabase } from '../database.ts';
import { openHouse } from '../openHouse.ts';
import { importPractice } from './importPractice.ts';

/**
 * `node --import tsx server/commands/prepare.ts [PRACTICE_FILE]`: migrates, loads the practice where there is none yet, and puts the
 * starter book into a house that never had it.
 */
// Of a start that was killed nothing goes on: the next start would prepare the same database beside it.
onStop(() => process.exit(1));
/** A database that others copy lets only its administrators make triggers, unless it is told to trust its users (MariaDB error 1419). */
function sayWhatIsMissing(error: unknown): never {
  if (!/no: 1419\b/.test(error instanceof Error ? error.message : '')) throw error;
  process.stderr.write(
    'The database keeps a binary log or is one of a cluster, and does not let this user make triggers. Set log_bin_trust_function_creators=ON in it, then start again.\n',
  );
  process.exit(1);
}

const house = openHouse(readConfig());
await alone(house.db.sequelize, async () => {
  await migrate(house.db.sequelize).catch(sayWhatIsMissing);
  const file = process.argv[2];
  if (file && (await house.db.accounts.count()) === 0) await importPractice(house, JSON.parse(await readFile(file, 'utf8')), file);
  await putStarterBookOnce(house);
});
await closeDatabase(house.db);
// The channel to the start script would keep this process alive.
process.exit();
